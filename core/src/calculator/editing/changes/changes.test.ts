import { describe, expect, test } from 'vitest'
import fc from 'fast-check'
import { changed } from '../../../testing/test-document'
import { changesBetween } from './flat'
import { mergeDocuments } from './merge'
import { insertStep, moveStep, removeStep } from '../edit'
import type { CalculatorDocument } from '../../document/document'
import { t, working } from '../../starters/build'
import { starters } from '../../starters'
import { mortgagePayment } from '../../starters/mortgage-payment'

const base = mortgagePayment()

test('changes are listed by step, field and language', () => {
  const after = {
    ...changed('rate', { default: '5.1', label: t('Rate', 'Taux') }),
    title: { ...base.title, 'fr-CA': 'Radeau' },
  }
  expect(changesBetween(base, after)).toEqual([
    {
      of: 'document',
      id: undefined,
      field: 'title.fr-CA',
      before: 'Versement hypothécaire',
      after: 'Radeau',
    },
    { of: 'step', id: 'rate', field: 'label.en-CA', before: 'Rate a year', after: 'Rate' },
    { of: 'step', id: 'rate', field: 'label.fr-CA', before: 'Taux annuel', after: 'Taux' },
    { of: 'step', id: 'rate', field: 'default', before: '4.64', after: '5.1' },
  ])
  expect(changesBetween(after, after)).toEqual([])
})

test('two people’s changes to different fields, languages, terms and steps are all kept', () => {
  const mine = insertStep(
    changed('rate', { default: '5.1', label: { ...t('Rate', 'Taux annuel') } }),
    working('mine', 'mine', '1'),
    'loan',
  )
  const theirs = insertStep(
    changed(
      'loan',
      {
        terms: {
          principal: 'home price - down payment',
          annualRate: 'rate',
          frequency: 'payment frequency',
          term: 'years(20)',
        },
      },
      changed('rate', { label: t('Rate a year', 'Taux') }),
    ),
    working('theirs', 'theirs', '2'),
    'rate',
  )
  const { document, conflicts } = mergeDocuments(base, mine, theirs)
  expect(conflicts).toEqual([])
  const step = (id: string) => document.steps.find((one) => one.id === id)
  expect(step('rate')).toMatchObject({ default: '5.1', label: { 'en-CA': 'Rate', 'fr-CA': 'Taux' } })
  expect(step('loan')).toMatchObject({ terms: { term: 'years(20)' } })
  expect(document.steps.map(({ id }) => id).slice(3, 10)).toEqual([
    'rate',
    'theirs',
    'frequency',
    'propertyTax',
    'homeInsurance',
    'loan',
    'mine',
  ])
})

test('a step one person removed and the other left alone is gone, and one that was moved stays moved', () => {
  const mine = removeStep(base, 'endDate')
  const theirs = moveStep(base, 'totalInterest', 0)
  const { document, conflicts } = mergeDocuments(base, mine, theirs)
  expect(conflicts).toEqual([])
  expect(document.steps.some(({ id }) => id === 'endDate')).toBe(false)
})

test('a field both changed differently is a conflict, decided by a person; the same change is none', () => {
  const mine = { ...changed('rate', { default: '5.1' }), lender: 'Same' }
  const theirs = { ...changed('rate', { default: '4.9' }), lender: 'Same' }
  const { document, conflicts } = mergeDocuments(base, mine, theirs, () => 'theirs')
  expect(conflicts).toEqual([
    {
      key: 'step/rate/default',
      of: 'step',
      id: 'rate',
      field: 'default',
      before: '4.64',
      mine: '5.1',
      theirs: '4.9',
    },
  ])
  expect(document).toEqual(theirs)
  expect(mergeDocuments(base, mine, theirs).document).toEqual(mine)
})

test('a sample answer removed by one person stays removed', () => {
  const withAnswer: CalculatorDocument = {
    ...base,
    samples: [{ id: 'sample', name: 'x', answers: { rate: '5' } }],
  }
  const mine = { ...withAnswer, samples: [{ id: 'sample', name: 'x', answers: {} }] }
  const theirs = { ...withAnswer, lender: 'Theirs' }
  expect(mergeDocuments(withAnswer, mine, theirs).document).toEqual({ ...mine, lender: 'Theirs' })
})

describe('joining is safe whatever was changed', () => {
  const documents = fc.constantFrom(...starters.map(({ make }) => make()))
  // None twice: a step that is inserted has an identifier of its own.
  const edits = fc.uniqueArray(fc.nat(1_000), { maxLength: 5 })
  const edited = (document: CalculatorDocument, marks: readonly number[]) =>
    marks.reduce((now, mark) => {
      const step = now.steps[mark % now.steps.length]
      if (!step) return now
      if (mark % 4 === 0) return removeStep(now, step.id)
      if (mark % 4 === 1) return moveStep(now, step.id, mark % 7)
      if (mark % 4 === 2) return insertStep(now, working(`w${mark}`, `w ${mark}`, String(mark)), step.id)
      return {
        ...now,
        steps: now.steps.map((one) => (one.id === step.id ? { ...one, name: `n ${mark}` } : one)),
      }
    }, document)

  test('with nothing changed by one of the two it is the other’s document, and undoing a change gives back what was', () => {
    fc.assert(
      fc.property(documents, edits, (before, marks) => {
        const after = edited(before, marks)
        expect(mergeDocuments(before, after, before).document).toEqual(after)
        expect(mergeDocuments(before, before, after).document).toEqual(after)
        // Undo: from after back to before, on the document as it stands.
        expect(mergeDocuments(after, before, after).document).toEqual(before)
      }),
      { numRuns: 120 },
    )
  })
  test('no step that both still have is lost or doubled', () => {
    fc.assert(
      fc.property(documents, edits, edits, (before, some, others) => {
        const [mine, theirs] = [
          edited(before, some),
          edited(
            before,
            others.map((mark) => mark + 5_000),
          ),
        ]
        const ids = mergeDocuments(before, mine, theirs).document.steps.map(({ id }) => id)
        expect(new Set(ids).size).toBe(ids.length)
        for (const { id } of mine.steps)
          if (theirs.steps.some((step) => step.id === id)) expect(ids).toContain(id)
      }),
      { numRuns: 120 },
    )
  })
})
