import { factsOf, frequencyNames, type Frequency } from '@vivid/core'
import type { Figure } from './figure'

/** A rate of a period, read as a yearly rate: how formulas would have it, and what it claims to be. */
export interface RateReading {
  /** Percent a year, as a loan step takes it. */
  readonly annualRate: string
  /** Payments a year: a figure, or a part of the worksheet that says how many. */
  readonly perYear: { readonly value: number; readonly text: string }
  readonly compounding: (typeof COMPOUNDING)[number] | undefined
  /** The rate of a period, worked out from the yearly one. */
  readonly text: string
}

/** How often a year loans are paid, the more usual first; yearly by itself, as any figure is one of a year. */
const PER_YEAR = [12, 26, 52, 24, 4, 2] as const
/** Payments a year as formulas say them. */
const frequencyWords: Readonly<Record<number, string>> = {
  12: 'monthly',
  24: 'twice a month',
  26: 'every two weeks',
  52: 'weekly',
  4: 'quarterly',
  2: 'half-yearly',
  1: 'yearly',
}
const isPerYear = (value: number): boolean => Object.hasOwn(frequencyWords, value)

/** Payments a year: what figures of the file say, then each number that can be. */
export const paymentsAYear = (figures: readonly Figure[]): RateReading['perYear'][] => [
  ...figures.filter(({ value }) => isPerYear(value)).map(({ value, text }) => ({ value, text })),
  ...PER_YEAR.map((value) => ({ value, text: String(value) })),
]
export const ONCE_A_YEAR: RateReading['perYear'] = { value: 1, text: '1' }

/** Other payments a year than these, one after the other; undefined where it is no such number. */
export function otherPerYear(value: number, turn: number): number | undefined {
  const at = PER_YEAR.findIndex((one) => one === value)
  return at < 0 ? undefined : PER_YEAR[(at + 1 + turn) % PER_YEAR.length]
}

/** The frequency of so many payments a year, each a share of the year. */
export const frequencyOf = (perYear: number): Frequency =>
  frequencyNames.find((name) => {
    const { perYear: times, monthlyPaymentOver } = factsOf(name)
    return times === perYear && monthlyPaymentOver === undefined
  }) ?? 'monthly'

/** How often a year a quoted rate compounds, where it is not with every payment. */
export const COMPOUNDING = [2, 1, 4, 12, 365] as const
/** Rates of a period, as fractions; what lies outside is some other figure. */
export const isPeriodRate = (value: number): boolean => value > 1e-6 && value < 0.2
/** How many digits a rate of a period may be rounded to. */
const DIGITS = [4, 5, 6, 7, 8] as const
/** Yearly rates, as fractions, that a loan may have. */
const [LOWEST, HIGHEST] = [0.0005, 1]
/** No more readings of one rate are tried. */
const MOST_READINGS = 24

/** A plain figure as a percentage: of an asked percentage, what was asked. */
export function asPercent({ text }: Pick<Figure, 'text'>, parts: 1 | 100): string {
  const asked =
    parts === 1 ? /^as number\(([^()]+)\)$/.exec(text) : /^\(as number\(([^()]+)\) \* 100\)$/.exec(text)
  if (asked?.[1]) return asked[1]
  return `as percent(${parts === 1 ? text : `${text} / 100`})`
}

/** What a rate of a period may be: a yearly figure among these over so many payments a year, the likelier first. */
export function rateReadings(rate: Figure, figures: readonly Figure[], labels: string): RateReading[] {
  const counts = [...paymentsAYear(figures), ONCE_A_YEAR]
  const readings: RateReading[] = []
  const rest: RateReading[] = []
  for (const yearly of figures)
    for (const parts of [1, 100] as const) {
      const fraction = yearly.value / parts
      if (fraction < LOWEST || fraction > HIGHEST) continue
      const x = parts === 1 ? yearly.text : `(${yearly.text} / 100)`
      for (const perYear of counts)
        for (const [value, text, compounding] of periodRates(fraction, x, perYear)) {
          const reading = { annualRate: asPercent(yearly, parts), perYear, compounding, text }
          const digits = DIGITS.find((one) => Number(value.toFixed(one)) === rate.value)
          if (isClose(value, rate.value)) (perYear.value === 1 ? rest : readings).push(reading)
          else if (digits) readings.push({ ...reading, text: `round(${text}, 0.${'0'.repeat(digits - 1)}1)` })
        }
    }
  return [...readings, ...asSaid(rate, labels), ...(isYearly(rate, labels) ? rest : [])].slice(
    0,
    MOST_READINGS,
  )
}

const isClose = (a: number, b: number) => Math.abs(a - b) <= 1e-11 * Math.abs(b) + 1e-15

function* periodRates(
  fraction: number,
  x: string,
  { value: m, text }: RateReading['perYear'],
): Generator<[number, string, RateReading['compounding']]> {
  yield [fraction / m, `(${x} / ${text})`, undefined]
  for (const c of COMPOUNDING)
    if (c !== m) yield [(1 + fraction / c) ** (c / m) - 1, `((1 + ${x} / ${c}) ** (${c} / ${text}) - 1)`, c]
}

/** A rate that is typed in for its period, where words around it say which. */
function asSaid(rate: Figure, labels: string): RateReading[] {
  const m = [
    [/month/i, 12],
    [/fortnight|two weeks|bi-?weekly/i, 26],
    [/week/i, 52],
    [/quarter/i, 4],
  ].find(([words]) => (words as RegExp).test(labels))?.[1] as number | undefined
  if (m === undefined || rate.value * m > HIGHEST) return []
  const annualRate = asPercent({ text: `${rate.text} * ${m}` }, 1)
  return [{ annualRate, perYear: { value: m, text: String(m) }, compounding: undefined, text: rate.text }]
}

const isYearly = ({ value }: Figure, labels: string): boolean =>
  value > 0.02 || /year|annual|p\.\s?a/i.test(labels)

/** The frequency as a loan step takes it. */
export function frequencyText({ value, text }: RateReading['perYear']): string {
  if (text === String(value)) return `"${frequencyWords[value] ?? 'monthly'}"`
  const cases = PER_YEAR.map((one) => `if ${text} = ${one} then "${frequencyWords[one] ?? ''}" else `)
  return `${cases.join('')}if ${text} = 1 then "yearly" else ${NO_FREQUENCY}`
}
/** No frequency is so many payments a year: the loan has no figures then. */
const NO_FREQUENCY = 'if 1 / 0 = 1 then "yearly" else "yearly"'

/** The length of a loan as a loan step takes it. */
export interface CountReading {
  readonly term: Readonly<{ term: string }> | Readonly<{ payments: string }>
  readonly text: string
}

/** What a number of payments may be: years or months among these, or the number itself. */
export function countReadings(
  count: Figure,
  perYear: RateReading['perYear'],
  figures: readonly Figure[],
): CountReading[] {
  const m = perYear.value
  const readings: CountReading[] = []
  for (const length of figures) {
    if (length.value <= 0) continue
    if (m !== 1 && isClose(length.value * m, count.value))
      readings.push({
        term: { term: inTerm(length.text, 'years') },
        text: `(${length.text} * ${perYear.text})`,
      })
    else if (m !== 12 && isClose((length.value * m) / 12, count.value))
      readings.push({
        term: { term: inTerm(length.text, 'months') },
        text: `(${length.text} * ${perYear.text} / 12)`,
      })
  }
  const unit = m === 12 ? 'months' : 'years'
  const itself: CountReading = {
    term:
      perYear.text === '12' || perYear.text === '1'
        ? { term: inTerm(count.text, unit) }
        : { payments: count.text },
    text: count.text,
  }
  return [...readings, itself].slice(0, MOST_READINGS)
}

/** A plain number as a length of time: of an asked length, what was asked. */
function inTerm(text: string, unit: 'years' | 'months'): string {
  const asked = new RegExp(`^in ${unit}\\(([^()]+)\\)$`).exec(text)
  return asked?.[1] ?? `${unit}(${text})`
}

/** A plain figure as an amount: of an asked amount, what was asked. */
export function inMoney(text: string): string {
  const asked = /^\(([^()/]+) \/ as money\(1\)\)$/.exec(text)
  return asked?.[1] ?? `as money(${text})`
}
