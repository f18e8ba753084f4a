import { describe, expect, test } from 'vitest'
import fc from 'fast-check'
import { minor } from '../money/minor'
import { bandEnd, bandOf } from './bands'

describe('an answer lies in a coarse band', () => {
  test.each([
    [41_260_000, '400000'],
    [50_000_000, '500000'],
    [49_999_999, '400000'],
    [15_000_000, '150000'],
    [99, '0'],
    [0, '0'],
  ])('%s cents: from %s', (money, band) =>
    expect(bandOf({ unit: 'money', money: minor(money) }, 2)).toBe(band),
  )

  test.each([
    [{ unit: 'percent', percent: '4.64' }, '4'],
    [{ unit: 'share', money: minor(1), percent: '19.99', typed: 'percent' }, '15'],
    [{ unit: 'share', money: minor(1), percent: '20', typed: 'percent' }, '20'],
    [{ unit: 'term', years: 24, months: 11 }, '20'],
    [{ unit: 'term', years: 25, months: 0 }, '25'],
    [{ unit: 'date', date: '2026-11-25' }, '2026'],
    [{ unit: 'yesNo', yes: true }, 'yes'],
    [{ unit: 'frequency', frequency: 'biweekly' }, 'biweekly'],
    [{ unit: 'loan', principal: minor(1), payment: minor(1), count: 1 }, undefined],
  ] as const)('%j: %s', (value, band) => expect(bandOf(value, 2)).toBe(band))

  test('its ends hold the amount, and no band is narrower than a tenth of it (any amount)', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1_00, max: 900_000_000_00 }), (money) => {
        const low = Number(bandOf({ unit: 'money', money: minor(money) }, 2))
        const high = bandEnd(String(low), 'money') ?? 0
        expect(low).toBeLessThanOrEqual(money / 100)
        expect(high).toBeGreaterThan(money / 100)
        expect(high - low).toBeGreaterThan((money / 100) * 0.1)
      }),
      { seed: 11 },
    )
  })
})
