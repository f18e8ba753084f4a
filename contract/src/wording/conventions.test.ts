import { beforeAll, describe, expect, test } from 'vitest'
import {
  compile,
  createEvaluator,
  plainText,
  readMoment,
  starters,
  type CalculatorDocument,
} from '@vivid/core'
import { conventionsSaid } from './conventions'
import { figuresFor } from './figures'
import { fetchAllLanguages } from './languages'

beforeAll(() => fetchAllLanguages())
const made = (id: string): CalculatorDocument => {
  const starter = starters.find((one) => one.id === id)
  if (!starter) throw new Error(`no starter ${id}`)
  return starter.make()
}
const saidOf = (document: CalculatorDocument, language = 'en-CA', answers = {}, sheets = allSheets) => {
  const { program } = compile(document, sheets)
  const today = readMoment('2026-11-25T12:00')
  if (!today) throw new Error('that is a moment')
  const evaluation = createEvaluator(program)(answers, { today, sheets })
  return conventionsSaid(evaluation, program, figuresFor(program, language))
}
const allSheets = starters.flatMap(({ sheets }) => sheets)
const withOptions = (options: object) => {
  const document = made('mortgage-payment')
  return {
    ...document,
    steps: document.steps.map((step) => (step.kind === 'loan' ? { ...step, options } : step)),
  }
}

describe('what a loan takes for granted follows from its terms', () => {
  test.each([
    [{ compounding: 2 }, 'The rate compounds every half-year.'],
    [{ compounding: 'perPayment' }, 'The rate compounds with every payment.'],
    [{}, 'The rate compounds with every payment.'],
    [{ compounding: 12 }, 'The rate compounds every month.'],
    [{ dayCount: 'actual365' }, 'Interest counts the days between payments, in a 365-day year.'],
    [{ dayCount: 'thirty360' }, 'Interest counts 30 days for each month of a 360-day year.'],
    [{ due: 'start' }, 'Payments fall at the start of each period.'],
    [{ paymentRounding: 'up' }, 'Payments are rounded up; the last one settles what is left.'],
    [{ onExtra: 'lower' }, 'the loan ends when it would have, and payments fall.'],
  ])('%j: %s', (options, line) => {
    expect(saidOf(withOptions(options)).join('\n')).toContain(line)
  })

  test('the frequency that was answered, and the day that follows from it', () => {
    const said = saidOf(made('mortgage-payment'), 'en-CA', { frequency: 'acceleratedBiweekly' })
    expect(said.join('\n')).toContain('half of a monthly payment every two weeks')
    expect(said.join('\n')).toContain('The first payment falls on December 9, 2026.')
    expect(saidOf(made('mortgage-payment')).join('\n')).not.toContain('Accelerated')
    expect(saidOf(made('mortgage-payment'), 'fr-CA').join('\n')).toContain('chaque semestre')
  })

  test('what is in no payment of the loan', () => {
    expect(saidOf(made('mortgage-payment')).join('\n')).toContain('no insurance and no fees are in them')
    expect(saidOf(made('insurance-by-credit')).join('\n')).toContain(
      'No fees are in the loan’s own payments.',
    )
  })

  test('a time before payments as it is answered', () => {
    const during = (answer: string) => saidOf(made('study-loan'), 'en-CA', { during: answer }).join('\n')
    expect(during('added')).toContain('Interest of the first 18 payments is added to the loan at their end.')
    expect(during('paid')).toContain('For the first 18 payments only the interest is paid.')
  })

  test('loans that differ in something are named for it', () => {
    const document = made('compare-loans')
    const steps = document.steps.map((step) =>
      step.kind === 'loan' && step.name === 'offer B'
        ? { ...step, options: { compounding: 1 as const } }
        : step,
    )
    const said = saidOf({ ...document, steps })
    expect(said.filter((line) => line.includes('every year'))).toEqual([
      expect.stringMatching(/^[^,:]+: The rate compounds every year\.$/),
    ])
    expect(said.filter((line) => line.includes('every half-year'))).toEqual([
      expect.stringMatching(/^.+, .+: /),
    ])
  })
})

test.each(starters.map(({ id }) => id))('%s says them in every language, each once', (id) => {
  for (const language of ['en-CA', 'fr-CA', 'de-DE', 'es-ES', 'he-IL']) {
    const said = saidOf(made(id), language)
    expect([id, new Set(said).size]).toEqual([id, said.length])
    expect(said.join('')).not.toMatch(/undefined|NaN/)
    expect([id, said.length > 1]).toEqual([id, true])
  }
})

test('no starter writes by hand what its loan says itself', () => {
  for (const { id, make } of starters)
    for (const step of make().steps)
      if (step.kind === 'readout' && step.shows === 'assumptions')
        for (const text of Object.values(step.text))
          expect([id, plainText(text)]).not.toEqual([
            id,
            expect.stringMatching(
              /compound|capitalis|half.year|semestre|accelerat|accélér|rounded|arrondi|first payment/i,
            ),
          ])
})
