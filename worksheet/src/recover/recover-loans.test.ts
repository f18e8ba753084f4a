import { describe, expect, test } from 'vitest'
import { figuresOf, readWorksheet, type Way } from '..'
import { bookOf, type MadeCells } from '../testing/books'

const MONEY = '"$"#,##0.00'
const PERCENT = '0.00%'

async function draftOf(
  cells: MadeCells,
  formats: Readonly<Record<string, string>> = {},
  way: Way = 'worksheet',
) {
  const draft = await readWorksheet(await bookOf(cells, formats), 'Tried', way)
  const loans = draft.document.steps.flatMap((step) => (step.kind === 'loan' ? [step] : []))
  const got = Object.fromEntries(figuresOf(draft).map((figure) => [figure.cell.slice(2), figure.got]))
  return { draft, loans, got }
}

const payment = (principal: number, rate: number, count: number) =>
  (principal * rate) / (1 - (1 + rate) ** -count)
const cents = (value: number) => Math.round(value * 100) / 100

const own: MadeCells = { A1: 'Loan', B1: 90_000, A2: 'Rate', B2: 0.08, A3: 'Years', B3: 10 }
const formats = { B1: MONEY, B2: PERCENT }
const asked = { principal: 'loan', annualRate: 'rate', term: 'term' }

describe('what a payment rests on is one loan', () => {
  test.each<[string, MadeCells, object, object]>([
    [
      'a rate divided in one cell, years times 12 in another',
      { A4: 'r', B4: '=B2/12', A5: 'n', B5: '=B3*12', A6: 'Payment', B6: '=PMT(B4,B5,B1)' },
      { ...asked, frequency: '"monthly"' },
      {},
    ],
    ['all in one', { A4: 'Payment', B4: '=PMT(B2/12,B3*12,-B1)' }, { ...asked, frequency: '"monthly"' }, {}],
    ['four a year', { A4: 'Payment', B4: '=-PMT(B2/4,4*B3,B1)' }, { ...asked, frequency: '"quarterly"' }, {}],
    [
      'twice a month',
      { A4: 'Payment', B4: '=-PMT(B2/24,B3*24,B1)' },
      { ...asked, frequency: '"twice a month"' },
      {},
    ],
    [
      'every two weeks',
      { A4: 'Payment', B4: '=-PMT(B2/26,B3*26,B1)' },
      { ...asked, frequency: '"every two weeks"' },
      {},
    ],
    ['weekly', { A4: 'Payment', B4: '=-PMT(B2/52,B3*52,B1)' }, { ...asked, frequency: '"weekly"' }, {}],
    [
      'compounded half-yearly',
      { A4: 'r', B4: '=(1+B2/2)^(2/26)-1', A5: 'Payment', B5: '=-PMT(B4,B3*26,B1)' },
      { ...asked, frequency: '"every two weeks"' },
      { compounding: 2 },
    ],
    [
      'an effective rate',
      { A4: 'r', B4: '=(1+B2)^(1/12)-1', A5: 'Payment', B5: '=-PMT(B4,B3*12,B1)' },
      { ...asked, frequency: '"monthly"' },
      { compounding: 1 },
    ],
    [
      'the textbook’s annuity',
      { A4: 'Payment', B4: '=B1*(B2/12)/(1-(1+B2/12)^(-B3*12))' },
      { ...asked, frequency: '"monthly"' },
      {},
    ],
    [
      'the same the other way up',
      { A4: 'Payment', B4: '=B1*(B2/12*(1+B2/12)^(B3*12))/((1+B2/12)^(B3*12)-1)' },
      { ...asked, frequency: '"monthly"' },
      {},
    ],
    [
      'POWER',
      { A4: 'Payment', B4: '=B1*B2/12/(1-POWER(1+B2/12,-12*B3))' },
      { ...asked, frequency: '"monthly"' },
      {},
    ],
    [
      'payments at the start',
      { A4: 'Payment', B4: '=PMT(B2/12,B3*12,-B1,0,1)' },
      { ...asked, frequency: '"monthly"' },
      { due: 'start' },
    ],
    [
      'an amount left at the end',
      { A4: 'Left ($)', B4: 20_000, A5: 'Payment', B5: '=PMT(B2/12,B3*12,-B1,B4)' },
      { ...asked, frequency: '"monthly"', balloon: 'left' },
      {},
    ],
    [
      'a rate rounded to six places',
      { A4: 'r', B4: '=ROUND(B2/12,6)', A5: 'Payment', B5: '=B1*B4/(1-(1+B4)^(-B3*12))' },
      { ...asked, frequency: '"monthly"' },
      {},
    ],
    [
      'interest of one payment, and no payment',
      { A4: 'Interest', B4: '=-IPMT(B2/12,7,B3*12,B1)' },
      { ...asked, frequency: '"monthly"' },
      {},
    ],
  ])('%s', async (_, cells, terms, options) => {
    const { loans } = await draftOf({ ...own, ...cells }, formats)
    expect(loans).toMatchObject([{ terms, options }])
    expect(Object.keys(loans[0]?.options ?? {})).toEqual(Object.keys(options))
  })

  test('how often a year is read from its cell, whatever that says', async () => {
    const { loans, draft } = await draftOf(
      { ...own, A4: 'Payments per year', B4: 26, A5: 'Payment', B5: '=-PMT(B2/B4,B3*B4,B1)' },
      formats,
      'ledger',
    )
    expect(loans).toHaveLength(1)
    for (const perYear of [12, 26, 4]) {
      const [figure] = figuresOf(draft, { 'S!B4': perYear })
      expect(figure?.got).toBe(cents(payment(90_000, 0.08 / perYear, 10 * perYear)))
    }
  })

  test('a figure of the same size that has nothing to do with it is not taken for its term', async () => {
    // Ten years, ten people: only the years go into the payment.
    const { loans } = await draftOf(
      { ...own, A4: 'People', B4: 10, A5: 'Payment', B5: '=PMT(B2/12,B3*12,-B1)', A6: 'Each', B6: '=B5/B4' },
      formats,
    )
    expect(loans).toMatchObject([{ terms: asked }])
  })

  test('a payment that no loan explains stays a working', async () => {
    const { loans, got } = await draftOf({ ...own, A4: 'Grown', B4: '=B1*(1+B2)^B3' }, formats)
    expect(loans).toEqual([])
    expect(got.B4).toBeCloseTo(90_000 * 1.08 ** 10, 5)
  })
})

describe('to the cent, as a ledger does', () => {
  test('payment, total and interest are the ledger’s', async () => {
    const { got } = await draftOf(
      {
        ...own,
        A4: 'Payment',
        B4: '=PMT(B2/12,B3*12,-B1)',
        A5: 'Paid',
        B5: '=B4*B3*12',
        A6: 'Interest',
        B6: '=B5-B1',
      },
      formats,
      'ledger',
    )
    // 120 payments of 1091.95, the last one whatever is left: worked out row by row.
    let [owed, paid] = [9_000_000, 0]
    for (let k = 1; k <= 120; k++) {
      const interest = Math.round((owed * 0.08) / 12)
      const now = k === 120 ? owed + interest : 109_195
      owed += interest - now
      paid += now
    }
    expect(got).toEqual({ B4: 1091.95, B5: paid / 100, B6: (paid - 9_000_000) / 100 })
  })

  test('what is paid on top is an extra of the same loan; how many payments is a whole number', async () => {
    const cells = {
      ...own,
      A4: 'Payment',
      B4: '=PMT(B2/12,B3*12,-B1)',
      A5: 'Extra ($)',
      B5: 150,
      A6: 'Payments',
      B6: '=NPER(B2/12,-(B4+B5),B1)',
      A7: 'Saved',
      B7: '=(B4*B3*12-B1)-((B4+B5)*B6-B1)',
    }
    const { loans, got } = await draftOf(cells, formats, 'ledger')
    expect(loans).toMatchObject([
      { terms: asked, extras: null },
      { terms: asked, extras: [{ amount: 'extra', every: 'payment' }] },
    ])
    expect(got.B6).toBe(Math.ceil(Math.log(1241.95 / (1241.95 - 600)) / Math.log(1 + 0.08 / 12)))
    expect(got.B7).toBe(cents(got.B7 as number))
  })

  test('a logarithm written out, over a rate that is typed for its month', async () => {
    const cells = {
      A1: 'Owed ($)',
      B1: 15_000,
      A2: 'Monthly rate',
      B2: 0.015,
      A3: 'Paid each month ($)',
      B3: 400,
      A4: 'Months',
      B4: '=-LN(1-B1*B2/B3)/LN(1+B2)',
      A5: 'Interest',
      B5: '=B3*B4-B1',
    }
    const { loans, got } = await draftOf(cells, { B2: PERCENT }, 'ledger')
    expect(loans).toMatchObject([
      { terms: { principal: 'owed', frequency: '"monthly"', payment: 'paid each month' } },
    ])
    expect(got.B4).toBe(56)
    expect(got.B5).toBe(cents(got.B5 as number))
  })

  test('a lump sum over the remaining term is a second loan on what is left', async () => {
    const cells = {
      ...own,
      A4: 'Payment',
      B4: '=-PMT(B2/12,B3*12,B1)',
      A5: 'Years paid',
      B5: 3,
      A6: 'Owed then',
      B6: '=-FV(B2/12,B5*12,-B4,B1)',
      A7: 'Lump sum ($)',
      B7: 5_000,
      A8: 'New payment',
      B8: '=-PMT(B2/12,(B3-B5)*12,B6-B7)',
    }
    const { loans, got } = await draftOf(cells, formats, 'ledger')
    expect(loans).toHaveLength(2)
    const [owed, next] = [got.B6 as number, got.B8 as number]
    expect([owed, next]).toEqual([cents(owed), cents(next)])
    expect(next).toBe(cents(payment(owed - 5_000, 0.08 / 12, 84)))
  })

  test('parts of payments', async () => {
    const cells = {
      ...own,
      A4: 'Look at payment',
      B4: 7,
      A5: 'Interest in it',
      B5: '=-IPMT(B2/12,B4,B3*12,B1)',
      A6: 'Principal in it',
      B6: '=-PPMT(B2/12,B4,B3*12,B1)',
      A7: 'Interest so far',
      B7: '=-CUMIPMT(B2/12,B3*12,B1,1,B4,0)',
    }
    const { got } = await draftOf(cells, formats, 'ledger')
    for (const address of ['B5', 'B6', 'B7']) expect(got[address]).toBe(cents(got[address] as number))
    expect((got.B5 as number) + (got.B6 as number)).toBeCloseTo(1091.95, 8)
  })

  test('a loan whose amount follows from its payment stays what the payment repays', async () => {
    const { loans, got } = await draftOf(
      {
        A1: 'Paid each month ($)',
        B1: 900,
        A2: 'Rate',
        B2: 0.055,
        A3: 'Years',
        B3: 25,
        A4: 'You can borrow',
        B4: '=PV(B2/12,B3*12,-B1)',
      },
      { B2: PERCENT },
      'ledger',
    )
    expect(loans).toMatchObject([{ terms: { principal: 'as money(you can borrow)' } }])
    expect(got.B4).toBeCloseTo((900 * (1 - (1 + 0.055 / 12) ** -300)) / (0.055 / 12), 6)
  })
})

test.each<[string, string, Readonly<Record<string, number>>, number]>([
  ['a rate that is another above a length', 'IF(B3>15,B4,B2)', { 'S!B3': 20, 'S!B4': 0.09 }, 0.09],
  ['a rate that is another below an amount', 'IF(B1<40000,B4,B2)', { 'S!B1': 30_000, 'S!B4': 0.09 }, 0.09],
])('%s is no level rate, however the two are now', async (_, rate, answers, isThen) => {
  const cells = {
    ...{ A1: 'Loan', B1: 90_000, A2: 'Rate', B2: 0.08, A3: 'Years', B3: 10, A4: 'Other rate', B4: 0.08 },
    ...{
      A5: 'Payment',
      B5: { formula: `-PMT(${rate}/12,B3*12,B1)`, result: payment(90_000, 0.08 / 12, 120) },
    },
  }
  const { draft } = await draftOf(cells, { B1: MONEY, B2: PERCENT, B4: PERCENT }, 'ledger')
  const principal = answers['S!B1'] ?? 90_000
  const wanted = payment(principal, isThen / 12, (answers['S!B3'] ?? 10) * 12)
  const got = figuresOf(draft, answers).find(({ cell }) => cell === 'S!B5')?.got
  expect(Math.abs(Number(got) - wanted)).toBeLessThan(0.006)
})
