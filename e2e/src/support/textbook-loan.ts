import { Decimal as Shared } from 'decimal.js'

const D = Shared.clone({ precision: 60, rounding: Shared.ROUND_HALF_UP })

/** A loan as a textbook has it: amounts in dollars, the rate in percent. */
export interface TextbookLoan {
  readonly principal: string
  readonly ratePercent: string
  readonly compoundsPerYear: number
  readonly paymentsPerYear: number
  readonly payments: number
}

/**
 * The payment and one row of the schedule, worked out here from the annuity formula and a plain ledger, with
 * nothing of the product's: what the screens show is held against it.
 */
export function textbookLoan({
  principal,
  ratePercent,
  compoundsPerYear,
  paymentsPerYear,
  payments,
}: TextbookLoan) {
  const rate = new D(ratePercent)
    .div(100 * compoundsPerYear)
    .plus(1)
    .pow(new D(compoundsPerYear).div(paymentsPerYear))
    .minus(1)
  const cents = (value: Shared) => value.toDecimalPlaces(2)
  const payment = rate.isZero()
    ? cents(new D(principal).div(payments))
    : cents(new D(principal).times(rate).div(new D(1).minus(rate.plus(1).pow(-payments))))
  const rows: { interest: string; principal: string; closing: string }[] = []
  let [balance, totalInterest] = [new D(principal), new D(0)]
  for (let k = 1; k <= payments; k++) {
    const interest = cents(balance.times(rate))
    const repaid = k === payments ? balance : payment.minus(interest)
    balance = balance.minus(repaid)
    totalInterest = totalInterest.plus(interest)
    rows.push({ interest: dollars(interest), principal: dollars(repaid), closing: dollars(balance) })
  }
  return { payment: dollars(payment), totalInterest: dollars(totalInterest), row: (k: number) => rows[k - 1] }
}

/** "$1,118.20" */
function dollars(value: Shared): string {
  const [whole = '', part = ''] = value.toFixed(2).split('.')
  return `$${whole.replace(/\B(?=(\d{3})+$)/g, ',')}.${part}`
}
