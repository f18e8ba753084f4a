import { expect, test } from 'vitest'
import { compile } from '../compile/compile'
import type { CalculatorDocument } from '../document/document'
import { plainOf, proofFromNow, runProofs } from './proofs'
import { insuredPurchase } from '../starters/insured-purchase'
import { addedPremiums } from '../starters/sheets'

const sheets = [addedPremiums]
const withProof = (
  expected: CalculatorDocument['proofs'][number]['expected'],
  answers = {},
  on = '2026-11-25',
) => ({
  ...insuredPurchase(),
  proofs: [{ id: 'p', name: 'p', answers, on, expected }],
})
const run = (document: CalculatorDocument) => [...runProofs(compile(document, sheets), sheets)][0]

test('a figure that differs says by how much, and which workings lie between', () => {
  const result = run(withProof([{ of: 'the loan.payment', figure: '2812.43', tolerance: '0.02' }]))
  expect(result?.agrees).toBe(false)
  expect(result?.lines[0]).toMatchObject({
    expected: '2812.43',
    got: '2812.40',
    difference: '-0.03',
    agrees: false,
  })
  expect(result?.lines[0]?.between.map(({ step }) => step)).toEqual([
    'leastDown',
    'baseLoan',
    'loanToValue',
    'premiumRate',
    'premium',
    'premiumBorrowed',
    'loan',
  ])
})

test('within the tolerance it agrees, at it too', () => {
  expect(run(withProof([{ of: 'the loan.payment', figure: '2812.43', tolerance: '0.03' }]))?.agrees).toBe(
    true,
  )
})

test('dates, texts and numbers of payments are held to the letter', () => {
  expect(
    run(
      withProof([
        { of: 'the loan.end date', figure: '2051-11-25', tolerance: '0' },
        { of: 'the loan.payments', figure: '300', tolerance: '0' },
      ]),
    )?.agrees,
  ).toBe(true)
  expect(run(withProof([{ of: 'the loan.end date', figure: '2051-11-26', tolerance: '5' }]))?.agrees).toBe(
    false,
  )
})

test('a proof holds on its own day, with the rates of that day', () => {
  const early = run(
    withProof([{ of: 'insurance premium', figure: '15066.00', tolerance: '0' }], {}, '2025-06-01'),
  )
  expect(early).toMatchObject({
    agrees: false,
    lines: [{ got: undefined }],
    problems: [{ code: 'STEP_STOPPED', field: 'premiumRate' }],
  })
})

test('answers that do not fit, and a formula with a slip, disagree and never throw', () => {
  expect(
    run(withProof([{ of: 'the loan.payment', figure: '1', tolerance: '0' }], { rate: 'high' })),
  ).toMatchObject({ agrees: false, problems: [{ field: 'rate' }] })
  const document = withProof([{ of: 'the lone.payment', figure: '1', tolerance: '0' }])
  expect(run(document)).toMatchObject({ agrees: false })
  expect(compile(document, sheets).problems).toContainEqual(
    expect.objectContaining({ code: 'NAME_UNKNOWN', field: 'proofs.p.0' }),
  )
})

test('a proof made from the present values agrees with itself', () => {
  const document = insuredPurchase()
  const of = ['the loan.payment', 'loan to value', 'the loan.end date', 'insurance premium']
  const asked = compile(
    {
      ...document,
      proofs: [
        {
          id: 'x',
          name: 'x',
          answers: {},
          on: '2026-11-25',
          expected: of.map((one) => ({ of: one, figure: '', tolerance: '0' })),
        },
      ],
    },
    sheets,
  )
  const made = proofFromNow(
    asked,
    asked.proofs[0]?.formulas ?? [],
    { id: 'now', name: 'now', answers: { homePrice: 600_000_00 }, of, on: '2026-11-25' },
    sheets,
  )
  expect(made.expected.map(({ figure }) => figure)).toEqual(['3124.88', '90', '2051-11-25', '16740.00'])
  expect(run({ ...document, proofs: [made] })?.agrees).toBe(true)
})

test('a value is written in its own unit', () => {
  expect(plainOf({ unit: 'money', money: 5 as never, exact: '0.0512' }, 2)).toBe('0.0512')
  expect(plainOf({ unit: 'money', money: 1234 as never }, 0)).toBe('1234')
  expect(plainOf({ unit: 'term', years: 2, months: 3 }, 2)).toBe('27')
  expect(plainOf({ unit: 'yesNo', yes: true }, 2)).toBe('yes')
})

test('a list of figures agrees where each does; the first that differs is said, with its place', () => {
  const of = 'for k in 1..3 return balance after(the loan, k) / as money(1)'
  const got = run(withProof([{ of, figure: ['0', '0', '0'], tolerance: '0' }]))?.lines[0]
  expect(got).toMatchObject({ agrees: false, list: { count: 3, place: 1 } })
  const first = got?.got ?? ''
  const next = run(withProof([{ of, figure: [first, '0', '0'], tolerance: '0' }]))?.lines[0]
  expect(next).toMatchObject({ agrees: false, list: { count: 3, place: 2 }, expected: '0' })
  const third = run(withProof([{ of, figure: [first, next?.got ?? '', '0'], tolerance: '0' }]))?.lines[0]
  const all = [first, next?.got ?? '', third?.got ?? '']
  expect(run(withProof([{ of, figure: all, tolerance: '0' }]))).toMatchObject({
    agrees: true,
    lines: [{ list: { count: 3, place: 3 } }],
  })
  for (const figure of [all.slice(0, 2), [...all, '0']])
    expect(run(withProof([{ of, figure, tolerance: '0' }]))?.agrees).toBe(false)
})

test('a figure that is all but nothing agrees with nothing, within the tolerance', () => {
  const of = '(1 / 3) * 3 - 1'
  expect(run(withProof([{ of, figure: '0', tolerance: '0.000001' }]))?.agrees).toBe(true)
  expect(
    run(withProof([{ of: '(1 + 1 / 3) ** 2 - 16 / 9', figure: '0', tolerance: '0.000001' }]))?.agrees,
  ).toBe(true)
})
