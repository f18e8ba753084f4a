import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { formatAsTyped } from './format-as-typed'
import { readMoney, readPercent, readWholeNumber } from './read-answer'
import { readingsOf, type NumberKind } from './read-number'

const cents: NumberKind = { minorDigits: 2 }

describe('what has one sensible reading is read so, in every place', () => {
  test.each<[string, string, NumberKind, string[]]>([
    // French: a point can only stand before decimals where it cannot group.
    ['7.5', 'fr-CA', 'percent', ['7.5']],
    ['7,5', 'fr-CA', 'percent', ['7.5']],
    ['150000.5', 'fr-CA', cents, ['150000.5']],
    ['98.5k', 'fr-CA', cents, ['98500']],
    ['98,5k', 'fr-CA', cents, ['98500']],
    ['60 000,00', 'fr-CA', cents, ['60000']],
    ['60 000.00', 'fr-CA', cents, ['60000']],
    ['60.000', 'fr-CA', cents, ['60000']],
    ['5,000', 'fr-CA', cents, ['5', '5000']],
    ['1.234', 'fr-CA', 'number', ['1.234', '1234']],
    // English: a comma can only stand before decimals where it cannot group.
    ['1250,50', 'en-CA', cents, ['1250.5']],
    ['60 000,00', 'en-CA', cents, ['60000']],
    ['5,000', 'en-CA', cents, ['5000']],
    ['1,850.00', 'en-CA', cents, ['1850']],
    ['1.850,00', 'en-CA', cents, ['1850']],
    ['4,640', 'en-CA', 'percent', ['4.64']],
    ['4.640', 'en-CA', 'percent', ['4.64']],
    ['1.005', 'en-CA', cents, ['1.005', '1005']],
    // German and Spanish group by a point.
    ['1.850', 'de-DE', cents, ['1850']],
    ['1,850', 'de-DE', 'number', ['1.85']],
    ['4.5', 'de-DE', 'percent', ['4.5']],
    ['1.234.567', 'es-ES', cents, ['1234567']],
    ['1,234,567', 'es-ES', cents, ['1234567']],
    // Coins of a thousandth.
    ['1.234', 'en-US', { minorDigits: 3 }, ['1.234']],
    ['1,234', 'en-US', { minorDigits: 3 }, ['1234']],
    ['1.234', 'ar-KW', { minorDigits: 3 }, ['1.234', '1234']],
    // Whole numbers have no decimals.
    ['1.200', 'fr-CA', 'whole', ['1200']],
    ['1,200', 'en-CA', 'whole', ['1200']],
    // Signs, codes, brackets, words, fractions and digits of other scripts.
    ['$412.6k', 'en-CA', cents, ['412600']],
    ['CAD 412,600', 'en-CA', cents, ['412600']],
    ['412 600 $', 'fr-CA', cents, ['412600']],
    ['€ 1.250,50', 'de-DE', cents, ['1250.5']],
    ['(250)', 'en-CA', cents, ['-250']],
    ['(1,250.50)', 'en-CA', cents, ['-1250.5']],
    ['2.5 lakh', 'en-IN', cents, ['250000']],
    ['1 crore', 'en-IN', cents, ['10000000']],
    ['48,50,000', 'en-IN', cents, ['4850000']],
    ['5 1/8 %', 'en-US', 'percent', ['5.125']],
    ['6 1/2', 'en-US', 'percent', ['6.5']],
    ['٤٫٦٤', 'ar-EG', 'percent', ['4.64']],
    ['٤١٢٬٦٠٠', 'ar-EG', cents, ['412600']],
    ['۴۱۲۶۰۰', 'fa-IR', cents, ['412600']],
    ['४१२६००', 'hi-IN', cents, ['412600']],
    ['４１２，６００', 'ja-JP', { minorDigits: 0 }, ['412600']],
    ["412'600.50", 'de-CH', cents, ['412600.5']],
    ['−5', 'en-CA', cents, ['-5']],
    ['0,125', 'en-CA', 'number', ['0.125']],
    ['0.125', 'de-DE', 'number', ['0.125']],
    [',5', 'fr-CA', 'percent', ['0.5']],
    // No number at all.
    ['1,2,3', 'en-CA', cents, []],
    ['12,34.56.7', 'en-CA', cents, []],
    ['5 1/0', 'en-CA', 'percent', []],
    ['1e5', 'en-CA', cents, []],
    ['12 apples', 'en-CA', cents, []],
    ['', 'en-CA', cents, []],
  ])('"%s" in %s, as %j: %j', (typed, locale, kind, expected) =>
    expect(readingsOf(typed, kind, locale)).toEqual(expected),
  )
})

const locales = ['en-CA', 'fr-CA', 'de-DE', 'es-ES', 'he-IL', 'en-IN', 'de-CH', 'pt-BR', 'ja-JP']

interface Written {
  readonly amount: number
  readonly decimals: number
  readonly style: string
  readonly grouped: boolean
}
/** An amount in cents, cut to so many decimals, as a locale writes it. */
function writtenAs({ amount, decimals, style, grouped }: Written): { value: number; text: string } {
  const value = Math.floor(amount / 10 ** (2 - decimals)) / 10 ** decimals
  const fraction = { minimumFractionDigits: decimals, maximumFractionDigits: decimals }
  return { value, text: new Intl.NumberFormat(style, { useGrouping: grouped, ...fraction }).format(value) }
}

describe('a number is never read ten, a hundred or a thousand times too large', () => {
  const written = fc.record({
    amount: fc.integer({ min: 1, max: 999_999_999_99 }),
    decimals: fc.constantFrom(0, 1, 2),
    style: fc.constantFrom(...locales),
    place: fc.constantFrom(...locales),
    grouped: fc.boolean(),
  })
  test('an amount written in any locale’s way, typed in any other (6,000)', () => {
    fc.assert(
      fc.property(written, ({ place, ...one }) => {
        const { value, text } = writtenAs(one)
        const read = readMoney(text, place, 2)
        if (read !== undefined) expect([text, place, read]).toEqual([text, place, Math.round(value * 100)])
        if (one.style === place) expect([text, read]).toEqual([text, Math.round(value * 100)])
      }),
      { numRuns: 6_000 },
    )
  })
  test('a percentage, with either mark before its decimals (5,000)', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 99_999 }),
        fc.constantFrom('.', ','),
        fc.constantFrom(...locales),
        (thousandths, mark, place) => {
          const plain = (thousandths / 1000).toFixed(3)
          expect(Number(readPercent(plain.replace('.', mark), place))).toBe(thousandths / 1000)
        },
      ),
      { numRuns: 5000 },
    )
  })
  test('typed letter by letter, an amount keeps its meaning (3,000)', () => {
    fc.assert(
      fc.property(written, ({ place, ...one }) => {
        const { value, text } = writtenAs(one)
        let shown = { text: '', isMarked: false }
        for (const letter of text) {
          const typed = shown.text + letter
          shown = formatAsTyped({ text: typed, caret: typed.length }, place, shown)
        }
        const read = readMoney(shown.text, place, 2)
        expect([text, place, shown.text, read]).toEqual([text, place, shown.text, readMoney(text, place, 2)])
        if (read !== undefined)
          expect([text, place, shown.text, read]).toEqual([text, place, shown.text, Math.round(value * 100)])
      }),
      { numRuns: 3000 },
    )
  })
  test('a whole number has no decimals', () => {
    expect(readWholeNumber('1.200', 'fr-CA')).toBe(1200)
    expect(readWholeNumber('1,5', 'fr-CA')).toBeUndefined()
  })
})
