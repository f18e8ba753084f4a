import type { CalculatorDocument, LoanOptions } from '@vivid/core'

type Proofs = CalculatorDocument['proofs']
type Answers = Proofs[number]['answers']

/** What the lender's own system gives for a loan: payment, interest in all, number of payments. */
const known = (
  name: string,
  [homePrice, downPayment, years, rate, frequency]: readonly [
    price: number,
    down: Answers[string],
    years: number,
    rate: string,
    frequency: string,
  ],
  [payment, interest, count]: readonly [payment: string, interest: string, payments: string],
): Proofs[number] => ({
  id: name.replace(/\W+(\w)/g, (_, first: string) => first.toUpperCase()),
  name,
  answers: { homePrice, downPayment, term: { years, months: 0 }, rate, frequency },
  on: '2026-11-25',
  expected: [
    { of: 'the loan.payment', figure: payment, tolerance: '0' },
    { of: 'the loan.total interest', figure: interest, tolerance: '0' },
    { of: 'the loan.payments', figure: count, tolerance: '0' },
  ],
})

/** Worked out apart from the core: the annuity formula with 80 digits, then payment by payment, each interest to the cent. */
export const proofsOf = {
  floatingHome: [
    known(
      'first home every two weeks',
      [412_600_00, { percent: '15' }, 25, '4.64', 'biweekly'],
      ['907.59', '239225.25', '650'],
    ),
    known(
      'dearer home monthly',
      [500_000_00, { money: 100_000_00 }, 25, '5.2', 'monthly'],
      ['2372.17', '311650.93', '300'],
    ),
  ],
  narrowboat: (compounding: LoanOptions['compounding']) => [
    known(
      'second-hand boat',
      [86_500_00, { percent: '20' }, 12, '7.9', 'monthly'],
      compounding === 1 ? ['735.00', '36639.95', '144'] : ['745.27', '38118.40', '144'],
    ),
  ],
  houseboat: [
    known(
      'family houseboat',
      [48_50_000_00, { percent: '20' }, 15, '9.25', 'monthly'],
      ['39932.66', '3307879.23', '180'],
    ),
  ],
  teahouse: [
    known(
      'pier-side teahouse',
      [38_000_000, { percent: '20' }, 25, '1.35', 'monthly'],
      ['119450', '5434935', '300'],
    ),
  ],
  boathouse: [
    known(
      'boathouse monthly',
      [268_000_00, { percent: '20' }, 25, '5.15', 'monthly'],
      ['1265.33', '165199.92', '300'],
    ),
  ],
  winterBerth: [
    known(
      'berth over 15 years',
      [74_000_00, { percent: '20' }, 15, '6.4', 'monthly'],
      ['509.74', '32552.03', '180'],
    ),
  ],
  harbourHome: [
    known(
      'home on the water',
      [1_500_000_00, { percent: '25' }, 20, '5.1', 'monthly'],
      ['7486.79', '671829.73', '240'],
    ),
  ],
}
