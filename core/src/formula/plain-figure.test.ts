import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { checkFormula, namesInScope } from './check'
import type { Scope } from './checking'
import { createReader } from './syntax'
import { MONEY, type Wanted } from './unit'

const scopeWith = (...names: string[]): Scope => ({
  steps: new Map(names.map((name) => [name, { id: name, unit: MONEY }])),
  minorDigits: 2,
  reader: createReader(namesInScope(names.map((name) => [name, undefined]))),
})
const scope = scopeWith('home price')
const moneyOrPercent = { is: 'oneOf', of: [{ is: 'percent' }, { is: 'money' }] } as const
const check = (text: string, wanted: Wanted) => checkFormula(text, wanted, scope)

describe('a figure as people write it is understood as what it can only be', () => {
  test.each<[string, Wanted, string, string]>([
    ['20%', { is: 'percent' }, 'percent', '20'],
    ['4.64 %', { is: 'percent' }, 'percent', '4.64'],
    ['4,5', { is: 'percent' }, 'percent', '4.5'],
    ['4,5 %', { is: 'percent' }, 'percent', '4.5'],
    ['20%', moneyOrPercent, 'percent', '20'],
    ['4,125', { is: 'percent' }, 'percent', '4.125'],
    ['5 1/8', { is: 'percent' }, 'percent', '5.125'],
    ['60k', { is: 'money' }, 'money', '6000000'],
    ['1,200', { is: 'count' }, 'count', '1200'],
    ["60'000", { is: 'money' }, 'money', '6000000'],
    ['60,000', { is: 'money' }, 'money', '6000000'],
    ['60 000', { is: 'money' }, 'money', '6000000'],
    ['$60,000', { is: 'money' }, 'money', '6000000'],
    ['CAD 60,000.50', { is: 'money' }, 'money', '6000050'],
    ['60 000,50 $', { is: 'money' }, 'money', '6000050'],
    ['1,234,567', { is: 'money' }, 'money', '123456700'],
    ['60000', moneyOrPercent, 'money', '6000000'],
    ['60,000', moneyOrPercent, 'money', '6000000'],
    ['15', moneyOrPercent, 'percent', '15'],
    ['18 years', { is: 'years' }, 'term', '216'],
    ['18 years', { is: 'term' }, 'term', '216'],
    ['25 years 6 months', { is: 'years' }, 'term', '306'],
    ['25 years and 6 months', { is: 'years' }, 'term', '306'],
    ['6 months', { is: 'term' }, 'term', '6'],
    ['monthly', { is: 'frequency' }, 'frequency', 'monthly'],
    ['Every two weeks', { is: 'frequency' }, 'frequency', 'biweekly'],
  ])('%s where %j stands', (text, wanted, unit, value) => {
    const { formula, problems, readAs } = check(text, wanted)
    expect(problems).toEqual([])
    expect(readAs).toEqual({ unit: expect.objectContaining({ is: unit }) as unknown, value })
    expect(formula?.expression).toMatchObject({ value })
  })
})

describe('what does not fit is refused with the mend', () => {
  test.each<[string, Wanted, object]>([
    ['20%', { is: 'money' }, { code: 'UNIT_NOT_WANTED', got: { is: 'percent' } }],
    ['$5', { is: 'percent' }, { code: 'UNIT_NOT_WANTED', got: { is: 'money' } }],
    ['18 years', { is: 'count' }, { code: 'UNIT_NOT_WANTED', mend: 'payments in(years(18))' }],
    ['4,125', { is: 'number' }, { code: 'NUMBER_TWO_WAYS', readings: ['4.125', '4125'] }],
    ['home price * 20%', { is: 'money' }, { code: 'FORMULA_UNREADABLE', text: '%' }],
    ['18 parsecs', { is: 'years' }, { code: 'FORMULA_UNREADABLE', text: 'parsecs' }],
    ['monthly', { is: 'money' }, { code: 'FUNCTION_UNKNOWN' }],
  ])('%s where %j stands', (text, wanted, problem) => {
    const checked = check(text, wanted)
    expect(checked.formula).toBeUndefined()
    if (text !== 'monthly') expect(checked.problems).toMatchObject([problem])
  })
})

test('a step’s name comes before a word', () => {
  const { formula } = checkFormula('monthly', { is: 'money' }, scopeWith('monthly'))
  expect(formula?.expression).toEqual({ op: 'step', id: 'monthly' })
})

test('0.55 where a premium stands is asked nothing about; where a rate stands it is', () => {
  expect(check('0.55', { is: 'percent', often: 'small' }).problems).toEqual([])
  expect(check('0.55', { is: 'percent' }).problems).toMatchObject([{ code: 'PERCENT_SO_SMALL' }])
  expect(check('0.55%', { is: 'percent' }).problems).toEqual([])
})

test('an amount written in any way is the same amount', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 99_999_999_99 }), (cents) => {
      const amount = cents / 100
      for (const locale of ['en-CA', 'fr-CA', 'de-CH'])
        for (const text of [
          new Intl.NumberFormat(locale, { minimumFractionDigits: 2 }).format(amount).replace(/[’']/g, ' '),
          new Intl.NumberFormat('en-CA', { style: 'currency', currency: 'CAD' }).format(amount),
          amount.toFixed(2),
        ]) {
          const { formula } = check(text, { is: 'money' })
          expect(formula?.expression, text).toEqual({ op: 'number', value: String(cents) })
        }
    }),
    { numRuns: 200 },
  )
})
