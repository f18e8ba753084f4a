import { describe, expect, test } from 'vitest'
import fc from 'fast-check'
import { minor } from '../../money/minor'
import { bandEnd, bandOf, isBandOf } from './bands'
import { starters } from '../starters'
import { compile } from '../compile/compile'
import { evaluate } from '../evaluate/evaluate'
import { TODAY } from '../../testing/test-document'

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
    )
  })
})

describe('a band that was sent is checked against its question', () => {
  const questions = starters.flatMap(({ make, sheets }) => {
    const document = make()
    const { program } = compile(document, sheets)
    const { values } = evaluate(program, {}, { today: TODAY, sheets })
    return document.steps.flatMap((step) => {
      const value = values[step.id]
      return step.kind === 'question' && value ? [{ step, value, minorDigits: program.minorDigits }] : []
    })
  })

  test('what a page sends is one', () => {
    expect(questions.length).toBeGreaterThan(40)
    for (const { step, value, minorDigits } of questions) {
      const band = step.asks === 'choice' ? step.default : bandOf(value, minorDigits)
      expect([step.id, band, isBandOf(step, band ?? '')]).toEqual([step.id, band, true])
    }
  })

  test('what nobody’s page sends is none (any text)', () => {
    fc.assert(
      fc.property(fc.constantFrom(...questions), fc.string({ maxLength: 60 }), ({ step }, text) => {
        fc.pre(!/^\d+$/.test(text))
        const named = step.asks === 'choice' ? step.options.map(({ name }) => name) : ['yes', 'no']
        expect(isBandOf(step, text) && !named.includes(text)).toBe(false)
      }),
    )
    for (const { step } of questions)
      for (const band of ['412600', '17', '1e3', '-5', '007', '99999999999999', 'NaN', 'Infinity', ' 5'])
        if (step.asks !== 'choice')
          expect([
            step.asks,
            band,
            step.asks === 'percent' && band === '17' ? false : isBandOf(step, band),
          ]).toEqual([step.asks, band, false])
  })

  test('there are few of them, however many are tried', () => {
    for (const { step } of questions) {
      const tried = Array.from({ length: 20_000 }, (_, n) => String(n))
      expect(tried.filter((band) => isBandOf(step, band)).length).toBeLessThan(1_100)
    }
  })
})
