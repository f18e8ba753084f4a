import type {
  AnswerKind,
  Currency,
  Frequency,
  Period,
  Problem,
  TermLength,
  Value,
} from '@vivid/core/evaluate'
import type { PageWords } from './page-words'

/** Puts figures into a locale's digits and words. Amounts are minor units of its currency. */
export interface Figures {
  readonly locale: string
  readonly currency: Currency
  /** Minor digits of the currency. */
  readonly digits: number
  readonly words: Language
  /** "$1,118.20" */
  money(minor: number): string
  /** "$412,600", and "$412,600.50" only where there are cents */
  moneyShort(minor: number): string
  /** "$412.6K": for the axis of a chart */
  moneyCompact(minor: number): string
  /** "4.64%" */
  percent(plain: string): string
  /** "25 years", "1 year 6 months" */
  term(length: TermLength): string
  /** "1,300" */
  count(n: number): string
  /** A plain decimal of any size: "0.3867" */
  number(plain: string): string
  /** "25 November 2051" in the locale's order */
  date(iso: string): string
  /** "November 2051" */
  month(iso: string): string
  /** "every two weeks" */
  every(frequency: Frequency): string
  /** "a month" */
  per(period: Period): string
  /** The label of an option of a choice. */
  option(question: string, name: string): string
  /** Any value, as short as it goes without losing anything. */
  value(value: Value): string
}

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
  /** What a yearly limit keeps from being paid of a loan's extras. */
  readonly extrasCut: (value: string) => string
  /** How lengths of time are typed: words for years and for months. */
  readonly typedYears: RegExp
  readonly typedMonths: RegExp
  /** "and a half", wherever it stands. */
  readonly typedHalf: RegExp
  readonly page: PageWords
}
