import type { ActionName, ComparisonRow, ScheduleColumn, WhatIfName } from '@vivid/core'

/** What the author ticks in schedules, comparisons and actions. */
export const columnWords: Readonly<Record<ScheduleColumn, string>> = {
  date: 'date',
  payment: 'paid',
  principal: 'off the loan',
  interest: 'interest',
  extra: 'extra',
  insurance: 'insurance',
  balance: 'still owed',
  principalToDate: 'off the loan to date',
  interestToDate: 'interest to date',
}
export const rowWords: Readonly<Record<ComparisonRow, string>> = {
  payment: 'payment',
  paymentWithInsurance: 'payment with insurance',
  payments: 'number of payments',
  endDate: 'paid off on',
  totalInterest: 'interest in all',
  totalInsurance: 'insurance in all',
  totalPaid: 'paid in all',
  costOfBorrowing: 'cost of borrowing',
  difference: 'against the first',
}
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
  lumpSum: 'a lump sum',
  rate: 'another rate',
  payment: 'another payment',
}
