import { expect, test } from 'vitest'
import { readIsoDate, type PlainDate } from '../dates/plain-date'
import { acceptedValue, knownAnswers, minorOf } from '../testing/known-answers'
import {
  annualPercentageRate,
  annualPercentageRateOfCharge,
  type DatedAmounts,
  type TimedAmounts,
} from './annual-percentage-rate'
import { unitPeriodsBetween, type UnitPeriod } from './unit-periods'

interface Timed {
  amount: string
  count: number
  t: number
  f: string
}
interface Dated {
  amount: string
  first_date: string
  count: number
  step_months: number
}
type Input =
  | {
      kind: 'us_apr'
      unit_periods_per_year: string
      advances: Timed[]
      payments: Timed[]
      dates?: { unit: UnitPeriod['unit']; multiple: number; advance: string; first_of_each_group: string[] }
    }
  | { kind: 'unit_periods'; start: string; end: string; unit: UnitPeriod['unit']; multiple: number }
  | { kind: 'eu_aprc'; time_basis: 'days_365' | 'equal_months'; drawdowns: Dated[]; payments: Dated[] }
interface Expected {
  error?: string
  apr: string
  aprc: string
  t: number
  f: string
}

function fraction(text: string): { numerator: number; denominator: number } {
  const [numerator = 0, denominator = 1] = text.split('/').map(Number)
  return { numerator, denominator }
}
const size = (text: string) => fraction(text).numerator / fraction(text).denominator
const timed = ({ amount, count, t, f }: Timed): TimedAmounts => ({
  amount: minorOf(amount),
  count,
  after: { whole: t, rest: fraction(f) },
})
const dated = ({ amount, first_date: firstDate, count, step_months: stepMonths }: Dated): DatedAmounts => ({
  amount: minorOf(amount),
  firstDate,
  count,
  stepMonths,
})
const day = (text: string) => readIsoDate(text) as PlainDate

test.each(knownAnswers<Input, Expected>('apr'))('known answer $id', ({ input, expected }) => {
  if (input.kind === 'unit_periods') {
    const { whole, rest } = acceptedValue(unitPeriodsBetween(day(input.start), day(input.end), input))
    expect(whole + rest.numerator / rest.denominator).toBeCloseTo(expected.t + size(expected.f), 12)
    return
  }
  const answer =
    input.kind === 'us_apr'
      ? annualPercentageRate(
          input.advances.map(timed),
          input.payments.map(timed),
          size(input.unit_periods_per_year),
        )
      : annualPercentageRateOfCharge(
          input.drawdowns.map(dated),
          input.payments.map(dated),
          input.time_basis === 'days_365' ? 'days365' : 'equalMonths',
        )
  if (expected.error) return expect(answer).toMatchObject({ ok: false, code: 'NO_ANSWER' })
  if (!answer.ok) throw new Error(`${answer.code} ${answer.field}`)
  expect(answer.value).toBeCloseTo(
    Number(input.kind === 'us_apr' ? expected.apr : expected.aprc),
    input.kind === 'us_apr' ? 7 : 5,
  )
  if (input.kind !== 'us_apr' || !input.dates) return
  const { dates } = input
  for (const [index, first] of dates.first_of_each_group.entries()) {
    const { whole, rest } = acceptedValue(unitPeriodsBetween(day(dates.advance), day(first), dates))
    const { t, f } = input.payments[index] as Timed
    expect(whole + rest.numerator / rest.denominator).toBeCloseTo(t + size(f), 12)
  }
})

test('a loan repaid in one year at once costs its interest', () => {
  const once = (amount: number, whole: number): TimedAmounts => ({
    amount,
    count: 1,
    after: { whole, rest: { numerator: 0, denominator: 1 } },
  })
  expect(annualPercentageRate([once(1000_00, 0)], [once(1080_00, 1)], 1)).toMatchObject({
    ok: true,
    value: expect.closeTo(8, 10) as number,
  })
})
