import type { OwnWords } from '../visitor'
import type { AnswerKind, Currency, Frequency, Period, TermLength, Value } from '@vivid/core/evaluate'
import type { PageWords } from './page-words'

/** Puts figures into a locale's digits and words. Amounts are minor units of its currency. */
export interface Figures {
  readonly locale: string
  readonly currency: Currency
  /** Minor digits of the currency. */
  readonly digits: number
  readonly words: Language
  /** What the lender words otherwise. */
  readonly own: OwnWords | undefined
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
  /** What can be answered to a kind of question, behind "Type …". */
  readonly examples: Readonly<
    Record<'money', (amount: string) => string> &
      Record<'percent', (percent: string) => string> &
      Record<'share', (amount: string, percent: string) => string> &
      Record<'term', (term: string) => string> &
      Record<Exclude<AnswerKind, 'money' | 'percent' | 'share' | 'term'>, string>
  >
  /** A share both as money and as a percentage. */
  readonly shareInFull: (amount: string, percent: string) => string
  readonly problems: {
    readonly unknown: (field: string) => string
    readonly missing: string
    readonly unreadable: (example: string) => string
    /** `missing` is empty where what is missing is not known. */
    readonly belowLeast: (least: string, missing: string) => string
    readonly aboveMost: (most: string) => string
    readonly notAnOption: (options: string) => string
    readonly aboveWhole: (whole: string) => string
    readonly loansTooFew: (count: string) => string
    readonly loansTooMany: (count: string) => string
    readonly neverRepaid: (least: string) => string
  }
  /** Why there is no loan. */
  readonly refusals: {
    readonly paymentTooSmall: (least: string) => string
    readonly TERM_TOO_LONG: string
    readonly TERM_NOT_POSITIVE: string
    readonly AMOUNT_NOT_POSITIVE: string
    readonly BALLOON_TOO_LARGE: string
    readonly LIES_BEHIND: string
    readonly LIES_AHEAD: string
    readonly RATE_TOO_HIGH: string
    readonly repaysTooLittle: (least: string) => string
    readonly repaidAtOnce: (most: string) => string
    readonly NOTHING_AFFORDABLE: string
    readonly NO_PRICE_TOO_HIGH: string
    readonly TOO_SOON: string
    readonly TOO_SMALL: string
    readonly aboveAllBands: (most: string) => string
    readonly rateChangeOutside: string
    readonly extraUnfit: string
    readonly noLoan: string
  }
  /** Why a figure cannot be worked out. */
  readonly stops: {
    readonly noRateFor: (keys: string) => string
    readonly noRatesYet: string
    readonly noFigure: (figure: string) => string
    readonly DIVIDED_BY_ZERO: string
    readonly notWhole: (what: string) => string
    readonly TOO_LARGE: string
    readonly TOO_MUCH_WORK: string
    readonly BROKEN: string
    readonly WAITS: string
  }
  readonly periodDoubted: (value: string, per: string, fits: string) => string
  /** What a yearly limit keeps from being paid of a loan's extras. */
  readonly extrasCut: (value: string) => string
  readonly lastPaymentLarge: (value: string) => string
  /** How lengths of time are typed: words for years and for months, in small letters. */
  readonly typedYears: readonly string[]
  readonly typedMonths: readonly string[]
  /** "and a half", wherever it stands, longer forms first. */
  readonly typedHalf: readonly string[]
  readonly page: PageWords
}
