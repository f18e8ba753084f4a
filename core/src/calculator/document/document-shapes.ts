import { z } from 'zod'
import { currencies, type Currency } from '../../money/currencies'
import { LARGEST_AMOUNT } from '../../money/minor'
import { frequencyNames, type Frequency } from '../../rates/frequency'
import { HIGHEST_PERCENT, isPlainDecimal } from '../../rates/percent'
import { readMoment } from '../../dates/moment'
import { readIsoDate } from '../../dates/plain-date'
import { LOAN_NAME, LONGEST_LOAN_NAME } from './answer-limits'
import { LONGEST_FORMULA } from '../../formula/limits'

/** The small shapes documents, answers and rate sheets are made of. */
export const stepId = z
  .string()
  .regex(/^[a-z][A-Za-z0-9]{0,39}$/, 'a letter, then letters and digits, at most 40')
/** A loan step, or a loan of a refinancing: "change.old", "change.new". */
export const loanId = z
  .string()
  .regex(/^[a-z][A-Za-z0-9]{0,39}(\.(old|new))?$/, 'a step, or “.old” or “.new” of a refinancing')
export const nameText = z.string().trim().min(1).max(80)
export const formulaText = z.string().max(LONGEST_FORMULA)
export const minorUnits = z.int().min(0).max(LARGEST_AMOUNT)
export const percentText = z
  .string()
  .refine((text) => isPlainDecimal(text) && !text.startsWith('-') && Number(text) <= HIGHEST_PERCENT, {
    error: `a percentage from 0 to ${HIGHEST_PERCENT} as a plain decimal, like "4.64"`,
  })
/** A plain decimal, negative too: "931.64". */
export const decimalText = z.string().regex(/^-?\d{1,16}(\.\d{1,12})?$/, 'a plain decimal, like "931.64"')
export const isoDateText = z.string().refine((text) => readIsoDate(text) !== undefined, {
  error: 'a day of the calendar, like "2026-11-25"',
})
/** A day, whose first minute is meant, or a minute of it in the lender's time. */
export const momentText = z.string().refine((text) => readMoment(text) !== undefined, {
  error: 'a day of the calendar, like "2026-11-25", or a minute of it, like "2026-11-25T09:00"',
})
/** An amount, or a percentage of another answer. */
export const share = z.union([
  z.strictObject({ money: minorUnits }),
  z.strictObject({ percent: percentText }),
])
export const length = z.strictObject({ years: z.int().min(0).max(100), months: z.int().min(0).max(11) })
export const frequency = z.enum(frequencyNames as [Frequency, ...Frequency[]])
export const currency = z.enum(currencies as [Currency, ...Currency[]])
/** The periods a question's amount may recur in. */
export const askedPeriod = z.enum(['year', 'halfYear', 'quarter', 'month', 'week'])

/** One of several loans: what it is called, what is owed, its rate in percent a year, what is paid a month. */
export const owedLoan = z.strictObject({
  name: z.string().trim().max(LONGEST_LOAN_NAME).regex(LOAN_NAME, 'a name without “;” and on one line'),
  owed: minorUnits,
  rate: percentText,
  payment: minorUnits,
})

export type OwedLoanAnswer = z.infer<typeof owedLoan>
export type Share = z.infer<typeof share>
export type TermLength = z.infer<typeof length>
