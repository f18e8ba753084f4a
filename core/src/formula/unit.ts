/** How often an amount recurs. `payment`: with every payment of a loan. */
export const periods = ['year', 'halfYear', 'quarter', 'month', 'week', 'payment'] as const
export type Period = (typeof periods)[number]

/** How many of a period there are in a year; a payment's depends on the loan. */
export const timesAYear: Readonly<Record<Exclude<Period, 'payment'>, number>> = {
  year: 1,
  halfYear: 2,
  quarter: 4,
  month: 12,
  week: 52,
}

/**
 * What has figures that a formula takes with a point: the composite steps (`the loan.payment`), a list of loans
 * (`your loans.owed`), and one of it where a formula goes through them.
 */
export const figureSources = [
  'loan',
  'affordability',
  'refinance',
  'equity',
  'aim',
  'ladder',
  'comparison',
  'loans',
  'oneOfLoans',
  'payOff',
] as const
export type FigureSource = (typeof figureSources)[number]

/**
 * The unit of a value in a formula. `bare` is a number written in the formula itself: it takes the unit its
 * place asks for. Money without `per` is an amount once; with it, an amount that recurs.
 */
export type Unit =
  | { readonly is: 'money'; readonly per?: Period }
  | { readonly is: 'percent' | 'number' | 'count' | 'term' | 'date' | 'yesNo' | 'frequency' | 'bare' }
  | { readonly is: 'text'; readonly options?: readonly string[] }
  | { readonly is: 'list'; readonly of: Unit }
  | { readonly is: 'figures'; readonly of: FigureSource }

export const MONEY = { is: 'money' } as const satisfies Unit
export const PERCENT = { is: 'percent' } as const satisfies Unit
export const NUMBER = { is: 'number' } as const satisfies Unit
export const COUNT = { is: 'count' } as const satisfies Unit
export const TERM = { is: 'term' } as const satisfies Unit
export const DATE = { is: 'date' } as const satisfies Unit
export const YES_NO = { is: 'yesNo' } as const satisfies Unit
export const FREQUENCY = { is: 'frequency' } as const satisfies Unit
export const TEXT = { is: 'text' } as const satisfies Unit
export const BARE = { is: 'bare' } as const satisfies Unit
export const LOAN = { is: 'figures', of: 'loan' } as const satisfies Unit
export const moneyPer = (per: Period): Unit => ({ is: 'money', per })

/** What a place in a formula or a step takes. */
export type Wanted =
  | { readonly is: 'money'; readonly per?: Period | 'any' }
  /** Premiums and the like are often below 1 %: nobody is asked whether 55 % is meant by 0.55. */
  | { readonly is: 'percent'; readonly often?: 'small' }
  | { readonly is: 'number' | 'count' | 'term' | 'date' | 'yesNo' | 'frequency' | 'text' }
  /** A length of time; a bare number is years. */
  | { readonly is: 'years' }
  /** Anything that can be measured and compared: money, percent, number, count, term. */
  | { readonly is: 'amount' }
  /** Anything a visitor can be shown. */
  | { readonly is: 'shown' }
  | { readonly is: 'list'; readonly of: Wanted }
  | { readonly is: 'figures'; readonly of: FigureSource }
  | { readonly is: 'oneOf'; readonly of: readonly Wanted[] }

export const isMeasure = (unit: Unit): boolean =>
  unit.is === 'money' ||
  unit.is === 'percent' ||
  unit.is === 'number' ||
  unit.is === 'count' ||
  unit.is === 'term' ||
  unit.is === 'bare'

/** Whether two units are the same; options of a choice do not matter. */
export function isSameUnit(a: Unit, b: Unit): boolean {
  if (a.is === 'money') return b.is === 'money' && a.per === b.per
  if (a.is === 'list') return b.is === 'list' && isSameUnit(a.of, b.of)
  if (a.is === 'figures') return b.is === 'figures' && a.of === b.of
  return a.is === b.is
}
