import { describe, expect, test } from 'vitest'
import { compile, renameStep, runProofs, type CalculatorDocument } from '@vivid/core'
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
const documentOf = async (cells: MadeCells) => (await readWorksheet(await bookOf(cells), 'Again')).document
const differing = (document: CalculatorDocument) =>
  [...runProofs(compile(document, []), [])].flatMap(({ lines }) => lines.filter(({ agrees }) => !agrees))

test('the same worksheet again changes nothing', async () => {
  const draft = await documentOf(first)
  expect(changesAgain(draft, await documentOf(first))).toEqual([])
})

describe('a worksheet that is another now', () => {
  test('says what changed, as it had it and has it', async () => {
    const changes = changesAgain(await documentOf(first), await documentOf(second))
    expect(changes).toEqual([
      { id: 'b2', what: 'value', name: 'rate', before: '6', after: '7' },
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
    expect(changesAgain(draft, read).map(({ id }) => id)).toEqual(['b2', 'b4', 'b6', 'b5'])
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
  expect(changesAgain(draft.document, read.document)).toEqual([
    { id: 'b2', what: 'table', name: 'rate', before: '', after: '=VLOOKUP(B1,D1:E2,2,TRUE)' },
  ])
  const now = takenOverAgain(draft.document, read.document, new Set(['b2']))
  const proofs = [...runProofs(compile(now, read.sheets), read.sheets)]
  expect(proofs.every(({ agrees }) => agrees)).toBe(true)
})
