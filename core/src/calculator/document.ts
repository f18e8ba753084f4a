import { z } from 'zod'
import { currencies, type Currency } from '../money/currencies'
import { LARGEST_AMOUNT } from '../money/minor'
import { frequencyNames, type Frequency } from '../rates/frequency'
import { HIGHEST_PERCENT, isPlainDecimal } from '../rates/percent'

/**
 * The calculator document: a list of named steps, from the questions a visitor is asked to the readouts they
 * see. It is what the desk edits and the server keeps; `compile` turns it into a program. The schema says what
 * may be stored; whether the steps make sense together is for `compile` to say.
 */
const stepId = z.string().regex(/^[a-z][A-Za-z0-9]{0,39}$/, 'a letter, then letters and digits, at most 40')
const nameText = z.string().trim().min(1).max(80)
const helpText = z.string().max(400)
const minorUnits = z.int().min(0).max(LARGEST_AMOUNT)
const percentText = z
  .string()
  .refine((text) => isPlainDecimal(text) && !text.startsWith('-') && Number(text) <= HIGHEST_PERCENT, {
    error: `a percentage from 0 to ${HIGHEST_PERCENT} as a plain decimal, like "4.64"`,
  })
/** An amount, or a percentage of another answer. */
const share = z.union([z.strictObject({ money: minorUnits }), z.strictObject({ percent: percentText })])
const length = z.strictObject({ years: z.int().min(0).max(100), months: z.int().min(0).max(11) })
const frequency = z.enum(frequencyNames as [Frequency, ...Frequency[]])

const question = { kind: z.literal('question'), id: stepId, name: nameText, label: nameText, help: helpText }

const MoneyQuestion = z.strictObject({
  ...question,
  asks: z.literal('money'),
  default: minorUnits.nullable(),
  least: minorUnits,
  most: minorUnits,
  step: minorUnits.min(1),
  slider: z.boolean(),
})
const PercentQuestion = z.strictObject({
  ...question,
  asks: z.literal('percent'),
  default: percentText.nullable(),
  least: percentText,
  most: percentText,
  step: percentText,
  slider: z.boolean(),
})
const ShareQuestion = z.strictObject({
  ...question,
  asks: z.literal('share'),
  /** The money question this is a share of. */
  of: stepId,
  default: share.nullable(),
  least: share,
  most: share,
  step: share,
})
const TermQuestion = z.strictObject({
  ...question,
  asks: z.literal('term'),
  default: length.nullable(),
  least: length,
  most: length,
  step: length,
})
const FrequencyQuestion = z.strictObject({
  ...question,
  asks: z.literal('frequency'),
  options: z.array(frequency).min(1).max(frequencyNames.length),
  default: frequency.nullable(),
})

const LoanStep = z.strictObject({
  kind: z.literal('loan'),
  id: stepId,
  name: nameText,
  price: stepId,
  downPayment: stepId,
  rate: stepId,
  term: stepId,
  frequency: stepId,
  compounding: z.union([z.literal('perPayment'), z.literal([1, 2, 4, 12, 365])]),
})

export const readoutKinds = ['payment', 'totalInterest', 'endDate', 'schedule'] as const

const ReadoutStep = z.strictObject({
  kind: z.literal('readout'),
  id: stepId,
  name: nameText,
  label: nameText,
  help: helpText,
  shows: z.enum(readoutKinds),
  loan: stepId,
})

const Step = z.discriminatedUnion('kind', [
  z.discriminatedUnion('asks', [
    MoneyQuestion,
    PercentQuestion,
    ShareQuestion,
    TermQuestion,
    FrequencyQuestion,
  ]),
  LoanStep,
  ReadoutStep,
])

/** An answer as it crosses the network: minor units, a percentage as text, a share, a length of time, a choice. */
export const AnswerShape = z.union([minorUnits, percentText, share, length, frequency])

export const CalculatorDocument = z.strictObject({
  version: z.literal(1),
  title: z.string().trim().min(1).max(120),
  currency: z.enum(currencies as [Currency, ...Currency[]]),
  locale: z.string().regex(/^[a-z]{2}-[A-Z]{2}$/, 'a language and a country, like "en-CA"'),
  lender: z.string().trim().min(1).max(80),
  introduction: z.string().max(600),
  disclosure: z.string().max(2000),
  steps: z.array(Step).max(200),
  sample: z.strictObject({ name: nameText, answers: z.record(stepId, AnswerShape) }),
})

export type CalculatorDocument = z.infer<typeof CalculatorDocument>
export type CalculatorStep = CalculatorDocument['steps'][number]
export type Question = Extract<CalculatorStep, { kind: 'question' }>
export type QuestionOf<Asks extends Question['asks']> = Extract<Question, { asks: Asks }>
export type LoanOfDocument = Extract<CalculatorStep, { kind: 'loan' }>
export type ReadoutOfDocument = Extract<CalculatorStep, { kind: 'readout' }>
export type Share = z.infer<typeof share>
export type TermLength = z.infer<typeof length>
