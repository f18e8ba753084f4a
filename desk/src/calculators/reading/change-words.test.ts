import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  changesBetween,
  insertStep,
  paragraphs,
  renameStep,
  starters,
  type CalculatorDocument,
  type CalculatorStep,
} from '@vivid/core'
import { anyDocument } from '../../../../core/src/testing/any-document'
import { placeWords } from './change-words'
import { valueWords } from './value-words'

const before = starters[0]?.make() as CalculatorDocument
const words = (after: CalculatorDocument) =>
  changesBetween(before, after).map((change) => [
    placeWords(change, after),
    valueWords(change.before, change, before),
    valueWords(change.after, change, after),
  ])
const changed = (id: string, fields: object): CalculatorDocument => ({
  ...before,
  steps: before.steps.map((step) => (step.id === id ? ({ ...step, ...fields } as CalculatorStep) : step)),
})

test.each<[string, CalculatorDocument, string[]]>([
  ['an amount', changed('homePrice', { most: 900_000_00 }), ['Home price, most', '$2,000,000', '$900,000']],
  [
    'a label in one language',
    changed('rate', { label: { 'en-CA': 'Rate a year', 'fr-CA': 'Taux' } }),
    ['Rate, label in Canadian French', 'Taux annuel', 'Taux'],
  ],
  [
    'a frequency',
    changed('frequency', { default: 'weekly' }),
    ['Payment frequency, default', 'every month', 'every week'],
  ],
  [
    'a term of a loan',
    changed('loan', {
      terms: { principal: 'home price', annualRate: 'rate', frequency: 'payment frequency', term: 'term' },
    }),
    ['The loan, amount borrowed', 'home price - down payment', 'home price'],
  ],
  [
    'a convention of a loan',
    changed('loan', { options: { compounding: 12 } }),
    ['The loan, compounding', 'half-yearly compounding', 'monthly compounding'],
  ],
  [
    'a rich text',
    { ...before, disclosure: { ...before.disclosure, 'en-CA': paragraphs('Short.') } },
    [
      'Words below the figures in Canadian English',
      'This is an illustration, not an offer. Rates and fees can change until an agreement is signed.',
      'Short.',
    ],
  ],
  [
    'whether results wait',
    { ...before, results: 'onButton' },
    ['When results show', 'follow every keystroke', 'wait for a button'],
  ],
  [
    'what may be chosen',
    changed('frequency', { options: ['monthly', 'acceleratedBiweekly'] }),
    [
      'Payment frequency, choices',
      'every month; every half-month; every two weeks; every week; every two weeks, accelerated; every week, accelerated',
      'every month; every two weeks, accelerated',
    ],
  ],
  [
    'how interest counts',
    changed('loan', { options: { compounding: 2, dayCount: 'thirtyOver365' } }),
    ['The loan, interest counts', 'nothing', '30-day cycles of a 365-day year'],
  ],
  [
    'an extra',
    changed('loan', {
      extras: [{ amount: '100', every: 'year', at: '6', from: '', until: 'date("2030-01-01")' }],
    }),
    ['The loan, extra payments', 'nothing', '100 once a year, at 6, until date("2030-01-01")'],
  ],
  [
    'which loan a part of the page is of',
    changed('schedule', { loan: 'gone' }),
    ['Schedule, loan', 'the loan', 'a missing step'],
  ],
  [
    'what a proof expects',
    {
      ...before,
      proofs: before.proofs.map((proof) =>
        proof.id === 'biweekly'
          ? { ...proof, expected: [{ of: 'the loan.payment', figure: '1090.00', tolerance: '0.05' }] }
          : proof,
      ),
    },
    [
      'Every two weeks, 20 % down, expected figures',
      'the loan.payment = 1093.59; the loan.payments = 650',
      'the loan.payment = 1090.00 ± 0.05',
    ],
  ],
])('%s is told in words', (_, after, expected) => expect(words(after)).toEqual([expected]))

test('a step that was added is told by the order of the tape and its fields', () => {
  const step = {
    kind: 'working',
    id: 'w',
    name: 'spare',
    formula: 'home price',
    unit: 'any',
    rounding: null,
    note: '',
    shown: false,
    label: {},
  } as CalculatorStep
  const told = words(insertStep(before, step, 'loan'))
  expect(told[0]?.[0]).toBe('Steps on the tape')
  expect(told[0]?.[2]).toContain('the loan, spare')
  expect(told.map(([place]) => place)).toContain('Spare, formula')
})

test('a renamed value is told where it is used', () => {
  const told = words(renameStep(before, 'rate', 'yearly rate'))
  expect(told).toEqual([
    ['Yearly rate, name', 'rate', 'yearly rate'],
    ['The loan, rate a year', 'rate', 'yearly rate'],
  ])
})

test('a step that one removed and the other changed is named, with what became of it', () => {
  const place = { of: 'step', id: 'gone', field: '' } as const
  const mine = { 'step/gone/name': 'extra fee', 'step/gone/kind': 'question', 'step/gone/asks': 'money' }
  expect(placeWords(place, before, mine, undefined)).toBe('Extra fee')
  expect(valueWords(mine, place, before)).toBe('kept with its changes (money)')
  expect(valueWords(undefined, place, before)).toBe('removed')
})

test('an option is told with its label and its value, in the unit the choice gives', () => {
  const options = [{ name: 'member', label: { 'en-CA': 'A member' }, value: '0.25' }]
  const choice = { kind: 'question', id: 'margin', name: 'margin', asks: 'choice', gives: 'percent', options }
  const document = { ...before, steps: [...before.steps, choice] } as unknown as CalculatorDocument
  const place = { of: 'step', id: 'margin', field: 'options' } as const
  expect(valueWords(options, place, document)).toBe('member “A member” 0.25%')
})

describe('no change is told in names of the file it is kept in', () => {
  /** Everything as if it had just been written. */
  const asNew = (after: CalculatorDocument): CalculatorDocument => ({
    ...after,
    begunFrom: undefined,
    languages: [],
    samples: [],
    steps: after.steps.map(
      ({ id, kind, name, ...more }) =>
        ({ id, kind, name, ...Object.fromEntries(Object.keys(more).map((field) => [field, null])) }) as never,
    ),
    proofs: after.proofs.map((proof) => ({ ...proof, answers: {}, expected: [] })),
  })
  /** What a lender calls something itself may look like anything. */
  const ownNames = ({ steps }: CalculatorDocument) =>
    steps.flatMap((step) =>
      step.kind === 'question' && step.asks === 'choice' ? step.options.map(({ name }) => name) : [],
    )
  const fileNames = (document: CalculatorDocument) =>
    changesBetween(asNew(document), document).flatMap((change) => {
      const said = `${placeWords(change, document)}: ${valueWords(change.after, change, document)}`
      // A formula may compare with a name of the formula language.
      const names = said.replace(/"[^"]*"/g, '').match(/\b[a-z]+[A-Z]\w*|\[object|undefined|NaN/g) ?? []
      return names.filter((name) => !ownNames(document).includes(name)).map((name) => `${name} in ${said}`)
    })

  test.each(starters.map(({ id, make }) => [id, make()] as const))('in %s', (_, document) =>
    expect(fileNames(document)).toEqual([]),
  )
  test('in any document (100)', () => {
    fc.assert(
      fc.property(anyDocument, (document) => {
        expect(fileNames(document)).toEqual([])
      }),
      { numRuns: 100 },
    )
  })
})
