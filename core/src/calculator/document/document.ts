import { z } from 'zod'
import { MOST_COUNTED } from '../../formula/limits'
import { AnswerShape } from './questions'
import { currency, decimalText, formulaText, momentText, nameText, stepId } from './document-shapes'
import { Step } from './steps'
import { Locale, RichTexts, Texts } from './texts'

/** A set of answers: what a sample visitor would type; null is nothing. */
const answers = z.record(stepId, AnswerShape.nullable())

/** The most steps a calculator may have. */
export const MOST_STEPS = 200

/** The most words a lender explains in its own way. */
export const MOST_MEANINGS = 40

/**
 * Answers with the figures they must give. A figure is plain text in its own unit: "931.64", "4.64", "300",
 * "2051-10-25"; numbers may differ from it by the tolerance.
 */
export const Proof = z.strictObject({
  id: stepId,
  name: nameText,
  answers,
  /** The day the proof is worked out for, or a minute of it, and whose rates hold. */
  on: momentText,
  expected: z
    .array(
      z.strictObject({
        of: formulaText,
        /** Where the formula gives a list, the figure of each of its items. */
        figure: z.union([decimalText, z.string().max(80), z.array(decimalText).min(1).max(MOST_COUNTED)]),
        tolerance: decimalText,
      }),
    )
    .min(1)
    .max(40),
})
export type Proof = z.infer<typeof Proof>

/** What a lender makes its own of a starter. */
export const ownThings = ['currency', 'languages', 'conventions', 'rates', 'words'] as const
export type OwnThing = (typeof ownThings)[number]

/**
 * The calculator document, version 2: a list of named steps, from the questions a visitor is asked to the readouts
 * they see, with texts in each language, sample visitors and proofs. It is what the desk edits and the server keeps;
 * `compile` turns it into a program. The schema says what may be stored; whether the steps make sense together is
 * for `compile` to say.
 */
export const CalculatorDocument = z.strictObject({
  version: z.literal(2),
  title: Texts,
  currency,
  /** The first is the main one: its texts stand where another has none. */
  languages: z.array(Locale).min(1).max(12),
  lender: z.string().trim().min(1).max(80),
  /** Whether results follow every keystroke or wait for a button. */
  results: z.enum(['live', 'onButton']),
  introduction: RichTexts,
  disclosure: RichTexts,
  /** How the lender is reached, in a line: told where the page cannot work anything out. */
  contact: Texts.optional(),
  /** What happens once a visitor has their figures. */
  nextSteps: RichTexts.optional(),
  /** Words of the trade as the lender explains them: before the page's own words, and for others. */
  meanings: z
    .array(z.strictObject({ id: stepId, word: Texts, meaning: Texts }))
    .max(MOST_MEANINGS)
    .optional(),
  /** The starter it began from, and what of it was said to be right as it came. */
  begunFrom: z
    .strictObject({ starter: z.string().max(60), settled: z.array(z.enum(ownThings)).max(ownThings.length) })
    .optional(),
  steps: z.array(Step).max(MOST_STEPS),
  samples: z
    .array(z.strictObject({ id: stepId, name: nameText, answers }))
    .min(1)
    .max(20),
  proofs: z.array(Proof).max(200),
})
export type CalculatorDocument = z.infer<typeof CalculatorDocument>
export type Sample = CalculatorDocument['samples'][number]
export type OwnMeaning = NonNullable<CalculatorDocument['meanings']>[number]
