import { describe, expect, test } from 'vitest'
import { currencies, minor } from '@vivid/core'
import type { Currency, Question } from '@vivid/core/evaluate'
import { readTyped, textOfAnswer, understoodAs } from './answer-text'
import { createFigures } from './figures'
import { fetchAllLanguages } from './languages'
import { readingsOf } from './read-number'

await fetchAllLanguages()

/** Each place with the marks people there use, and its currency. */
const places = [
  {
    locale: 'en-CA',
    currency: 'CAD',
    decimal: '.',
    group: ',',
    words: ['dollars', 'DOLLAR', 'Canadian dollars'],
  },
  { locale: 'fr-CA', currency: 'CAD', decimal: ',', group: ' ', words: ['dollars', 'dollars canadiens'] },
  { locale: 'de-DE', currency: 'EUR', decimal: ',', group: '.', words: ['Euro'] },
  { locale: 'es-ES', currency: 'EUR', decimal: ',', group: '.', words: ['euros', 'euro'] },
  { locale: 'he-IL', currency: 'ILS', decimal: '.', group: ',', words: ['שקלים', 'שקלים חדשים'] },
  { locale: 'en-IN', currency: 'INR', decimal: '.', group: ',', words: ['rupees', 'Indian rupees'] },
] as const satisfies readonly {
  locale: string
  currency: Currency
  decimal: string
  group: string
  /** The currency in words. */
  words: readonly string[]
}[]

const asks = (kind: object) => kind as Question
const [money, share, percent] = [
  asks({ asks: 'money', per: null }),
  asks({ asks: 'share' }),
  asks({ asks: 'percent' }),
]
const signOf: Partial<Record<Currency, string>> = { CAD: '$', EUR: '€', ILS: '₪', INR: '₹' }

const amounts = [
  [7.5, '7', '50'],
  [1250.5, '1 250', '50'],
  [60_000, '60 000', '00'],
  [412_600, '412 600', '00'],
  [98_500.25, '98 500', '25'],
  [1_234_567.89, '1 234 567', '89'],
] as const

/** An amount with cents as it is written with one mark between groups and another before decimals. */
const written = ([, whole, cents]: readonly [number, string, string], group: string, decimal: string) =>
  `${whole.replaceAll(' ', group)}${decimal}${cents}`
const marks = [
  ['', '.'],
  ['', ','],
  [',', '.'],
  ['.', ','],
  [' ', ','],
  [' ', '.'],
  ['\u00a0', ','],
  ['\u202f', ','],
  ["'", '.'],
  ['’', ','],
] as const

const dressed = (text: string, { currency, words }: (typeof places)[number]): string[] => [
  text,
  ` ${text} `,
  `${signOf[currency] ?? ''}${text}`,
  `${text} ${signOf[currency] ?? ''}`,
  `${currency} ${text}`,
  `${text} ${currency}`,
  `(${text})`,
  ...words.map((word) => `${text} ${word}`),
]

describe.each(places)('typed in $locale', (at) => {
  const { locale, currency, decimal, group } = at
  const place = { locale, currency }
  const read = (question: Question, text: string, unit: 'money' | 'percent' = 'money') =>
    readTyped(question, text, unit, place)

  test('amounts with cents, in every way of writing them, are read to the cent and beside its currency in words', () => {
    for (const amount of amounts)
      for (const [between, before] of marks)
        for (const text of dressed(written(amount, between, before), at)) {
          const cents = Math.round(amount[0] * 100) * (text.startsWith('(') ? -1 : 1)
          expect([text, read(money, text)]).toEqual([text, cents])
        }
  })

  test('amounts without cents: what groups here groups, what can only group groups, what could be either is asked', () => {
    for (const [value, whole] of amounts.filter(([one]) => Number.isInteger(one))) {
      for (const between of ['', group, ' ', '\u00a0', "'"])
        expect([between, read(money, whole.replaceAll(' ', between))]).toEqual([between, value * 100])
      const text = whole.replaceAll(' ', decimal)
      expect([text, read(money, text)]).toEqual([
        text,
        { unreadable: text, couldBe: [value / 10, value * 100] },
      ])
    }
    const millions = `1${decimal}234${decimal}567`
    expect(read(money, millions)).toBe(1_234_567_00)
  })

  test('percentages never group', () => {
    for (const [text, plain] of [
      ['7.5', '7.5'],
      ['7,5', '7.5'],
      ['4.640', '4.64'],
      ['4,640', '4.64'],
      ['5 1/8 %', '5.125'],
      ['5-1/8%', '5.125'],
      ['5½', '5.5'],
      ['5⅛ %', '5.125'],
      ['٤٫٦٤', '4.64'],
      ['４．６４', '4.64'],
    ])
      expect([text, read(percent, text ?? '')]).toEqual([text, plain])
    for (const text of [`${signOf[currency]} 5`, '5k', '5 lakh or so'])
      expect([text, read(percent, text)]).toEqual([text, { unreadable: text, couldBe: [] }])
  })

  test('a part of a whole is no more than the whole, and one that could be either is asked', () => {
    expect(read(share, '15', 'percent')).toEqual({ percent: '15' })
    expect(read(share, '15 %', 'money')).toEqual({ percent: '15' })
    expect(read(share, '60000', 'percent')).toEqual({ money: 60_000_00 })
    expect(read(share, '60 000', 'percent')).toEqual({ money: 60_000_00 })
    expect(read(share, `60${group === ' ' ? '.' : group}000`, 'percent')).toMatchObject({
      couldBe: [{ percent: '60' }, { money: 60_000_00 }],
    })
    expect(read(share, '12 345 678', 'percent')).toEqual({ money: 12_345_678_00 })
    expect(read(share, '98.5k', 'percent')).toEqual({ money: 98_500_00 })
    expect(read(share, '7.5', 'percent')).toEqual({ percent: '7.5' })
  })

  test('words that multiply, and digits of other scripts', () => {
    for (const [text, value] of [
      ['412.6k', 412_600],
      ['412,6k', 412_600],
      ['1.25m', 1_250_000],
      ['2.5 lakh', 250_000],
      ['1 crore', 10_000_000],
      ['٤٥٠٠', 4500],
      ['٤١٢٬٦٠٠', 412_600],
      ['４１２６００', 412_600],
      ['४१२६००', 412_600],
      ['412 thousand', 412_000],
      ['412,6 Tsd.', 412_600],
      ['150 mille', 150_000],
      ['150 MIL', 150_000],
      ['150 אלף', 150_000],
      ['1.5 million', 1_500_000],
      ['2,5 Mio.', 2_500_000],
      ['1,5 millón', 1_500_000],
      ['1.5 מיליון', 1_500_000],
      ['12L', 1_200_000],
      ['1.2 cr', 12_000_000],
      ['+250', 250],
      [`1.5 million ${currency.toLowerCase()}`, 1_500_000],
      [`98,5 k${signOf[currency]}`, 98_500],
    ] as const) {
      expect([text, read(money, text)]).toEqual([text, value * 100])
      if (value >= 1000) expect([text, read(share, text, 'percent')]).toEqual([text, { money: value * 100 }])
    }
    for (const text of ['60 km', '5 apples', '+-5', '1 million 5', 'million'])
      expect([text, read(money, text)]).toEqual([text, { unreadable: text, couldBe: [] }])
  })

  test('a percentage is one by its sign of any width, or by its word', () => {
    for (const text of ['20 ％', '２０％', '20﹪', '20٪', '20 percent', '20 per cent', '20 pct'])
      for (const unit of ['money', 'percent'] as const) {
        expect([text, read(share, text, unit)]).toEqual([text, { percent: '20' }])
        expect([text, read(percent, text)]).toEqual([text, '20'])
        expect([text, read(money, text)]).toEqual([text, { unreadable: text, couldBe: [] }])
      }
    for (const text of ['4,6 pour cent', '4,6 Prozent', '4,6 por ciento', '4.6 אחוזים', '4.6 אחוז'])
      expect([text, read(percent, text)]).toEqual([text, '4.6'])
  })

  test('another currency is not taken for this one', () => {
    const other = currency === 'EUR' ? ['£', 'GBP', 'CAD', 'dollars'] : ['€', 'EUR', 'JPY', 'pesos']
    for (const name of [...other, 'US$', 'US dollars', 'R$', 'MXN', 'kr', 'Fr.'])
      for (const text of [`${name} 5`, `5 ${name}`])
        expect([text, read(money, text)]).toEqual([text, { unreadable: text, couldBe: [] }])
  })

  test('what was understood is said where it differs from what stands there', () => {
    const figures = createFigures(locale, currency)
    const understood = (question: Question, text: string) =>
      understoodAs(question, text, read(question, text), figures)
    expect(understood(money, '98.5k')).toBe(figures.moneyShort(98_500_00))
    expect(understood(money, decimal === '.' ? '7,5' : '7.5')).toBe(figures.moneyShort(7_50))
    expect(understood(share, '15')).toBeUndefined()
    for (const plain of ['98500', figures.moneyShort(98_500_00)])
      expect(understood(money, plain)).toBeUndefined()
    expect(understood(percent, figures.percent('4.64'))).toBeUndefined()
    expect(understood(percent, '5½')).toBe(figures.percent('5.5'))
    expect(understood(asks({ asks: 'term' }), '300m')).toBe(figures.term({ years: 25, months: 0 }))
    expect(understood(money, 'lots')).toBeUndefined()
  })
})

const everywhere =
  'ar-EG ar-KW bn-IN da-DK de-AT de-CH de-DE en-CA en-CH en-IN en-ZA es-ES es-MX fa-IR fr-CA fr-CH he-IL'
    .concat(' hi-IN it-CH ja-JP mr-IN nb-NO pl-PL pt-PT ru-RU sv-SE tr-TR')
    .split(' ')

describe.each(everywhere)('what a page writes it reads again, in %s', (locale) => {
  test.each(currencies)('in %s', (currency) => {
    const figures = createFigures(locale, currency)
    const again = (question: Question, answer: unknown) => {
      const text = textOfAnswer(question, answer, figures)
      expect([text, readTyped(question, text, 'percent', { locale, currency })]).toEqual([text, answer])
    }
    for (const amount of [5, 99, 1234, 12_345, 412_600_00, 412_600_50, 1_234_567_89, 1e12 + 1, -250_00]) {
      again(money, amount)
      again(share, { money: amount })
      const whole = figures.money(minor(amount))
      expect([whole, readTyped(money, whole, 'money', { locale, currency })]).toEqual([whole, amount])
    }
    for (const rate of ['0', '0.125', '4.64', '12.345', '100', '5000', '123456.5']) {
      again(percent, rate)
      again(share, { percent: rate })
    }
    for (const count of [0, 7, 1234, 1_234_567]) again(asks({ asks: 'number' }), count)
    for (const months of [7, 12, 13, 300, 306])
      again(asks({ asks: 'term' }), { years: Math.floor(months / 12), months: months % 12 })
  })
})

test('whatever is pasted is looked at in no time', () => {
  const [n, place] = [300_000, { locale: 'en-CA', currency: 'CAD' }] as const
  for (const asked of ['money', 'share', 'percent', 'term', 'number'])
    for (const text of ['a', '1', '1.', ',', 'kr', '1 year ', '1 ½ ', '$', 'k '].map(
      (one) => `${one.repeat(n)}!`,
    ))
      expect(readTyped(asks({ asks: asked }), text, 'money', place)).toEqual({
        unreadable: text,
        couldBe: [],
      })
  const owed = `${'1'.repeat(n)}!`
  expect(readTyped(asks({ asks: 'loans' }), `Car;${owed};5;100`, 'money', place)).toEqual([
    { name: 'Car', owed: { unreadable: owed }, rate: '5', payment: 100_00 },
  ])
  expect(readingsOf(`${'1'.repeat(n)}!`, 'number')).toEqual([])
})

test('words for years and months that a lender writes with capitals are read all the same', () => {
  const own = { nl: { typedYears: 'Jaar, Jr', typedMonths: 'Maand', typedHalf: 'En een half' } }
  for (const text of ['25 jaar 6 maand', '25 Jr 6 MAAND', '25 jaar en een half'])
    expect([
      text,
      readTyped(asks({ asks: 'term' }), text, 'percent', { locale: 'nl-NL', currency: 'EUR', own }),
    ]).toEqual([text, { years: 25, months: 6 }])
})

test.each([
  ['en-CA', {}],
  ['de-DE', {}],
  ['he-IL', {}],
  ['en-CA', { 'years.one': 'one season', 'years.other': '# seasons' }],
  ['en-CA', { 'years.one': 'a year', 'years.other': 'a full # years', 'months.other': '# moons' }],
  ['en-CA', { 'years.other': 'years: (#)', 'months.other': '+ #m' }],
  ['es-ES', { 'years.one': 'un año', 'months.one': 'un mes' }],
  ['he-IL', { 'years.two': 'שנתיים', 'months.two': 'חודשיים' }],
  [
    'nl-NL',
    { 'years.one': '# jaar', 'years.other': '# jaar', 'months.one': '# maand', 'months.other': '# maanden' },
  ],
])('a length of time is read as it is written in %s, however a lender words it: %o', (locale, phrases) => {
  const own = { [locale.slice(0, 2)]: phrases }
  const figures = createFigures(locale, 'CAD', undefined, own)
  const question = asks({ asks: 'term' })
  for (let all = 0; all <= 480; all++) {
    const length = { years: Math.floor(all / 12), months: all % 12 }
    const text = textOfAnswer(question, length, figures)
    expect([text, readTyped(question, text, 'percent', { locale, currency: 'CAD', own })]).toEqual([
      text,
      length,
    ])
  }
})

test.each([
  [
    'en-CA',
    [
      '12½',
      '12 1/2',
      '12.5',
      '12 and a half',
      '12 years and a half',
      '150 months',
      '12y 6m',
      '12 yrs., 6 mos.',
    ],
  ],
  ['fr-CA', ['12½ ans', '12 ans et demi', '12,5', '150 mois', '12 ans et 6 mois', '12 a 6 m']],
  [
    'de-DE',
    ['12½ Jahre', '12 einhalb Jahre', '12,5 Jahre', '150 Monate', '12 Jahre und 6 Monate', '12 J. 6 M.'],
  ],
  ['es-ES', ['12½ años', '12 años y medio', '12,5 años', '150 meses', '12 años y 6 meses']],
  ['he-IL', ['12½ שנים', '12 שנים וחצי', '12.5 שנים', '150 חודשים', '12 שנים ו-6 חודשים']],
  ['en-IN', ['١٢.٥', '１２ years ６ months']],
] as const)('twelve and a half years in the words of %s', (locale, texts) => {
  for (const text of texts)
    expect([text, readTyped(asks({ asks: 'term' }), text, 'money', { locale, currency: 'CAD' })]).toEqual([
      text,
      { years: 12, months: 6 },
    ])
})
