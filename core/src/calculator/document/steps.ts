import { z } from 'zod'
import { Question } from './questions'
import { formulaText, loanId, nameText, stepId } from './document-shapes'
import {
  affordabilityTerms,
  aimNeeds,
  aimTerms,
  equityTerms,
  ladderNeeds,
  ladderTerms,
  loanTerms,
  payOffTerms,
  refinanceTerms,
} from './step-terms'
import { RichTexts, Texts } from './texts'

const step = { id: stepId, name: nameText }

/** Every entry a formula; a term that is not there is not agreed on. */
function termsOf<T extends Record<string, unknown>>(facts: T) {
  const names = Object.keys(facts) as [keyof T & string]
  return z.partialRecord(z.enum(names), formulaText)
}
const namesOf = <T extends Record<string, unknown>>(facts: T) =>
  z.enum(Object.keys(facts) as [keyof T & string, ...(keyof T & string)[]])

const compounding = z.union([z.literal('perPayment'), z.literal([1, 2, 4, 12, 365])])

/** A heading over the questions that follow, to the next one. */
const SectionStep = z.strictObject({ ...step, kind: z.literal('section'), label: Texts, help: Texts })

export const workingUnits = [
  'any',
  'money',
  'moneyPerMonth',
  'moneyPerYear',
  'percent',
  'number',
  'count',
  'term',
  'date',
  'yesNo',
  'text',
  'frequency',
] as const

const WorkingStep = z.strictObject({
  ...step,
  kind: z.literal('working'),
  formula: formulaText,
  /** What the formula has to give; `any`: whatever it gives. */
  unit: z.enum(workingUnits),
  /** To a multiple of `to`, in the value's own unit ("0.01" a cent, "100" a hundred); null: not rounded. */
  rounding: z
    .strictObject({
      how: z.enum(['nearest', 'up', 'down']),
      to: z
        .string()
        .regex(/^(?!0+(\.0+)?$)\d{1,9}(\.\d{1,6})?$/, 'an amount above zero, like "0.01" or "100"'),
    })
    .nullable(),
  /** For those who look after the calculator. */
  note: z.string().max(1000),
  /** Whether visitors find it under "how this was worked out", and under which name. */
  shown: z.boolean(),
  label: Texts,
})

const LookUpStep = z.strictObject({
  ...step,
  kind: z.literal('lookUp'),
  /** The rate sheet's address; empty: not chosen yet. */
  sheet: z.string().max(60),
  /** A formula for each key column of the sheet, by the column's identifier. */
  keys: z.record(stepId, formulaText),
  /** The day whose rates hold; empty: today. */
  on: formulaText,
})

export const loanOptions = z.strictObject({
  compounding: compounding.optional(),
  due: z.enum(['end', 'start']).optional(),
  onExtra: z.enum(['shorten', 'lower']).optional(),
  paymentRounding: z.enum(['nearest', 'up', 'down']).optional(),
  interestRounding: z.enum(['halfUp', 'halfEven']).optional(),
  dayCount: z.enum(['equal', 'thirtyOver365', 'actual365', 'actual360', 'thirty360']).optional(),
  graceInterest: z.enum(['none', 'paid', 'addedSimple', 'addedCompound']).optional(),
  insuranceBase: z.enum(['original', 'balanceYearly']).optional(),
})
export type LoanOptions = z.infer<typeof loanOptions>

const ExtraOfLoan = z.strictObject({
  amount: formulaText,
  every: z.enum(['payment', 'year', 'once']),
  /** A number of the payment, or a date; empty where it does not matter. */
  at: formulaText,
  from: formulaText,
  until: formulaText,
})
const RateChangeOfLoan = z.strictObject({
  fromPayment: formulaText,
  annualRate: formulaText,
  keep: z.enum(['term', 'payment']),
})

const LoanStep = z.strictObject({
  ...step,
  kind: z.literal('loan'),
  /** Another loan whose terms hold where this one says nothing of its own; null: none. */
  as: stepId.nullable(),
  terms: termsOf(loanTerms),
  options: loanOptions,
  /** Null: as the other loan has them, or none. */
  extras: z.array(ExtraOfLoan).max(12).nullable(),
  rateChanges: z.array(RateChangeOfLoan).max(12).nullable(),
})

const AffordabilityStep = z.strictObject({
  ...step,
  kind: z.literal('affordability'),
  find: z.enum(['price', 'income']),
  terms: termsOf(affordabilityTerms),
  compounding,
})
const RefinanceStep = z.strictObject({
  ...step,
  kind: z.literal('refinance'),
  terms: termsOf(refinanceTerms),
  compounding,
})
const EquityStep = z.strictObject({
  ...step,
  kind: z.literal('equity'),
  loan: loanId,
  terms: termsOf(equityTerms),
})
const AimStep = z.strictObject({
  ...step,
  kind: z.literal('aim'),
  find: namesOf(aimNeeds),
  /** The loan whose other terms hold. */
  loan: loanId,
  terms: termsOf(aimTerms),
})
const LadderStep = z.strictObject({
  ...step,
  kind: z.literal('ladder'),
  over: namesOf(ladderNeeds),
  loan: loanId,
  /** Over `answer`: the question that is answered otherwise on each rung. */
  question: stepId.optional(),
  terms: termsOf(ladderTerms),
})
const ComparisonStep = z.strictObject({
  ...step,
  kind: z.literal('comparison'),
  loans: z.array(z.strictObject({ loan: loanId, label: Texts })).max(4),
  /** How long the visitor means to stay, for the rows until then. */
  stay: formulaText.optional(),
})

const PayOffStep = z.strictObject({
  ...step,
  kind: z.literal('payOff'),
  /** The question for the loans. */
  loans: stepId,
  terms: termsOf(payOffTerms),
})

const readout = { ...step, kind: z.literal('readout'), label: Texts, help: Texts, shownWhen: formulaText }
const part = z.strictObject({ label: Texts, amount: formulaText })

export const scheduleColumns = [
  'date',
  'payment',
  'principal',
  'interest',
  'extra',
  'insurance',
  'balance',
  'principalToDate',
  'interestToDate',
] as const
export const comparisonRows = [
  'payment',
  'paymentWithInsurance',
  'payments',
  'endDate',
  'totalInterest',
  'totalInsurance',
  'totalFees',
  'balloon',
  'totalPaid',
  'costOfBorrowing',
  'difference',
  'paidUntilLeaving',
  'owedAtLeaving',
  'costUntilLeaving',
] as const
export const actionNames = [
  'startAgain',
  'link',
  'pdf',
  'xlsx',
  'csv',
  'calendar',
  'print',
  'handOver',
] as const
export const whatIfNames = ['extra', 'yearlyExtra', 'lumpSum', 'rate', 'payment'] as const

const Readout = z.discriminatedUnion('shows', [
  z.strictObject({
    ...readout,
    shows: z.literal('figure'),
    value: formulaText,
    /** The one large figure of the page. */
    headline: z.boolean(),
    /** What the value is made of, as a meter; none: no meter. */
    parts: z.array(part).max(8),
    /** What it means, with formulas between braces. */
    sentence: Texts,
  }),
  z.strictObject({
    ...readout,
    shows: z.literal('meter'),
    parts: z.array(part).min(1).max(8),
    sentence: Texts,
  }),
  z.strictObject({ ...readout, shows: z.literal('sentence'), sentence: Texts }),
  z.strictObject({
    ...readout,
    shows: z.literal('chart'),
    chart: z.enum(['balance', 'yearly', 'ladder', 'refinance', 'limits']),
    /** The loans drawn: with and without. For `yearly` the first one. */
    loans: z.array(z.strictObject({ loan: loanId, label: Texts })).max(4),
    ladder: stepId.nullable(),
    /** For `refinance` and `limits`: the refinancing, or the affordability, that is drawn. */
    of: stepId.optional(),
  }),
  z.strictObject({
    ...readout,
    shows: z.literal('schedule'),
    loan: loanId,
    by: z.enum(['year', 'payment']),
    columns: z.array(z.enum(scheduleColumns)).min(1).max(scheduleColumns.length),
  }),
  z.strictObject({ ...readout, shows: z.literal('ladder'), ladder: stepId }),
  z.strictObject({
    ...readout,
    shows: z.literal('comparison'),
    comparison: stepId,
    rows: z.array(z.enum(comparisonRows)).min(1).max(comparisonRows.length),
  }),
  z.strictObject({ ...readout, shows: z.literal('payOff'), payOff: stepId }),
  z.strictObject({ ...readout, shows: z.literal('payment'), loan: loanId, number: formulaText }),
  z.strictObject({ ...readout, shows: z.literal('explanation') }),
  z.strictObject({ ...readout, shows: z.literal('assumptions'), text: RichTexts }),
  z.strictObject({
    ...readout,
    shows: z.literal('actions'),
    actions: z.array(z.enum(actionNames)).min(1).max(actionNames.length),
  }),
  /** What the visitor may change about a loan to see what would come of it, kept beside each other. */
  z.strictObject({
    ...readout,
    shows: z.literal('whatIf'),
    loan: loanId,
    offers: z.array(z.enum(whatIfNames)).min(1).max(whatIfNames.length),
  }),
])

export const Step = z.discriminatedUnion('kind', [
  SectionStep,
  Question,
  WorkingStep,
  LookUpStep,
  LoanStep,
  AffordabilityStep,
  RefinanceStep,
  EquityStep,
  AimStep,
  LadderStep,
  ComparisonStep,
  PayOffStep,
  Readout,
])

export type CalculatorStep = z.infer<typeof Step>
export type StepOf<Kind extends CalculatorStep['kind']> = Extract<CalculatorStep, { kind: Kind }>
export type ReadoutStep = StepOf<'readout'>
export type ReadoutOf<Shows extends ReadoutStep['shows']> = Extract<ReadoutStep, { shows: Shows }>
export type ScheduleColumn = (typeof scheduleColumns)[number]
export type ComparisonRow = (typeof comparisonRows)[number]
export type ActionName = (typeof actionNames)[number]
export type WhatIfName = (typeof whatIfNames)[number]
