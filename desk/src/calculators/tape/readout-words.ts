import { languageOf } from '@vivid/contract/wording'
import type { ActionName, ComparisonRow, ScheduleColumn, WhatIfName } from '@vivid/core'

const { columns, rows } = languageOf('en').page

/** What the author ticks in schedules and comparisons: in the words visitors read. */
export const columnWords: Readonly<Record<ScheduleColumn, string>> = columns
export const rowWords: Readonly<Record<ComparisonRow, string>> = rows

export const actionWords: Readonly<Record<ActionName, string>> = {
  startAgain: 'start again',
  link: 'copy a link to the figures',
  pdf: 'everything as a PDF',
  xlsx: 'schedule as a spreadsheet',
  csv: 'schedule as CSV',
  calendar: 'payments for a calendar',
  print: 'print',
  handOver: 'hand over to the lender’s people',
}
export const whatIfWords: Readonly<Record<WhatIfName, string>> = {
  extra: 'an extra with every payment',
  yearlyExtra: 'an extra once a year',
  lumpSum: 'a lump sum',
  rate: 'another rate',
  payment: 'another payment',
}
