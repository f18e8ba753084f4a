import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { compile, evaluate, starters, type Question } from '@vivid/core'
import type { OwedLoanAnswer } from '@vivid/core/evaluate'
import { isUnreadable, readTyped, textOfAnswer } from './answer-text'
import { createFigures, figuresFor } from './figures'
import { hasGaps } from './loan-list'
import { payOffSaid, payOffTable } from './pay-off-table'
import { plainAnswer, PLAIN_LOCALE } from './preset-answers'
import { problemSentence } from './problem-sentences'

const made = starters.find(({ id }) => id === 'several-loans')?.make()
if (!made) throw new Error('the starter is gone')
const document = made
const question = document.steps.find((step): step is Question => step.id === 'loans') as Question
const { program } = compile(document, [])
const read = (text: string, locale = 'en-CA') =>
  readTyped(question, text, 'percent', { locale, currency: 'CAD' })
const card = { name: 'Card', owed: 4_200_00, rate: '18.9', payment: 120_00 }

describe('a list of loans that is written', () => {
  test.each<[string, string, unknown]>([
    [
      'a loan a line',
      'Card; $4,200; 18.9%; 120\nHome; 148k; 5.1; 1,050',
      [card, { name: 'Home', owed: 148_000_00, rate: '5.1', payment: 1_050_00 }],
    ],
    ['without a name', '4200; 18.9; 120', [{ ...card, name: '' }]],
    ['with lines that are empty', '\n Card;4200;18.9;120 \n\n; ; ; \n', [card]],
    ['nothing', '  \n', null],
    ['nothing but empty cards', '; ; ; \n; ; ; ', null],
    ['what is not there yet', 'Card; 4200; ; 120', [{ ...card, rate: null }]],
    ['what cannot be read', 'Card; 42OO; 18.9; 120', [{ ...card, owed: { unreadable: '42OO' } }]],
  ])('%s', (_, text, answer) => {
    expect(read(text)).toEqual(answer)
  })

  test.each(['Card', 'Card; 4200', 'Card; 4200; 18.9; 120; 5'])('“%s” is no list', (text) => {
    expect(isUnreadable(read(text))).toBe(true)
  })

  test('a cell that could be two things makes two lists, and neither is taken', () => {
    const answer = read('Card; 4200; 18.9; 120\nHome; 5.000; 5; 900', 'en-CA')
    if (!isUnreadable(answer)) throw new Error('it was read')
    expect(answer.couldBe.map((list) => (list as OwedLoanAnswer[])[1]?.owed)).toEqual([5_00, 5_000_00])
    expect(answer.couldBe.every((list) => (list as OwedLoanAnswer[])[0]?.owed === 4_200_00)).toBe(true)
  })

  test('a list with gaps is told from one without', () => {
    expect(hasGaps(read('Card; 4200; 18.9; 120'))).toBe(false)
    expect(hasGaps(read('Card; 4200; ; 120'))).toBe(true)
    expect(hasGaps(read('Card; 4200; x; 120'))).toBe(true)
    expect(hasGaps(null)).toBe(false)
  })

  const aLoan = fc.record({
    // Neither what parts the columns nor what ends a line; not blank at its ends, as the schema has it.
    name: fc.string({ maxLength: 20 }).map((name) => name.replace(/[;\p{Cc}]/gu, '').trim()),
    owed: fc.integer({ min: 1, max: 500_000_000_00 }),
    rate: fc.integer({ min: 0, max: 60_00 }).map((hundredths) => String(hundredths / 100)),
    payment: fc.integer({ min: 1, max: 500_000_000_00 }),
  })
  test.each(['en-CA', 'fr-CA', 'de-DE', 'es-ES', 'he-IL'])(
    'any loans come back from their text in %s',
    (locale) => {
      const figures = createFigures(locale, 'CAD')
      fc.assert(
        fc.property(fc.array(aLoan, { minLength: 1, maxLength: 12 }), (loans) => {
          expect(read(textOfAnswer(question, loans, figures), locale)).toEqual(loans)
          const plain = plainAnswer(question, loans, createFigures(PLAIN_LOCALE, 'CAD'))
          expect(read(plain, PLAIN_LOCALE)).toEqual(loans)
        }),
        { numRuns: 60 },
      )
    },
  )

  test('is said with every figure, for files and for whoever is handed it', () => {
    const figures = createFigures('en-CA', 'CAD')
    const loans = [card, { name: '', owed: 148_000_50, rate: '5.1', payment: 1_050_00 }]
    expect(figures.value({ unit: 'loans', loans })).toBe(
      'Card · $4,200 · 18.9% · $120 a month\nLoan 2 · $148,000.50 · 5.1% · $1,050 a month',
    )
  })

  test('what could not be read, or is missing, stands there again as it was typed', () => {
    const figures = createFigures('en-CA', 'CAD')
    const text = 'Card; 42OO; ; $120'
    expect(textOfAnswer(question, read(text), figures)).toBe(text)
  })
})

describe.each(['en-CA', 'fr-CA', 'de-DE', 'es-ES', 'he-IL'])('several loans said in %s', (locale) => {
  const figures = figuresFor(program, locale)
  const planOf = (answers: Record<string, unknown>) => {
    const shown = evaluate(program, answers, {
      today: { year: 2026, month: 11, day: 25, time: '12:00' },
      sheets: [],
    })
    const found = shown.readouts.find((one) => one.shows === 'payOff')
    if (!found) throw new Error('no plan')
    return found
  }

  test('a table has a column for each order and a row for each loan', () => {
    const table = payOffTable(planOf({ order: 'smallest' }), figures)
    expect([table.head.length, table.own]).toEqual([5, 2])
    expect(table.rows.length).toBe(4 + 3)
    expect(table.rows.every((row) => row.length === 5 && row.every((cell) => cell !== ''))).toBe(true)
    expect(new Set(table.head).size).toBe(5)
    expect(table.rows.at(-1)?.[0]).toContain('Renovation')
  })

  test('the sentence says the order that saves most and how much; that all are the same; or that nothing is saved', () => {
    const best = planOf({})
    expect(payOffSaid(best, figures)).toContain(figures.words.page.loans.orders.dearest)
    expect(payOffSaid(best, figures)).toContain(figures.money(330_520))
    const one = payOffSaid(planOf({ loans: [{ ...card, name: '' }] }), figures)
    expect(one).not.toContain(figures.words.page.loans.orders.dearest)
    expect(one).toMatch(/\d/)
    const none = payOffSaid(planOf({ loans: [{ ...card, rate: '0' }], extra: 0 }), figures)
    expect(none).toBe(figures.words.page.loans.saysNothing)
    expect(new Set([payOffSaid(best, figures), one, none]).size).toBe(3)
  })

  test('what is wrong is said with the loan it is wrong with', () => {
    const [problem] = evaluate(
      program,
      { loans: [{ ...card, payment: 1 }] },
      { today: { year: 2026, month: 11, day: 25, time: '12:00' }, sheets: [] },
    ).problems
    if (!problem) throw new Error('nothing is wrong')
    const said = problemSentence(problem, figures)
    expect(said).toContain('Card')
    expect(said).toContain(figures.words.page.loans.columns.payment)
    expect(said).toContain(figures.moneyShort(66_16))
  })
})
