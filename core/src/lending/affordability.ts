import { Decimal, leastOf, greatestOf, power } from '../money/decimal'
import { LARGEST_AMOUNT, LARGEST_BALANCE, minor, type Minor } from '../money/minor'
import { roundDecimal, roundToMultiple } from '../money/rounding'
import { fractionToDecimal } from '../money/fraction'
import { readRate } from '../rates/percent'
import { periodicRate } from '../rates/periodic-rate'
import type { Checked, Refusal } from '../guards/refusal'
import { accept, refuse } from '../guards/refusal'
import { unknownDown } from '../loan/amount-to-borrow'
import { unknownName } from '../guards/known-names'
import { readAmount, readCount } from '../money/read-amount'
import { greatestWhole } from '../search/bisect'

/** What a purchase costs a household each month, and what lenders allow. Amounts are minor units, percents texts. */
export interface Household {
  readonly monthlyDebts: number
  /** Housing costs, and all debts, as a share of gross income, percent. */
  readonly housingLimit: string
  readonly debtLimit: string
  readonly annualRate: string
  /** The rate the limits are tested at; default: the rate itself. */
  readonly qualifyingRate?: string
  readonly compoundsPerYear: number
  /** Months. */
  readonly payments: number
  /** Yearly, percent of the price. */
  readonly propertyTaxPercent: string
  readonly homeInsuranceYearly: number
  readonly monthlyDues: number
  readonly down: { readonly amount: number } | { readonly percent: string }
  /** Mortgage insurance, yearly percent of the whole loan, where it is more than `above` percent of the price. */
  readonly mortgageInsurance?: { readonly percent: string; readonly above: string }
  /** The price is rounded down, the income up, to a multiple of this, minor units, and all else follows from that. Default 1. */
  readonly roundTo?: number
}

export type Binding = 'housingRatio' | 'debtRatio' | 'both' | 'mortgageInsuranceStep'

/** What a price comes to a month, and what share of an income that takes. */
interface CostsAtPrice {
  readonly price: Minor
  readonly downPayment: Minor
  readonly loan: Minor
  /** What housing costs a month at the qualifying rate, unrounded minor units. */
  readonly housingCost: Decimal
  readonly mortgageInsurance: Minor
  readonly paymentAtRate: Minor
  readonly paymentAtQualifyingRate: Minor
  /** Housing costs, and with all debts, as percent of income. */
  readonly ratios: { readonly housing: Decimal; readonly debt: Decimal }
}

export interface Affordable extends CostsAtPrice {
  readonly ok: true
  readonly binding: Binding
  /** The monthly limit that binds, unrounded minor units. */
  readonly budget: Decimal
}

interface Costs {
  readonly terms: Household
  readonly debts: Decimal
  readonly limits: { readonly housing: Decimal; readonly debt: Decimal }
  loanOf(price: number): Decimal
  insuranceOf(price: number): Decimal
  /** All housing costs of a month at the qualifying rate, unrounded. */
  housingOf(price: number): Decimal
  readonly factor: { readonly atRate: Decimal; readonly qualifying: Decimal }
  readonly roundTo: number
}

/**
 * The highest price, in whole minor units, at which housing costs and all debts stay within their shares of income.
 * Nothing is rounded on the way. The cost rises with the price and jumps where mortgage insurance sets in; where the
 * budget falls into that jump the last price without insurance is the answer (`mortgageInsuranceStep`).
 * Refuses where nothing is affordable or no price is too high (`NO_ANSWER`).
 */
export function affordablePrice(annualIncome: number, household: Household): Affordable | Refusal {
  const income = readAmount(annualIncome, 'annualIncome')
  if (!income.ok) return income
  const costs = costsOf(household)
  if (!costs.ok) return costs
  const { limits, debts, housingOf, insuranceOf, roundTo } = costs.value
  const monthly = new Decimal(annualIncome).div(12)
  const [housingBudget, debtBudget] = [
    monthly.times(limits.housing).div(100),
    monthly.times(limits.debt).div(100).minus(debts),
  ]
  const budget = leastOf(housingBudget, debtBudget)
  const passes = (price: number) => housingOf(price).lessThanOrEqualTo(budget)
  if (!passes(1)) return refuse('NO_ANSWER', 'annualIncome', { reason: 'NOTHING_AFFORDABLE' })
  const highest = greatestWhole(1, LARGEST_AMOUNT, passes) ?? 0
  if (highest === LARGEST_AMOUNT) return refuse('NO_ANSWER', 'annualIncome', { reason: 'NO_PRICE_TOO_HIGH' })
  const price = highest - (highest % roundTo)
  if (price === 0) return refuse('NO_ANSWER', 'annualIncome', { reason: 'NOTHING_AFFORDABLE' })
  const jumps = insuranceOf(highest).isZero() && !insuranceOf(highest + 1).isZero()
  return {
    ok: true,
    binding: jumps ? 'mortgageInsuranceStep' : bindingOf(housingBudget, debtBudget),
    budget,
    ...costsAt(price, monthly, costs.value),
  }
}

function costsAt(
  price: number,
  monthlyIncome: Decimal,
  { debts, housingOf, loanOf, insuranceOf, factor }: Costs,
): CostsAtPrice {
  const loan = loanOf(price)
  const housingCost = housingOf(price)
  const shareOf = (cost: Decimal) => cost.times(100).div(monthlyIncome)
  return {
    price: minor(price),
    downPayment: minor(price - roundDecimal(loan)),
    loan: roundDecimal(loan),
    housingCost,
    mortgageInsurance: roundDecimal(insuranceOf(price)),
    paymentAtRate: roundDecimal(factor.atRate.times(loan)),
    paymentAtQualifyingRate: roundDecimal(factor.qualifying.times(loan)),
    ratios: { housing: shareOf(housingCost), debt: shareOf(housingCost.plus(debts)) },
  }
}

const bindingOf = (housing: Decimal, debt: Decimal): Exclude<Binding, 'mortgageInsuranceStep'> =>
  housing.equals(debt) ? 'both' : housing.lessThan(debt) ? 'housingRatio' : 'debtRatio'

export interface IncomeNeeded extends CostsAtPrice {
  readonly ok: true
  /** Least yearly income, rounded up. */
  readonly annualIncome: Minor
  readonly binding: Exclude<Binding, 'mortgageInsuranceStep'>
}

/** The least yearly income that qualifies for a price, and the ratio that asks for the most. */
export function incomeNeeded(price: number, household: Household): IncomeNeeded | Refusal {
  const whole = readAmount(price, 'price')
  if (!whole.ok) return whole
  const costs = costsOf(household)
  if (!costs.ok) return costs
  const { housingOf, limits, debts, roundTo } = costs.value
  const housingCost = housingOf(price)
  const [byHousing, byDebt] = [
    housingCost.times(1200).div(limits.housing),
    housingCost.plus(debts).times(1200).div(limits.debt),
  ]
  const most = greatestOf(byHousing, byDebt)
  if (most.greaterThan(LARGEST_BALANCE))
    return refuse('AMOUNT_TOO_LARGE', 'price', { largest: LARGEST_BALANCE })
  if (most.isZero()) return refuse('NO_ANSWER', 'price', { reason: 'NOTHING_TO_PAY' })
  const income = roundToMultiple(most, new Decimal(roundTo), 'up')
  return {
    ok: true,
    annualIncome: minor(income.toNumber()),
    binding: bindingOf(byDebt, byHousing),
    ...costsAt(price, income.div(12), costs.value),
  }
}

const HOUSEHOLD = `monthlyDebts housingLimit debtLimit annualRate qualifyingRate compoundsPerYear payments propertyTaxPercent
  homeInsuranceYearly monthlyDues down mortgageInsurance roundTo`

function costsOf(terms: Household): Checked<Costs> {
  const unknown =
    unknownName(terms, HOUSEHOLD) ??
    (terms.mortgageInsurance !== undefined
      ? unknownName(terms.mortgageInsurance, 'percent above', 'mortgageInsurance')
      : undefined)
  if (unknown) return unknown
  const amounts: Record<string, Decimal> = {}
  for (const name of ['monthlyDebts', 'homeInsuranceYearly', 'monthlyDues'] as const) {
    const amount = readAmount(terms[name], name, 'zero allowed')
    if (!amount.ok) return amount
    amounts[name] = new Decimal(amount.value)
  }
  const percents: Record<string, Decimal> = {}
  const { mortgageInsurance = { percent: '0', above: '100' }, qualifyingRate = terms.annualRate } = terms
  const asked = {
    housingLimit: terms.housingLimit,
    debtLimit: terms.debtLimit,
    propertyTaxPercent: terms.propertyTaxPercent,
    'mortgageInsurance.percent': mortgageInsurance.percent,
    'mortgageInsurance.above': mortgageInsurance.above,
  }
  for (const [name, text] of Object.entries(asked)) {
    const percent = readRate(text, name)
    if (!percent.ok) return percent
    percents[name] = percent.value
  }
  const part = (name: string) => percents[name] ?? new Decimal(0)
  for (const name of ['housingLimit', 'debtLimit']) {
    if (part(name).isZero() || part(name).greaterThan(100))
      return refuse('OUT_OF_RANGE', name, { least: 0, most: 100 })
  }
  const atRate = paymentFactor(terms.annualRate, 'annualRate', terms)
  if (!atRate.ok) return atRate
  const qualifying = paymentFactor(qualifyingRate, 'qualifyingRate', terms)
  if (!qualifying.ok) return qualifying
  const down = readDown(terms.down)
  if (!down.ok) return down
  const roundTo = readAmount(terms.roundTo ?? 1, 'roundTo')
  if (!roundTo.ok) return roundTo

  const loanOf = (price: number) => greatestOf(new Decimal(0), down.value(price))
  const insuranceOf = (price: number) => {
    const loan = loanOf(price)
    const isAbove = loan.times(100).greaterThan(part('mortgageInsurance.above').times(price))
    return isAbove ? loan.times(part('mortgageInsurance.percent')).div(1200) : new Decimal(0)
  }
  const fixed = (amounts.homeInsuranceYearly ?? new Decimal(0)).div(12).plus(amounts.monthlyDues ?? 0)
  return accept({
    terms,
    debts: amounts.monthlyDebts ?? new Decimal(0),
    limits: { housing: part('housingLimit'), debt: part('debtLimit') },
    loanOf,
    insuranceOf,
    roundTo: roundTo.value,
    factor: { atRate: atRate.value, qualifying: qualifying.value },
    housingOf: (price) =>
      loanOf(price)
        .times(qualifying.value)
        .plus(part('propertyTaxPercent').times(price).div(1200))
        .plus(fixed)
        .plus(insuranceOf(price)),
  })
}

/** The loan behind a price, unrounded. */
function readDown(down: Household['down']): Checked<(price: number) => Decimal> {
  const unknown = unknownDown(down)
  if (unknown) return unknown
  if ('amount' in down) {
    const amount = readAmount(down.amount, 'down.amount', 'zero allowed')
    return amount.ok ? accept((price) => new Decimal(price).minus(amount.value)) : amount
  }
  const percent = readRate(down.percent, 'down.percent')
  if (!percent.ok) return percent
  if (percent.value.greaterThan(100)) return refuse('OUT_OF_RANGE', 'down.percent', { least: 0, most: 100 })
  return accept((price) => new Decimal(100).minus(percent.value).times(price).div(100))
}

/** The monthly payment of one minor unit borrowed, unrounded. */
function paymentFactor(
  annualRate: string,
  field: string,
  { compoundsPerYear, payments }: Household,
): Checked<Decimal> {
  const rate = periodicRate({ annualRate, compoundsPerYear, paymentsPerYear: 12 })
  if (!rate.ok) return { ...rate, field: rate.field === 'annualRate' ? field : rate.field }
  const count = readCount(payments, 'payments', 1, 1200)
  if (!count.ok) return count
  const r = fractionToDecimal(rate.value.exact)
  return accept(
    r.isZero() ? new Decimal(1).div(payments) : r.div(new Decimal(1).minus(power(r.plus(1), -payments))),
  )
}
