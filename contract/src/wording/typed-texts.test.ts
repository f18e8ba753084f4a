import { describe, expect, test } from 'vitest'
import type { Currency, Question } from '@vivid/core/evaluate'
import { readTyped, understoodAs } from './answer-text'
import { createFigures } from './figures'
import { fetchAllLanguages } from './languages'

await fetchAllLanguages()

/** Each place with the marks people there use, and its currency. */
const places = [
  { locale: 'en-CA', currency: 'CAD', decimal: '.', group: ',' },
  { locale: 'fr-CA', currency: 'CAD', decimal: ',', group: ' ' },
  { locale: 'de-DE', currency: 'EUR', decimal: ',', group: '.' },
  { locale: 'es-ES', currency: 'EUR', decimal: ',', group: '.' },
  { locale: 'he-IL', currency: 'ILS', decimal: '.', group: ',' },
  { locale: 'en-IN', currency: 'INR', decimal: '.', group: ',' },
] as const satisfies readonly { locale: string; currency: Currency; decimal: string; group: string }[]

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

const dressed = (text: string, currency: Currency): string[] => [
  text,
  ` ${text} `,
  `${signOf[currency] ?? ''}${text}`,
  `${text} ${signOf[currency] ?? ''}`,
  `${currency} ${text}`,
  `${text} ${currency}`,
  `(${text})`,
]

describe.each(places)('typed in $locale', ({ locale, currency, decimal, group }) => {
  const place = { locale, currency }
  const read = (question: Question, text: string, unit: 'money' | 'percent' = 'money') =>
    readTyped(question, text, unit, place)

  test('amounts with cents, in every way of writing them, are read to the cent (420 texts)', () => {
    for (const amount of amounts)
      for (const [between, before] of marks)
        for (const text of dressed(written(amount, between, before), currency)) {
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
    ] as const)
      expect([text, read(money, text)]).toEqual([text, value * 100])
  })

  test('another currency is not taken for this one', () => {
    const other = currency === 'EUR' ? ['£', 'GBP', 'CAD'] : ['€', 'EUR', 'JPY']
    for (const name of other)
      for (const text of [`${name} 5`, `5 ${name}`]) expect(read(money, text)).toMatchObject({ couldBe: [] })
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
