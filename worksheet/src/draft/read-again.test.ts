import { describe, expect, test } from 'vitest'
import { compile, renameStep, runProofs, type CalculatorDocument, type Question } from '@vivid/core'
import { readWorksheet } from '..'
import { readBook } from '../book/read-book'
import { understand } from '../understand/understand'
import { makeDraft } from './make-draft'
import { bookOf, type MadeCells } from '../testing/books'
import { changesAgain, takenOverAgain } from './read-again'

const payment = (principal: number, rate: number, months: number) =>
  (principal * (rate / 12)) / (1 - (1 + rate / 12) ** -months)

const first: MadeCells = {
  A1: 'Loan ($)',
  B1: 90_000,
  A2: 'Rate (% p.a.)',
  B2: 6,
  A3: 'Years',
  B3: 10,
  A4: 'Payment',
  B4: { formula: '-PMT(B2/1200,B3*12,B1)', result: payment(90_000, 0.06, 120) },
  A5: 'Fee share',
  B5: { formula: 'B1*0.01', result: 900 },
}
const { A5: _label, B5: _fee, ...without } = first
const second: MadeCells = {
  ...without,
  B2: 7,
  B4: { formula: '-PMT(B2/1200,B3*12,B1)+5', result: payment(90_000, 0.07, 120) + 5 },
  A6: 'Total',
  B6: { formula: 'B4*B3*12', result: (payment(90_000, 0.07, 120) + 5) * 120 },
}
const say = ({ asks }: Question, answer: unknown) => `${asks} ${String(answer)}`
const documentOf = async (cells: MadeCells) => (await readWorksheet(await bookOf(cells), 'Again')).document
const differing = (document: CalculatorDocument) =>
  [...runProofs(compile(document, []), [])].flatMap(({ lines }) => lines.filter(({ agrees }) => !agrees))

test('the same worksheet again changes nothing', async () => {
  const draft = await documentOf(first)
  expect(changesAgain(draft, await documentOf(first), say)).toEqual([])
})

describe('a worksheet that is another now', () => {
  test('says what changed, as it had it and has it', async () => {
    const changes = changesAgain(await documentOf(first), await documentOf(second), say)
    expect(changes).toEqual([
      { id: 'b2', what: 'value', name: 'rate', before: 'percent 6', after: 'percent 7' },
      {
        id: 'b4',
        what: 'formula',
        name: 'payment',
        before: '=-PMT(B2/1200,B3*12,B1)',
        after: '=-PMT(B2/1200,B3*12,B1)+5',
      },
      { id: 'b6', what: 'added', name: 'total', before: '', after: '=B4*B3*12' },
      { id: 'b5', what: 'gone', name: 'fee share', before: '=B1*0.01', after: '' },
    ])
  })

  test('what an author changed in the draft since is no change of the worksheet, and stays', async () => {
    const made = await documentOf(first)
    const draft = renameStep(
      {
        ...made,
        steps: made.steps.map((step) =>
          step.id === 'b1' && step.kind === 'question' ? { ...step, help: { 'en-CA': 'Ours' } } : step,
        ),
      },
      'b1',
      'amount wanted',
    )
    const read = await documentOf(second)
    expect(changesAgain(draft, read, say).map(({ id }) => id)).toEqual(['b2', 'b4', 'b6', 'b5'])
    const now = takenOverAgain(draft, read, new Set(['b2', 'b4', 'b6', 'b5']))
    expect(now.steps.find(({ id }) => id === 'b1')).toMatchObject({
      name: 'amount wanted',
      help: { 'en-CA': 'Ours' },
    })
    expect(compile(now, []).problems.filter(({ code }) => code !== 'NOT_USED')).toEqual([])
    expect(differing(now)).toEqual([])
    expect(now.steps.map(({ id }) => id)).not.toContain('b5')
    expect(now.steps.map(({ id }) => id)).toContain('b6Shown')
  })

  test('what is not taken over stays as it was, and its cells differ', async () => {
    const read = await documentOf(second)
    const now = takenOverAgain(await documentOf(first), read, new Set(['b2']))
    expect(now.steps.map(({ id }) => id)).toContain('b5')
    expect(now.steps.find(({ id }) => id === 'b2')).toMatchObject({ default: '7' })
    expect(differing(now).map(({ of }) => of)).toEqual(['payment', 'total'])
  })
})

test('another table is another rate sheet, and a change', async () => {
  const made = async (rate: number) => {
    const cells: MadeCells = {
      A1: 'Years',
      B1: 7,
      A2: 'Rate',
      B2: { formula: 'VLOOKUP(B1,D1:E2,2,TRUE)', result: rate },
      D1: 1,
      E1: 4.75,
      D2: 5,
      E2: rate,
    }
    const book = await readBook(await bookOf(cells))
    return makeDraft(book, understand(book), 'Table', { asSheets: true })
  }
  const [draft, read] = [await made(5.25), await made(5.5)]
  expect(changesAgain(draft.document, read.document, say)).toEqual([
    { id: 'b2', what: 'table', name: 'rate', before: '', after: '=VLOOKUP(B1,D1:E2,2,TRUE)' },
  ])
  const now = takenOverAgain(draft.document, read.document, new Set(['b2']))
  const proofs = [...runProofs(compile(now, read.sheets), read.sheets)]
  expect(proofs.every(({ agrees }) => agrees)).toBe(true)
})

test('a value that the draft would not allow is allowed once it is taken over', async () => {
  const made = (amount: number, sort: string, sorts: readonly string[]): MadeCells => ({
    A1: 'Loan ($)',
    B1: amount,
    A2: 'Sort',
    B2: sort,
    A3: 'Fee',
    B3: {
      formula: `B1*${sorts.map((one, i) => `IF(B2="${one}",${i + 1},`).join('')}9${')'.repeat(sorts.length)}`,
      result: amount * (sorts.indexOf(sort) + 1),
    },
  })
  const draftOf = async (amount: number, sort: string, sorts: readonly string[]) =>
    (await readWorksheet(await bookOf(made(amount, sort, sorts), {}, { B2: sorts }), 'Sorts')).document
  const draft = await draftOf(90_000, 'punt', ['punt', 'raft'])
  const narrowed = {
    ...draft,
    steps: draft.steps.map((step) =>
      step.kind === 'question' && step.asks === 'money' ? { ...step, most: 10_000_000 as never } : step,
    ),
  }
  const read = await draftOf(250_000, 'barge', ['punt', 'raft', 'barge'])
  const changes = changesAgain(narrowed, read, say)
  expect(changes.map(({ before, after }) => [before, after]).slice(0, 2)).toEqual([
    ['money 9000000', 'money 25000000'],
    ['choice punt', 'choice barge'],
  ])
  const now = takenOverAgain(narrowed, read, new Set(changes.map(({ id }) => id)))
  expect(compile(now, []).problems.filter(({ code }) => code !== 'NOT_USED')).toEqual([])
  expect(differing(now)).toEqual([])
})
