import { describe, expect, test } from 'vitest'
import { changed, TODAY, withSteps } from '../../testing/test-document'
import { compile } from '../compile/compile'
import { isGentle } from '../compile/compile-problem'
import type { CalculatorDocument } from '../document/document'
import { choice, date, money, number, t, term, working, yesNo } from '../starters/build'
import { mortgagePayment } from '../starters/mortgage-payment'
import { addedPremiums } from '../starters/sheets'
import { evaluate } from './evaluate'

const around = { today: TODAY, sheets: [addedPremiums] }
const run = (answers: Record<string, unknown> = {}, document: CalculatorDocument = mortgagePayment()) =>
  evaluate(compile(document, [addedPremiums]).program, answers, around)

describe('a question that is hidden, or optional and empty', () => {
  const document = withSteps(
    yesNo('has', 'has extra', t('Extra?', 'Extra ?'), false),
    money(
      'extra',
      'extra',
      t('Extra', 'Extra'),
      { default: 50, least: 10, most: 100, step: 1 },
      { shownWhen: 'has extra', whenHidden: 'nothing' },
    ),
    money(
      'gift',
      'gift',
      t('Gift', 'Don'),
      { default: null, least: 10, most: 100, step: 1 },
      { required: false },
    ),
    choice(
      'kind',
      'kind',
      t('Kind', 'Sorte'),
      {
        gives: 'money',
        options: [
          { name: 'small', label: {}, value: 500 },
          { name: 'large', label: {}, value: 900 },
        ],
        default: 'small',
      },
      { shownWhen: 'has extra' },
    ),
    working('sum', 'sum of all', 'extra + gift + kind'),
  )
  test('counts as nothing; a choice as its default', () => {
    const { values, hidden, problems } = run({}, document)
    expect([...hidden].filter((id) => ['extra', 'kind'].includes(id))).toEqual(['extra', 'kind'])
    expect(problems).toEqual([])
    expect(values.sum).toMatchObject({ money: 500 })
  })
  test('comes back with the answer it had', () => {
    expect(run({ has: true, extra: 20_00, gift: 30_00, kind: 'large' }, document).values.sum).toMatchObject({
      money: 59_00,
    })
  })
  test('is still held to its bounds when it is answered', () => {
    expect(run({ gift: 5 }, document).problems).toMatchObject([{ code: 'ANSWER_BELOW_LEAST', field: 'gift' }])
  })
  test('is asked for where it is required', () => {
    expect(run({ homePrice: null }).problems[0]).toEqual({ code: 'ANSWER_MISSING', field: 'homePrice' })
  })
})

describe('every kind of answer', () => {
  const document = withSteps(
    number('age', 'age', t('Age', 'Âge'), { default: 40, least: 18, most: 99, step: 1 }),
    term('stay', 'stay', t('Stay', 'Séjour'), { default: 7, least: 1, most: 30 }),
    date('start', 'start', t('Start', 'Début'), {
      precision: 'day',
      default: 'today',
      least: '2026-01-01',
      most: '2027-12-31',
    }),
    yesNo('own', 'own', t('Own?', 'Propriétaire ?'), true),
    choice('band', 'band', t('Band', 'Cote'), {
      gives: 'name',
      options: ['good', 'fair'].map((name) => ({ name, label: {}, value: null })),
      default: 'good',
    }),
  )
  test('takes its default', () => {
    expect(run({}, document).values).toMatchObject({
      age: { unit: 'number', number: '40' },
      stay: { unit: 'term', years: 7, months: 0 },
      start: { unit: 'date', date: '2026-11-25' },
      own: { unit: 'yesNo', yes: true },
      band: { unit: 'text', text: 'good', option: 'band' },
    })
  })
  test.each<[string, unknown, string]>([
    ['age', 17, 'ANSWER_BELOW_LEAST'],
    ['age', 100, 'ANSWER_ABOVE_MOST'],
    ['age', 40.5, 'ANSWER_UNREADABLE'],
    ['age', '40', 'ANSWER_UNREADABLE'],
    ['stay', { years: 31, months: 0 }, 'ANSWER_ABOVE_MOST'],
    ['stay', { years: 3 }, 'ANSWER_UNREADABLE'],
    ['start', '2025-12-31', 'ANSWER_BELOW_LEAST'],
    ['start', '2028-01-01', 'ANSWER_ABOVE_MOST'],
    ['start', '2026-02-30', 'ANSWER_UNREADABLE'],
    ['own', 'yes', 'ANSWER_UNREADABLE'],
    ['band', 'poor', 'ANSWER_NOT_AN_OPTION'],
    ['band', 3, 'ANSWER_UNREADABLE'],
  ])('%s refuses %o', (field, answer, code) => {
    expect(run({ [field]: answer }, document).problems).toMatchObject([{ field, code }])
  })
})

describe('a question that is hidden counts as', () => {
  const hiddenRate = (fields: object = {}) =>
    changed('rate', { shownWhen: 'home price > 900000000', ...fields })
  const paymentOf = (document: CalculatorDocument) => run({}, document).ledgers.get('loan')?.payment
  test('its default, where its author says nothing: a hidden rate makes no loan at 0 %', () => {
    expect(paymentOf(hiddenRate())).toBe(paymentOf(mortgagePayment()))
    const { problems } = compile(hiddenRate())
    expect(problems).toContainEqual({ code: 'HIDDEN_COUNTS', step: 'rate', field: 'whenHidden' })
    expect(isGentle({ code: 'HIDDEN_COUNTS' })).toBe(true)
  })
  test('nothing, where its author says so, and then nobody asks', () => {
    const document = hiddenRate({ whenHidden: 'nothing' })
    expect(paymentOf(document)).toBe(Math.round(350_710_00 / 300))
    expect(compile(document).problems.map(({ code }) => code)).not.toContain('HIDDEN_COUNTS')
  })
  test('nothing, in a program frozen before there was a choice', () => {
    const { program } = compile(hiddenRate())
    const frozen = {
      ...program,
      steps: program.steps.map((one) => {
        if (one.step.id !== 'rate' || one.step.kind !== 'question') return one
        const { whenHidden: _, ...step } = one.step
        return { ...one, step }
      }),
    }
    expect(evaluate(frozen, {}, around).ledgers.get('loan')?.payment).toBe(Math.round(350_710_00 / 300))
  })
})
