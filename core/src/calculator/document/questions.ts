import { z } from 'zod'
import { MOST_LOANS } from '../../lending/most-loans'
import { frequencyNames } from '../../rates/frequency'
import {
  askedPeriod,
  formulaText,
  frequency,
  isoDateText,
  length,
  minorUnits,
  nameText,
  owedLoan,
  percentText,
  share,
  stepId,
} from './document-shapes'
import { Texts } from './texts'

/** What a question counts as while it is hidden: its default, or nothing (0, no). */
export const whenHidden = ['default', 'nothing'] as const

/**
 * What every question has. `shownWhen`: a formula that gives yes or no; empty: always shown. While it is hidden it counts
 * as `whenHidden` says, as its default where that says nothing. One that is optional and unanswered counts as nothing
 * (0, no); choices and dates always count as their default.
 */
const question = {
  kind: z.literal('question'),
  id: stepId,
  name: nameText,
  label: Texts,
  help: Texts,
  required: z.boolean(),
  shownWhen: formulaText,
  whenHidden: z.enum(whenHidden).optional(),
}
/**
 * Formulas that narrow a range as the answers are: at least, or at most, what they give, where that lies within `least` and
 * `most`. Empty or absent: the figures alone hold.
 */
const narrowing = { leastBy: formulaText.optional(), mostBy: formulaText.optional() }
const wholeNumber = z.int().min(-1_000_000_000).max(1_000_000_000)

export const MoneyQuestion = z.strictObject({
  ...question,
  ...narrowing,
  asks: z.literal('money'),
  /** How often the amount recurs; null: an amount once. */
  per: askedPeriod.nullable(),
  default: minorUnits.nullable(),
  least: minorUnits,
  most: minorUnits,
  step: minorUnits.min(1),
  slider: z.boolean(),
  /** Where answers usually lie; one that would fit another period draws a gentle question. */
  usual: z.strictObject({ least: minorUnits, most: minorUnits }).nullable(),
})
export const PercentQuestion = z.strictObject({
  ...question,
  ...narrowing,
  asks: z.literal('percent'),
  default: percentText.nullable(),
  least: percentText,
  most: percentText,
  step: percentText,
  slider: z.boolean(),
})
export const ShareQuestion = z.strictObject({
  ...question,
  ...narrowing,
  asks: z.literal('share'),
  /** The money question this is a share of. */
  of: stepId,
  default: share.nullable(),
  least: share,
  most: share,
  step: share,
})
export const NumberQuestion = z.strictObject({
  ...question,
  ...narrowing,
  asks: z.literal('number'),
  /** Whether it is a plain number or a number of payments. */
  counts: z.enum(['things', 'payments']),
  default: wholeNumber.nullable(),
  least: wholeNumber,
  most: wholeNumber,
  step: wholeNumber.min(1),
  slider: z.boolean(),
})
export const TermQuestion = z.strictObject({
  ...question,
  ...narrowing,
  asks: z.literal('term'),
  default: length.nullable(),
  least: length,
  most: length,
  step: length,
})
/** A choice gives its option's name as text, or a value of one unit that stands beside each option. */
export const ChoiceQuestion = z.strictObject({
  ...question,
  asks: z.literal('choice'),
  gives: z.enum(['name', 'money', 'percent', 'number', 'term']),
  options: z
    .array(
      z.strictObject({
        name: nameText,
        label: Texts,
        value: z.union([minorUnits, percentText, wholeNumber, length]).nullable(),
      }),
    )
    .min(1)
    .max(60),
  default: nameText.nullable(),
})
export const YesNoQuestion = z.strictObject({
  ...question,
  asks: z.literal('yesNo'),
  default: z.boolean().nullable(),
})
export const DateQuestion = z.strictObject({
  ...question,
  ...narrowing,
  asks: z.literal('date'),
  /** A month is answered by its first day. */
  precision: z.enum(['day', 'month']),
  default: z.union([isoDateText, z.literal('today')]).nullable(),
  least: isoDateText.nullable(),
  most: isoDateText.nullable(),
})
export const FrequencyQuestion = z.strictObject({
  ...question,
  asks: z.literal('frequency'),
  options: z.array(frequency).min(1).max(frequencyNames.length),
  default: frequency.nullable(),
})

/** A list of loans that run, each paid monthly. */
export const LoansQuestion = z.strictObject({
  ...question,
  asks: z.literal('loans'),
  default: z.array(owedLoan).max(MOST_LOANS).nullable(),
  fewestLoans: z.int().min(1).max(MOST_LOANS),
  mostLoans: z.int().min(1).max(MOST_LOANS),
  mostOwed: minorUnits.min(1),
  mostRate: percentText,
})

export const Question = z.discriminatedUnion('asks', [
  MoneyQuestion,
  PercentQuestion,
  ShareQuestion,
  NumberQuestion,
  TermQuestion,
  ChoiceQuestion,
  YesNoQuestion,
  DateQuestion,
  FrequencyQuestion,
  LoansQuestion,
])
export type Question = z.infer<typeof Question>
export type QuestionOf<Asks extends Question['asks']> = Extract<Question, { asks: Asks }>

/** An answer as it crosses the network: minor units, a number, a percentage or date as text, a share, a length, a choice, yes or no, loans. */
export const AnswerShape = z.union([
  minorUnits,
  wholeNumber,
  percentText,
  isoDateText,
  share,
  length,
  z.boolean(),
  z.string().max(80),
  z.array(owedLoan).max(MOST_LOANS),
])
