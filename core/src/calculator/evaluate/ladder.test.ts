import { expect, test } from 'vitest'
import { amortize } from '../../loan/amortize'
import { changed, TODAY, withSteps } from '../../testing/test-document'
import { compile } from '../compile/compile'
import type { CalculatorDocument } from '../document/document'
import { readout, t } from '../starters/build'
import { evaluate } from './evaluate'

const run = (document: CalculatorDocument) =>
  evaluate(compile(document, []).program, { homePrice: 400_000_00 }, { today: TODAY, sheets: [] })
const document = (downPayments: string) =>
  withSteps(
    {
      kind: 'ladder',
      id: 'downs',
      name: 'down payments',
      over: 'downPayments',
      loan: 'loan',
      terms: { price: 'home price', downPayments },
    },
    { ...readout('table', 'table', t('By down payment', 'Selon la mise')), shows: 'ladder', ladder: 'downs' },
  )
const rungsOf = (downPayments: string) => {
  const { readouts, problems } = run(document(downPayments))
  expect(problems).toEqual([])
  const found = readouts.find(({ id }) => id === 'table')
  return found?.shows === 'ladder' ? found : undefined
}
const paymentOf = (principal: number) => {
  const ledger = amortize({
    principal,
    annualRate: '4.64',
    compounding: 2,
    frequency: 'monthly',
    term: { years: 25 },
  })
  return ledger.ok ? ledger.payment : undefined
}

test.each([
  ['[5, 10, 20]', [20_000_00, 40_000_00, 80_000_00]],
  ['[as money(25000), down payment]', [25_000_00, 60_000_00]],
  ['[0]', [0]],
])('a ladder over down payments %s is of what each leaves to borrow', (listed, downs) => {
  const found = rungsOf(listed)
  expect(found?.over).toBe('downPayments')
  expect(found?.rungs.map(({ amount, principal, payment }) => [amount, principal, payment])).toEqual(
    downs.map((down) => [down, 400_000_00 - down, paymentOf(400_000_00 - down)]),
  )
})

test('a down payment of the whole price leaves nothing to borrow, and says so', () => {
  expect(run(document('[20, 100]')).problems).toMatchObject([
    { code: 'LOAN_REFUSED', field: 'downs', refusal: { code: 'AMOUNT_NOT_POSITIVE' } },
  ])
})

test('without a price, or down payments, there is something to mend', () => {
  const { problems } = compile(
    changed('downs', { terms: { price: '', downPayments: '' } }, document('[5]')),
    [],
  )
  expect(problems.filter(({ step }) => step === 'downs').map(({ code, field }) => [code, field])).toEqual([
    ['FORMULA_EMPTY', 'terms.downPayments'],
    ['FORMULA_EMPTY', 'terms.price'],
  ])
})
