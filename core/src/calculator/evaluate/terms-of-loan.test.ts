import { expect, test } from 'vitest'
import { changed, TODAY } from '../../testing/test-document'
import { compile } from '../compile/compile'
import { isGentle } from '../compile/compile-problem'
import { evaluate } from './evaluate'

const around = { today: TODAY, sheets: [] }
const loan = changed('loan', {}).steps.find(({ id }) => id === 'loan')
if (loan?.kind !== 'loan') throw new Error('the starter has no loan')
const { terms } = loan

/** The starter's loan with terms and extras changed, and what is said of it. */
const saidOf = (fields: Record<string, unknown>) => {
  const { program, problems } = compile(changed('loan', fields), [])
  expect(problems.filter((one) => !isGentle(one))).toEqual([])
  return evaluate(program, {}, around).problems
}

const beyond = 'home price * 1000000 * 1000000'
const without = (name: keyof typeof terms) => ({ ...terms, [name]: '' })
const extra = { every: 'payment', amount: beyond, at: '', from: '', until: '' }

test.each([
  ['principal', { terms: { ...terms, principal: beyond } }],
  ['payment', { terms: { ...without('term'), payment: beyond } }],
  ['balloon', { terms: { ...terms, balloon: beyond } }],
  ['fees.financed', { terms: { ...terms, financedFees: beyond } }],
  ['fees.eachPayment', { terms: { ...terms, feeEachPayment: beyond } }],
  [
    'grace.payment',
    {
      terms: { ...terms, gracePayments: '6', gracePayment: beyond },
      options: { graceInterest: 'addedCompound' },
    },
  ],
  [
    'insurance.value',
    { terms: { ...terms, insuranceYearly: '1 %', insuranceUntil: '80 %', insuranceValue: beyond } },
  ],
  [
    'yearlyExtraLimit',
    { terms: { ...terms, yearlyExtraLimit: beyond }, extras: [{ ...extra, amount: 'home price / 1000' }] },
  ],
  ['extras.0.amount', { extras: [extra] }],
])('%s beyond all that is kept exactly is refused in words, at its field', (field, fields) => {
  expect(saidOf(fields)).toEqual([
    {
      code: 'LOAN_REFUSED',
      field: 'loan',
      refusal: { ok: false, code: 'AMOUNT_TOO_LARGE', field, details: { largest: 1e13 } },
    },
  ])
})
