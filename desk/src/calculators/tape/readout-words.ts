import type { actionNames, ComparisonRow, ScheduleColumn } from '@vivid/core'

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
export const actionWords: Readonly<Record<(typeof actionNames)[number], string>> = {
  startAgain: 'start again',
  print: 'print',
  csv: 'save the schedule as CSV',
}
