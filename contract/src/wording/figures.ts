import type { OwnWords } from '../visitor'
import type { Currency, Frequency, Program } from '@vivid/core/evaluate'
import { mainLanguage, minorDigitsOf, textIn } from '@vivid/core/evaluate'
import type { Figures } from './language'
import { perLocale } from './intl'
import { counted, languageOf } from './languages'

/** What figures are said for: a currency, and the questions whose options have labels. */
export type FiguresFor = Pick<Program, 'currency' | 'steps' | 'languages' | 'words'>

/** Figures of a program in one of its languages. */
export function figuresFor(program: FiguresFor, locale: string): Figures {
  const words = languageOf(locale, program.words)
  const option = (question: string, name: string): string => {
    const step = program.steps.find((one) => one.step.id === question)?.step
    if (step?.kind !== 'question') return name
    if (step.asks === 'frequency') return words.every[name as Frequency]
    const found = step.asks === 'choice' ? step.options.find((one) => one.name === name) : undefined
    return (found && textIn(found.label, locale, mainLanguage(program))) || name
  }
  return createFigures(locale, program.currency, option, program.words)
}

export function createFigures(
  locale: string,
  currency: Currency,
  option: (question: string, name: string) => string = (_, name) => name,
  own?: OwnWords,
): Figures {
  const words = languageOf(locale, own)
  const digits = minorDigitsOf[currency]
  const { full, whole, compact, percent, count, plain, date, month } = formattersOf(`${locale} ${currency}`)
  const inMajor = (minor: number) => minor / 10 ** digits
  const utc = (iso: string) => new Date(`${iso}T00:00:00Z`)

  const figures: Figures = {
    locale,
    currency,
    digits,
    words,
    own,
    money: (minor) => full.format(inMajor(minor)),
    moneyShort: (minor) => (minor % 10 ** digits === 0 ? whole : full).format(inMajor(minor)),
    moneyCompact: (minor) => compact.format(inMajor(minor)),
    percent: (text) => percent.format(`${text}e-2` as unknown as number),
    term: ({ years, months }) => {
      const parts = [
        years === 0 ? '' : counted(years, words.years, locale),
        months === 0 ? '' : counted(months, words.months, locale),
      ]
      return parts.filter(Boolean).join(' ') || counted(0, words.months, locale)
    },
    count: (n) => count.format(n),
    number: (text) => plain.format(text as unknown as number),
    date: (iso) => withOrdinal(date.formatToParts(utc(iso)), locale),
    month: (iso) => month.format(utc(iso)),
    every: (frequency) => words.every[frequency],
    per: (period) => words.per[period],
    option,
    value: (value) => {
      switch (value.unit) {
        case 'money':
          return figures.moneyShort(value.money)
        case 'percent':
          return figures.percent(rounded(value.percent, 4))
        case 'share':
          return `${figures.percent(value.percent)} · ${figures.moneyShort(value.money)}`
        case 'number':
          return figures.number(rounded(value.number, 6))
        case 'count':
          return figures.number(value.count)
        case 'term':
          return figures.term(value)
        case 'date':
          return figures.date(value.date)
        case 'yesNo':
          return value.yes ? words.yes : words.no
        case 'text':
          return value.option === undefined ? value.text : option(value.option, value.text)
        case 'frequency':
          return figures.every(value.frequency)
        case 'loans':
          return value.loans
            .map(({ name, owed, rate, payment }, i) =>
              [
                name || words.page.loans.one(figures.count(i + 1)),
                figures.moneyShort(owed),
                figures.percent(rate),
                `${figures.moneyShort(payment)} ${words.per.month}`,
              ].join(' · '),
            )
            .join('\n')
        case 'list':
          return value.items.map(figures.value).join(' · ')
        case 'loan':
          return figures.moneyShort(value.principal)
        case 'figures':
          return value.main ? figures.value(value.main) : '–'
      }
    },
  }
  return figures
}

/** The first of a month is an ordinal in French: "1er janvier". */
const withOrdinal = (parts: readonly Intl.DateTimeFormatPart[], locale: string): string =>
  parts
    .map(({ type, value }) => (type === 'day' && value === '1' && locale.startsWith('fr') ? '1er' : value))
    .join('')

/** A plain decimal cut to so many places, for reading; exact figures are rounded in the core. */
function rounded(plain: string, places: number): string {
  const [, part = ''] = plain.split('.')
  return part.length <= places
    ? plain
    : Number(plain)
        .toFixed(places)
        .replace(/\.?0+$/, '')
}

/** The formatters of a locale and currency, "en-CA CAD": making them takes longer than using them a hundred times. */
const formattersOf = perLocale((key) => {
  const [locale = 'en-CA', code] = key.split(' ')
  const currency = code as Currency
  const money = (fraction: number) =>
    new Intl.NumberFormat(locale, {
      style: 'currency',
      currency,
      currencyDisplay: 'narrowSymbol',
      minimumFractionDigits: fraction,
      maximumFractionDigits: minorDigitsOf[currency],
    })
  const [full, whole] = [money(minorDigitsOf[currency]), money(0)]
  const compact = new Intl.NumberFormat(locale, {
    notation: 'compact',
    style: 'currency',
    currency,
    currencyDisplay: 'narrowSymbol',
    minimumFractionDigits: 0,
    maximumFractionDigits: 1,
  })
  // Read again it would be another where a mark could be that of its decimals.
  const percent = new Intl.NumberFormat(locale, {
    style: 'percent',
    maximumFractionDigits: 12,
    useGrouping: false,
  })
  const count = new Intl.NumberFormat(locale)
  const plain = new Intl.NumberFormat(locale, { maximumFractionDigits: 12 })
  const date = new Intl.DateTimeFormat(locale, { dateStyle: 'long', timeZone: 'UTC' })
  const month = new Intl.DateTimeFormat(locale, { year: 'numeric', month: 'long', timeZone: 'UTC' })
  return { full, whole, compact, percent, count, plain, date, month }
})
