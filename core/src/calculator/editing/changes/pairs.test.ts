import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { changed } from '../../../testing/test-document'
import { compile, createCompiler, stoppingProblems } from '../../compile/compile'
import { CalculatorDocument } from '../../document/document'
import type { CalculatorStep } from '../../document/steps'
import { insertStep, moveStep, removeStep, renameStep } from '../edit'
import { removeLanguage } from '../languages'
import { money, t, working } from '../../starters/build'
import { mortgagePayment } from '../../starters/mortgage-payment'
import { mergeDocuments } from './merge'

const base: CalculatorDocument = {
  ...mortgagePayment(),
  proofs: [
    {
      id: 'p',
      name: 'p',
      answers: { rate: '5' },
      on: '2026-11-25',
      expected: [{ of: 'the loan.payment', figure: '1', tolerance: '0' }],
    },
  ],
}
const stepOf = (document: CalculatorDocument, id: string) => document.steps.find((one) => one.id === id)
const names = (document: CalculatorDocument) => document.steps.map(({ name }) => name)
const extra = (name: string, formula: string): CalculatorStep =>
  working(name.replace(/ /g, ''), name, formula, { shown: t('Shown', 'Montré') })

type Edit = (document: CalculatorDocument) => CalculatorDocument
const edits: Readonly<Record<string, Edit>> = {
  'the rate’s default edited': (d) => changed('rate', { default: '5.1' }, d),
  'the rate’s default edited otherwise': (d) => changed('rate', { default: '6.2' }, d),
  'the rate’s label edited': (d) => changed('rate', { label: t('Rate', 'Taux') }, d),
  'the rate removed': (d) => removeStep(d, 'rate'),
  'the rate renamed': (d) => renameStep(d, 'rate', 'interest rate'),
  'the rate renamed otherwise': (d) => renameStep(d, 'rate', 'yearly rate'),
  'the rate moved': (d) => moveStep(d, 'rate', 0),
  'the rate made another kind': (d) =>
    changed(
      'rate',
      { asks: 'number', counts: 'things', default: 4, least: 0, most: 9, step: 1, slider: false },
      d,
    ),
  'a new use of the rate': (d) => insertStep(d, extra('twice', 'rate * 2'), 'loan'),
  'a sentence with the rate': (d) => changed('endDate', { sentence: { 'en-CA': 'At {rate}.' } }, d),
  'a step added': (d) => insertStep(d, extra('more', 'home price * 2'), 'rate'),
  'a step of that name added': (d) => insertStep(d, extra('more', 'home price * 3'), 'term'),
  'a step with the rate’s new name': (d) => insertStep(d, extra('interest rate', 'home price'), 'loan'),
  'a question added': (d) =>
    insertStep(
      d,
      money('fees', 'fees', t('Fees', 'Frais'), { default: 1, least: 0, most: 9, step: 1 }),
      'rate',
    ),
  'the loan removed': (d) => removeStep(d, 'loan'),
  'a readout of the loan': (d) => changed('schedule', { by: 'payment' }, d),
  'the order turned round': (d) => ({ ...d, steps: [...d.steps].reverse() }),
  'French taken out': (d) => removeLanguage(d, 'fr-CA'),
  'German added': (d) => ({
    ...d,
    languages: [...d.languages, 'de-DE'],
    title: { ...d.title, 'de-DE': 'Rate' },
  }),
  'the French title edited': (d) => ({ ...d, title: { ...d.title, 'fr-CA': 'Autre' } }),
  'a sample added': (d) => ({
    ...d,
    samples: [...d.samples, { id: 'new', name: 'new', answers: { rate: '7' } }],
  }),
  'another sample added': (d) => ({
    ...d,
    samples: [...d.samples, { id: 'new', name: 'other', answers: { rate: '8' } }],
  }),
  'the samples replaced': (d) => ({ ...d, samples: [{ id: 'only', name: 'only', answers: {} }] }),
  'the samples replaced otherwise': (d) => ({ ...d, samples: [{ id: 'sole', name: 'sole', answers: {} }] }),
  'a proof edited': (d) => ({ ...d, proofs: d.proofs.map((p) => ({ ...p, answers: { rate: '9' } })) }),
  'the proofs removed': (d) => ({ ...d, proofs: [] }),
  'two hundred steps': (d) => ({
    ...d,
    steps: [...d.steps, ...Array.from({ length: 200 - d.steps.length }, (_, i) => extra(`filler ${i}`, '1'))],
  }),
}

describe('every pair of edits, with either answer, is a document that opens and has what was chosen', () => {
  const all = Object.keys(edits)
  const compileAgain = createCompiler()
  const edited = new Map(
    Object.entries(edits).map(([name, edit]) => {
      const document = edit(base)
      return [name, { document, stops: stoppingProblems(compile(document)).length }]
    }),
  )
  test.each(all.flatMap((mine) => all.map((theirs) => [mine, theirs] as const)))('%s, and %s', (a, b) => {
    const [one, other] = [edited.get(a), edited.get(b)]
    if (!one || !other) throw new Error('both were edited')
    const [mine, theirs] = [one.document, other.document]
    for (const answer of ['mine', 'theirs'] as const) {
      const { document, conflicts } = mergeDocuments(base, mine, theirs, () => answer)
      expect(CalculatorDocument.safeParse(document).error?.issues).toBeUndefined()
      const ids = document.steps.map(({ id }) => id)
      expect(new Set(ids).size).toBe(ids.length)
      // With nothing to decide, what stops the joined draft stopped one of the two.
      if (one.stops === 0 && other.stops === 0 && conflicts.length === 0)
        expect([a, b, stoppingProblems(compileAgain(document, []))]).toEqual([a, b, []])
      if (a === b) expect(document.steps).toEqual(mine.steps)
      if (conflicts.length > 0 && mergeDocuments(base, theirs, mine).conflicts.length === 0)
        throw new Error('whether there is something to decide does not depend on who is asked')
    }
  })
})

describe('one edits what the other removes', () => {
  const [mine, theirs] = [changed('rate', { default: '5.1' }, base), removeStep(base, 'rate')]
  test('is asked as a whole, and “mine” keeps the step with the edit', () => {
    const { document, conflicts } = mergeDocuments(base, mine, theirs, () => 'mine')
    expect(conflicts).toHaveLength(1)
    expect(conflicts[0]).toMatchObject({ of: 'step', id: 'rate', field: '', theirs: undefined })
    expect(stepOf(document, 'rate')).toMatchObject({ default: '5.1' })
    expect(names(document)).toEqual(names(base))
  })
  test('and “theirs” removes it, and the answers to it', () => {
    const { document } = mergeDocuments(base, mine, theirs, () => 'theirs')
    expect(stepOf(document, 'rate')).toBeUndefined()
    expect(document.proofs[0]?.answers).toEqual({})
  })
  test('the other way round too', () => {
    const kept = mergeDocuments(base, theirs, mine, () => 'theirs').document
    expect(stepOf(kept, 'rate')).toMatchObject({ default: '5.1' })
    expect(stepOf(mergeDocuments(base, theirs, mine, () => 'mine').document, 'rate')).toBeUndefined()
  })
})

test('what one renamed is followed in what the other wrote', () => {
  const renamed = renameStep(base, 'rate', 'interest rate')
  const used = changed(
    'endDate',
    { sentence: { 'en-CA': 'At {rate}.' } },
    insertStep(base, extra('twice', 'rate * 2'), 'loan'),
  )
  for (const [a, b] of [
    [renamed, used],
    [used, renamed],
  ] as const) {
    const { document, conflicts } = mergeDocuments(base, a, b)
    expect(conflicts).toEqual([])
    expect(stepOf(document, 'twice')).toMatchObject({ formula: 'interest rate * 2' })
    expect(stepOf(document, 'endDate')).toMatchObject({ sentence: { 'en-CA': 'At {interest rate}.' } })
    expect(stoppingProblems(compile(document))).toEqual([])
  }
})

test('steps that both added under one identifier are both kept, each used by what its author wrote', () => {
  const add = (times: number): CalculatorDocument =>
    insertStep(
      insertStep(base, extra('more', `home price * ${times}`), 'rate'),
      extra(`uses ${times}`, 'more + 1'),
      'more',
    )
  const { document, conflicts } = mergeDocuments(base, add(2), add(3))
  expect(conflicts).toEqual([])
  const formulas = Object.fromEntries(
    document.steps.flatMap((step) => (step.kind === 'working' ? [[step.name, step.formula]] : [])),
  )
  expect(formulas).toMatchObject({
    more: 'home price * 3',
    'more 2': 'home price * 2',
    'uses 2': 'more 2 + 1',
    'uses 3': 'more + 1',
  })
})

test('too much together is asked as a whole, and one of the two stands', () => {
  const [full, another] = [edits['two hundred steps']?.(base) ?? base, edits['a step added']?.(base) ?? base]
  const { document, conflicts } = mergeDocuments(base, full, another, () => 'theirs')
  expect(conflicts).toHaveLength(1)
  expect(conflicts[0]).toMatchObject({ of: 'document', field: '' })
  expect(document).toEqual(another)
})

test('several edits by each, in any mix and with any answers, always open (150 pairs of hands)', () => {
  const some = fc.uniqueArray(fc.constantFrom(...Object.values(edits)), { maxLength: 5 })
  fc.assert(
    fc.property(
      some,
      some,
      fc.array(fc.boolean(), { minLength: 1, maxLength: 6 }),
      (mine, theirs, answers) => {
        const apply = (list: readonly Edit[]) => list.reduce((document, edit) => edit(document), base)
        const [my, their] = [apply(mine), apply(theirs)]
        // Nobody's own draft is none.
        fc.pre([my, their].every((one) => CalculatorDocument.safeParse(one).success))
        let n = 0
        const { document } = mergeDocuments(base, my, their, () =>
          answers[n++ % answers.length] ? 'mine' : 'theirs',
        )
        expect(CalculatorDocument.safeParse(document).success).toBe(true)
      },
    ),
    { numRuns: 150 },
  )
})
