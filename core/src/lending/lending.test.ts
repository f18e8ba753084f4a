import { expect, test } from 'vitest'
import { amortize } from '../loan/amortize'
import { initialRepaymentPayment } from '../loan/closed-forms'
import type { GivenTerms } from '../loan/loan-terms'
import {
  knownAnswers,
  majorOf,
  minorOf,
  summaryOf,
  termsOf,
  type LedgerSummary,
  type LoanInput,
} from '../testing/known-answers'
import { affordablePrice, incomeNeeded, type Binding, type Household } from './affordability'
import { equity } from './equity'
import { insuranceFor, minimumDownPayment, premiumsByCredit } from './insurance'
import { refinance } from './refinance'

function ledgerOf(terms: GivenTerms) {
  const ledger = amortize(terms)
  if (!ledger.ok) throw new Error(`${ledger.code} ${ledger.field}`)
  return ledger
}

interface InsuranceInput extends LoanInput {
  kind: 'monthly' | 'single' | 'upfront_plus_monthly'
  value: string
  premium_percent: string
  until_ltv: string
  basis: 'original' | 'balance_yearly'
  bands: { ltv_up_to: string; premium_percent: string }[]
  upfront_percent: string
  upfront_financed: boolean
  monthly_percent: string
  monthly_until: 'life' | number | `ltv:${string}`
}
type Figures = Record<string, string | number | null> & { error?: string }

test.each(knownAnswers<InsuranceInput, Figures>('insurance'))('known answer $id', ({ input, expected }) => {
  const terms = termsOf(input)
  const value = minorOf(input.value)
  if (input.kind === 'single') {
    const bands = input.bands.map(({ ltv_up_to: loanToValueUpTo, premium_percent: percent }) => ({
      loanToValueUpTo,
      percent,
    }))
    const premium = insuranceFor(terms.principal, value, bands)
    if (expected.error) return expect(premium).toMatchObject({ ok: false, code: 'NO_ANSWER' })
    if (!premium.ok) throw new Error(premium.code)
    expect(premium.value.loanToValue.toFixed(6)).toBe(expected.ltv)
    expect(majorOf(premium.value.premium)).toBe(expected.premium)
    const ledger = ledgerOf({ ...terms, insurance: { addedPercent: premium.value.percent.toFixed() } })
    expect(majorOf(ledger.borrowed)).toBe(expected.loan_with_premium)
    expect(expected).toMatchObject(summaryOf(ledger))
    return
  }
  const until = input.monthly_until
  const ledger = ledgerOf({
    ...terms,
    insurance:
      input.kind === 'monthly'
        ? {
            yearlyPercent: input.premium_percent,
            value,
            untilLoanToValue: input.until_ltv,
            base: input.basis === 'original' ? 'original' : 'balanceYearly',
          }
        : {
            ...(input.upfront_financed ? { addedPercent: input.upfront_percent } : {}),
            yearlyPercent: input.monthly_percent,
            ...(typeof until === 'number' ? { untilPayment: until } : {}),
            ...(typeof until === 'string' && until !== 'life'
              ? { value, untilLoanToValue: until.slice(4) }
              : {}),
          },
  })
  const premiums = Array.from(ledger.columns.insurance).filter((premium) => premium > 0)
  expect(majorOf(ledger.payment)).toBe(expected.payment)
  expect(premiums).toHaveLength(Number(expected.number_of_premiums))
  expect(majorOf(ledger.totals.insurance)).toBe(
    expected.total_premium === undefined || input.kind !== 'monthly'
      ? expected.total_monthly_premiums
      : expected.total_premium,
  )
  if (input.kind === 'monthly' && premiums.length > 0) {
    expect(majorOf(premiums[0] ?? 0)).toBe(expected.first_premium)
    expect(majorOf(premiums.at(-1) ?? 0)).toBe(expected.last_premium)
    expect(majorOf(ledger.balanceAfter(premiums.length))).toBe(expected.balance_when_it_ends)
  }
})

interface AffordInput {
  solve_for: 'price' | 'income'
  price: string
  annual_income: string
  monthly_debts: string
  housing_limit: string
  debt_limit: string
  annual_rate: string
  compounds_per_year: number
  number_of_payments: number
  property_tax_percent: string
  home_insurance_yearly: string
  monthly_dues: string
  down_amount: string | null
  down_percent: string | null
  mi_percent: string
  mi_above_ltv: string
  qualifying_rate: string | null
}
const bindingOf: Record<string, Binding> = {
  housing_ratio: 'housingRatio',
  debt_ratio: 'debtRatio',
  both: 'both',
  mortgage_insurance_step: 'mortgageInsuranceStep',
}

test.each(knownAnswers<AffordInput, Figures>('affordability'))('known answer $id', ({ input, expected }) => {
  const household: Household = {
    monthlyDebts: minorOf(input.monthly_debts),
    housingLimit: input.housing_limit,
    debtLimit: input.debt_limit,
    annualRate: input.annual_rate,
    ...(input.qualifying_rate === null ? {} : { qualifyingRate: input.qualifying_rate }),
    compoundsPerYear: input.compounds_per_year,
    payments: input.number_of_payments,
    propertyTaxPercent: input.property_tax_percent,
    homeInsuranceYearly: minorOf(input.home_insurance_yearly),
    monthlyDues: minorOf(input.monthly_dues),
    down:
      input.down_percent === null
        ? { amount: minorOf(input.down_amount ?? '0') }
        : { percent: input.down_percent },
    mortgageInsurance: { percent: input.mi_percent, above: input.mi_above_ltv },
  }
  if (input.solve_for === 'income') {
    const answer = incomeNeeded(minorOf(input.price), household)
    if (expected.error) return expect(answer.ok).toBe(false)
    if (!answer.ok) throw new Error(answer.code)
    expect(majorOf(answer.annualIncome)).toBe(expected.least_annual_income)
    expect(answer.binding).toBe(bindingOf[String(expected.binding)])
    return
  }
  const answer = affordablePrice(minorOf(input.annual_income), household)
  if (expected.error) return expect(answer.ok).toBe(false)
  if (!answer.ok) throw new Error(`${answer.code} ${answer.field}`)
  expect(majorOf(answer.price)).toBe(expected.price)
  expect(majorOf(answer.loan)).toBe(expected.loan)
  expect(answer.binding).toBe(bindingOf[String(expected.binding)])
  expect(answer.housingCost.div(100).toFixed(6)).toBe(expected.housing_cost)
  expect(majorOf(answer.mortgageInsurance)).toBe(expected.mortgage_insurance_monthly)
  expect(majorOf(answer.paymentAtRate)).toBe(expected.loan_payment_at_contract_rate)
  expect(majorOf(answer.paymentAtQualifyingRate)).toBe(expected.loan_payment_at_qualifying_rate)
})

interface RefinanceInput {
  balance: string
  old_rate: string
  old_payment: string
  old_extra: string
  new_rate: string
  new_number_of_payments: number
  compounds_per_year: 2 | 12
  costs: string
  costs_financed: boolean
  new_extra: string | null
}

test.each(knownAnswers<RefinanceInput, Figures>('refinance'))('known answer $id', ({ input, expected }) => {
  const answer = refinance({
    balance: minorOf(input.balance),
    old: { annualRate: input.old_rate, payment: minorOf(input.old_payment), extra: minorOf(input.old_extra) },
    new: {
      annualRate: input.new_rate,
      payments: input.new_number_of_payments,
      extra: input.new_extra === null ? 'sameOutlay' : minorOf(input.new_extra),
    },
    compounding: input.compounds_per_year,
    costs: minorOf(input.costs),
    costsFinanced: input.costs_financed,
  })
  if (expected.error) return expect(answer.ok).toBe(false)
  if (!answer.ok) throw new Error(`${answer.code} ${answer.field}`)
  expect({
    new_principal: majorOf(answer.newPrincipal),
    new_payment: majorOf(answer.newPayment),
    new_extra: majorOf(answer.newExtra),
    outlay_matched: answer.outlayMatched,
    old_months: answer.oldLedger.count,
    new_months: answer.newLedger.count,
    old_interest: majorOf(answer.oldLedger.totals.interest),
    new_interest: majorOf(answer.newLedger.totals.interest),
    interest_saved: majorOf(answer.interestSaved),
    net_saved: majorOf(answer.netSaved),
    break_even_month: answer.breakEvenMonth ?? null,
    simple_break_even_months: answer.simpleBreakEvenMonths?.toFixed(6) ?? null,
  }).toEqual({
    ...Object.fromEntries(Object.entries(expected).filter(([name]) => name !== 'simple_break_even_month')),
  })
})

interface EquityInput extends LoanInput {
  kind: 'equity' | 'fixed_period' | 'initial_repayment'
  value: string
  growth_percent: string
  growth_mode: 'fractional' | 'whole_years'
  after_months: number
  fixed_payments: number
  fixed_months: number
  initial_repayment_percent: string
}

test.each(knownAnswers<EquityInput, Figures>('equity'))('known answer $id', ({ input, expected }) => {
  if (input.kind === 'equity') {
    const growth = input.growth_mode === 'fractional' ? 'fractional' : 'wholeYears'
    const answer = equity(
      termsOf(input),
      { value: minorOf(input.value), growthPercent: input.growth_percent, growth },
      input.after_months,
    )
    if (expected.error) return expect(answer.ok).toBe(false)
    if (!answer.ok) throw new Error(`${answer.code} ${answer.field}`)
    expect({
      value: majorOf(answer.value),
      balance: majorOf(answer.balance),
      equity: majorOf(answer.equity),
      ltv: answer.loanToValue.toFixed(6),
    }).toEqual(expected)
    return
  }
  const initial = input.kind === 'initial_repayment'
  const payment = initial
    ? initialRepaymentPayment(minorOf(input.principal), input.annual_rate, input.initial_repayment_percent)
    : undefined
  if (expected.error) return expect(payment?.ok).toBe(false)
  if (payment && !payment.ok) throw new Error(payment.code)
  const ledger = payment?.ok
    ? ledgerOf({
        principal: minorOf(input.principal),
        annualRate: input.annual_rate,
        frequency: 'monthly',
        payment: payment.value,
      })
    : ledgerOf(termsOf(input))
  const end = initial ? input.fixed_months : input.fixed_payments
  expect(majorOf(ledger.payment)).toBe(expected.payment)
  expect(majorOf(ledger.balanceAfter(end))).toBe(expected.balance_left)
  expect(majorOf(ledger.interestTo(end))).toBe(expected.interest_in_fixed_period)
  expect(majorOf(ledger.principalTo(end))).toBe(expected.principal_in_fixed_period)
  if (initial) expect(expected as unknown as LedgerSummary).toMatchObject(summaryOf(ledger))
})

test('the least down payment takes each slice of the price at its own percent', () => {
  const steps = [{ upTo: 500_000_00, percent: '5' }, { upTo: 1_500_000_00, percent: '10' }, { percent: '20' }]
  expect(minimumDownPayment(400_000_00, steps)).toMatchObject({ value: 20_000_00 })
  // 25,000 of the first half million, 10 % of the next 112,600.01.
  expect(minimumDownPayment(612_600_01, steps)).toMatchObject({ value: 36_260_01 })
  expect(minimumDownPayment(2_000_000_00, steps)).toMatchObject({ value: 225_000_00 })
  expect(minimumDownPayment(600_000_00, steps.slice(0, 1))).toMatchObject({
    code: 'TABLE_INVALID',
    details: { reason: 'GAP' },
  })
  expect(
    minimumDownPayment(1_00, [
      { upTo: 5, percent: '5' },
      { upTo: 5, percent: '6' },
    ]),
  ).toMatchObject({ code: 'TABLE_INVALID' })
})

test('premiums are found by loan-to-value and credit score, and a disordered table is refused by row', () => {
  const bands = [
    { loanToValueUpTo: '90', percent: '0.9', credit: { from: 600, to: 719 } },
    { loanToValueUpTo: '90', percent: '0.5', credit: { from: 720, to: 850 } },
    { loanToValueUpTo: '95', percent: '1.2', credit: { from: 600, to: 719 } },
  ]
  const premium = (score: number, loan = 180_000_00) => insuranceFor(loan, 200_000_00, bands, score)
  expect(premium(700)).toMatchObject({ value: { premium: 1_620_00 } })
  expect(premium(720)).toMatchObject({ value: { premium: 900_00 } })
  expect(premium(700, 190_000_00)).toMatchObject({ value: { premium: 2_280_00 } })
  expect(premium(720, 190_000_00)).toMatchObject({
    ok: false,
    code: 'NO_ANSWER',
    details: { reason: 'ABOVE_ALL_BANDS', most: '90' },
  })
  expect(premiumsByCredit(180_000_00, 200_000_00, bands)).toMatchObject({
    value: [
      { credit: { from: 600 }, premium: { premium: 1_620_00 }, difference: 0 },
      { credit: { from: 720 }, premium: { premium: 900_00 }, difference: -720_00 },
    ],
  })
  expect(premiumsByCredit(190_000_00, 200_000_00, bands)).toMatchObject({
    value: [{ difference: 0 }, { premium: undefined, difference: undefined }],
  })
  expect(premium(500)).toMatchObject({ ok: false, details: { reason: 'NO_BAND_FOR_CREDIT' } })
  expect(insuranceFor(1, 2, [bands[2], bands[0]] as typeof bands)).toMatchObject({
    code: 'TABLE_INVALID',
    field: 'bands.1',
  })
})
