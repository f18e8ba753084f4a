import type { Currency, Frequency, TermLength, Value } from '@vivid/core/evaluate'
import { minorDigitsOf } from '@vivid/core/evaluate'

/** Puts figures into a locale's digits and words. Amounts are minor units of its currency. */
export interface Figures {
  readonly locale: string
  readonly currency: Currency
  /** "$1,118.20" */
  money(minor: number): string
  /** "$412,600", and "$412,600.50" only where there are cents */
  moneyShort(minor: number): string
  /** "4.64%" */
  percent(plain: string): string
  /** "25 years", "1 year 6 months" */
  term(length: TermLength): string
  /** "1,300" */
  count(n: number): string
  /** "25 November 2051" in the locale's order */
  date(iso: string): string
  /** "November 2051" */
  month(iso: string): string
  /** "every two weeks" */
  every(frequency: Frequency): string
  /** Any value, as short as it goes without losing anything. */
  value(value: Value): string
}

const everyWords: Record<Frequency, string> = {
  monthly: 'every month',
  semiMonthly: 'every half-month',
  biweekly: 'every two weeks',
  weekly: 'every week',
  quarterly: 'every quarter',
  halfYearly: 'every half-year',
  yearly: 'every year',
  acceleratedBiweekly: 'every two weeks, accelerated',
  acceleratedWeekly: 'every week, accelerated',
}

export function createFigures(locale: string, currency: Currency): Figures {
  const digits = minorDigitsOf[currency]
  const money = (fraction: number) =>
    new Intl.NumberFormat(locale, {
      style: 'currency',
      currency,
      minimumFractionDigits: fraction,
      maximumFractionDigits: digits,
    })
  const [full, whole] = [money(digits), money(0)]
  const percent = new Intl.NumberFormat(locale, { style: 'percent', maximumFractionDigits: 12 })
  const count = new Intl.NumberFormat(locale)
  const date = new Intl.DateTimeFormat(locale, { dateStyle: 'long', timeZone: 'UTC' })
  const month = new Intl.DateTimeFormat(locale, { year: 'numeric', month: 'long', timeZone: 'UTC' })
  const inMajor = (minor: number) => minor / 10 ** digits

  const figures: Figures = {
    locale,
    currency,
    money: (minor) => full.format(inMajor(minor)),
    moneyShort: (minor) => (minor % 10 ** digits === 0 ? whole : full).format(inMajor(minor)),
    percent: (plain) => percent.format(`${plain}e-2` as unknown as number),
    term: ({ years, months }) =>
      [counted(years, 'year'), counted(months, 'month')].filter(Boolean).join(' ') || '0 months',
    count: (n) => count.format(n),
    date: (iso) => date.format(new Date(`${iso}T00:00:00Z`)),
    month: (iso) => month.format(new Date(`${iso}T00:00:00Z`)),
    every: (frequency) => everyWords[frequency],
    value: (value) => {
      switch (value.unit) {
        case 'money':
          return figures.moneyShort(value.money)
        case 'percent':
          return figures.percent(value.percent)
        case 'share':
          return `${figures.percent(value.percent)} · ${figures.moneyShort(value.money)}`
        case 'term':
          return figures.term(value)
        case 'frequency':
          return figures.every(value.frequency)
        case 'loan':
          return figures.moneyShort(value.principal)
      }
    },
  }
  return figures
}

export const counted = (n: number, word: string): string =>
  n === 0 ? '' : `${n} ${word}${n === 1 ? '' : 's'}`
