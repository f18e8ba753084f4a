import type { AnswerKind, Frequency, Period, Problem, Value } from '@vivid/core/evaluate'
import type { Figures } from '../figures'

/** A word by number: the forms a language has, by Intl.PluralRules. */
export type Counted = Partial<Record<Intl.LDMLPluralRule, string>> & { readonly other: string }

export type ProblemSentences = {
  [C in Problem['code']]: (problem: Extract<Problem, { code: C }>, figures: Figures) => string
}

/** The words figures and problems are said with, in one language. `#` stands for the number. */
export interface Language {
  readonly years: Counted
  readonly months: Counted
  readonly payments: Counted
  readonly every: Readonly<Record<Frequency, string>>
  /** "a month": behind an amount that recurs. */
  readonly per: Readonly<Record<Period, string>>
  readonly yes: string
  readonly no: string
  readonly ratesByTerms: string
  readonly examples: Readonly<Record<AnswerKind, (figures: Figures) => string>>
  readonly problems: ProblemSentences
  /** A bound said in full: a share both as money and as a percentage. */
  readonly bound: (value: Value, figures: Figures) => string
  readonly periodDoubted: (value: string, per: string, fits: string) => string
  /** How lengths of time are typed: words for years and for months. */
  readonly typedYears: RegExp
  readonly typedMonths: RegExp
}
