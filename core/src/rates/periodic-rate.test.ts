import { expect, test } from 'vitest'
import { Decimal } from '../money/decimal'
import { fractionToDecimal } from '../money/fraction'
import { acceptedValue, knownAnswers } from '../testing/known-answers'
import { effectiveAnnualRate, equivalentRate, periodicRate } from './periodic-rate'
import { readRate } from './percent'

interface Input {
  annual_rate: string
  compounds_per_year: number
  payments_per_year: number
}
type Expected = { periodic_rate: string; effective_annual_rate: string } | { error: string }

test.each(knownAnswers<Input, Expected>('periodic_rate'))('known answer $id', ({ input, expected }) => {
  const {
    annual_rate: annualRate,
    compounds_per_year: compoundsPerYear,
    payments_per_year: paymentsPerYear,
  } = input
  const periodic = periodicRate({ annualRate, compoundsPerYear, paymentsPerYear })
  if ('error' in expected) return expect(periodic.ok).toBe(false)
  if (!periodic.ok) throw new Error(`refused: ${periodic.code}`)
  const exact = fractionToDecimal(periodic.value.exact)
  expect(exact.toSignificantDigits(18, Decimal.ROUND_HALF_EVEN).equals(expected.periodic_rate)).toBe(true)
  expect(periodic.value.asNumber).toBeCloseTo(Number(expected.periodic_rate), 15)
  expect(acceptedValue(effectiveAnnualRate(annualRate, compoundsPerYear)).toFixed(12)).toBe(
    expected.effective_annual_rate,
  )
})

test('a rate that divides evenly is exact: 4.8 % a year in 12 payments is 4/1000 each', () => {
  const { exact } = equivalentRate(new Decimal('4.8'), 12, 12)
  expect(exact.numerator * 1000n).toBe(exact.denominator * 4n)
})

test('yearly compounding over two payments of a perfect square is exact: 21 % is 10 % each half-year', () => {
  const { exact } = equivalentRate(new Decimal('21'), 1, 2)
  expect(fractionToDecimal(exact).toString()).toBe('0.1')
})

test.each(['', 'abc', '4,64', '1e3', ' 4', 'NaN', 'Infinity', '-1', '1000.01', '4.6e1'])(
  'the rate "%s" is refused',
  (text) => {
    expect(readRate(text, 'annualRate')).toMatchObject({ ok: false, field: 'annualRate' })
  },
)
