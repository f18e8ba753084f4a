import { Stopped, type Computed, type FigureSet, type LoanRun } from '../../formula/computed'
import { asDecimal } from '../../formula/evaluate-expression'
import { affordablePrice, incomeNeeded, type Binding, type Household } from '../../lending/affordability'
import { equity } from '../../lending/equity'
import { refinance } from '../../lending/refinance'
import type { Ledger } from '../../loan/ledger'
import type { LoanTerms } from '../../loan/loan-terms'
import { isoDate, type PlainDate } from '../../dates/plain-date'
import { Decimal, ceilingOf } from '../../money/decimal'
import { minor } from '../../money/minor'
import { roundDecimal } from '../../money/rounding'
import { factsOf } from '../../rates/frequency'
import type { Refusal } from '../../guards/refusal'
import { aim, type Aim, type DownPayment } from '../../search/aim'
import type { StepOf } from '../document/steps'
import { lengthOf } from './loan-figures'
import { firstPaymentFrom, given } from './terms-of-loan'
import { percentText, type TermsReader } from './terms-reader'

const figureSet = (figures: Record<string, Computed | undefined>): FigureSet => ({ kind: 'figures', figures })
const amount = (minor: number) => new Decimal(minor)

function accepted<T extends { readonly ok: true }>(result: T | Refusal): T {
  if (!result.ok) throw new Stopped({ code: 'REFUSED', refusal: result })
  return result
}

/** A down payment as a percentage of the price, or as an amount. */
function downPaymentOf(terms: TermsReader): DownPayment {
  const given = terms.raw('terms.downPayment')
  return given?.unit.is === 'percent'
    ? { percent: terms.percent('terms.downPayment') ?? '0' }
    : { amount: terms.whole('terms.downPayment') ?? 0 }
}

const limitWords: Readonly<Record<Binding, string>> = {
  housingRatio: 'housing',
  debtRatio: 'debts',
  both: 'both',
  mortgageInsuranceStep: 'insurance',
}

/** The highest price, or the least income, with what housing costs a month and both shares of income. */
export function affordabilityFigures(step: StepOf<'affordability'>, terms: TermsReader): FigureSet {
  const annualRate = terms.percent('terms.annualRate') ?? '0'
  const insurance = terms.percent('terms.insuranceRate')
  const household: Household = {
    monthlyDebts: terms.whole('terms.monthlyDebts') ?? 0,
    housingLimit: terms.percent('terms.housingLimit') ?? '0',
    debtLimit: terms.percent('terms.debtLimit') ?? '0',
    annualRate,
    ...given({
      qualifyingRate: terms.percent('terms.qualifyingRate'),
      roundTo: terms.whole('terms.roundTo'),
    }),
    compoundsPerYear: step.compounding === 'perPayment' ? 12 : step.compounding,
    payments: terms.whole('terms.term') ?? 0,
    propertyTaxPercent: terms.percent('terms.propertyTax') ?? '0',
    homeInsuranceYearly: terms.whole('terms.homeInsurance') ?? 0,
    monthlyDues: terms.whole('terms.dues') ?? 0,
    down: downPaymentOf(terms),
    ...(insurance === undefined
      ? {}
      : { mortgageInsurance: { percent: insurance, above: terms.percent('terms.insuranceAbove') ?? '0' } }),
  }
  const found =
    step.find === 'income'
      ? accepted(incomeNeeded(terms.whole('terms.price') ?? 0, household))
      : accepted(affordablePrice(terms.whole('terms.income') ?? 0, household))
  const income = 'annualIncome' in found ? found.annualIncome : (terms.whole('terms.income') ?? 0)
  const { price } = found
  const tax = roundDecimal(new Decimal(household.propertyTaxPercent).times(price).div(1200))
  const homeInsurance = roundDecimal(new Decimal(household.homeInsuranceYearly).div(12))
  // What is shown together adds up as it is shown: the whole is the sum of its rounded parts.
  const besidesLoan = found.mortgageInsurance + tax + homeInsurance + household.monthlyDues
  return figureSet({
    price: amount(price),
    'down payment': amount(found.downPayment),
    loan: amount(found.loan),
    payment: amount(found.paymentAtRate),
    'qualifying payment': amount(found.paymentAtQualifyingRate),
    'mortgage insurance': amount(found.mortgageInsurance),
    'property tax': amount(tax),
    'home insurance': amount(homeInsurance),
    dues: amount(household.monthlyDues),
    'monthly costs': amount(found.paymentAtRate + besidesLoan),
    'housing costs': amount(found.paymentAtQualifyingRate + besidesLoan),
    'housing share': found.ratios.housing,
    'debt share': found.ratios.debt,
    'housing limit': new Decimal(household.housingLimit),
    'debt limit': new Decimal(household.debtLimit),
    income: amount(income),
    limit: limitWords[found.binding],
  })
}

/** Keeping a loan against replacing it, with a verdict for how long the visitor means to stay. */
export function refinanceFigures(step: StepOf<'refinance'>, terms: TermsReader, today: PlainDate): FigureSet {
  const oldExtra = terms.whole('terms.oldExtra')
  const newExtra = terms.yes('terms.sameOutlay') ? ('sameOutlay' as const) : terms.whole('terms.newExtra')
  const oldPayment = terms.whole('terms.oldPayment') ?? 0
  const months = terms.whole('terms.newTerm') ?? 0
  const costs = terms.whole('terms.costs') ?? 0
  const financed = terms.yes('terms.costsAdded') ?? false
  const result = accepted(
    refinance({
      balance: terms.whole('terms.balance') ?? 0,
      old: {
        annualRate: terms.percent('terms.oldRate') ?? '0',
        payment: oldPayment,
        ...given({ extra: oldExtra }),
      },
      new: {
        annualRate: terms.percent('terms.newRate') ?? '0',
        payments: months,
        ...given({ extra: newExtra }),
      },
      compounding: step.compounding,
      costs,
      costsFinanced: financed,
      ...firstPaymentFrom(today, 'monthly', 1),
    }),
  )
  const longest = Math.max(result.oldLedger.count, result.newLedger.count)
  const asked = terms.whole('terms.stay')
  const stay = Math.min(longest, asked ?? longest)
  const saved = result.netSavedAfter(stay)
  const [kept, replaced] = [result.oldLedger.interestTo(stay), result.newLedger.interestTo(stay) + costs]
  return figureSet({
    'new loan': {
      ...loanOf(result.newLedger, result.newTerms, today),
      principal: result.newPrincipal,
      ...(!financed && costs > 0 && { paidAtStart: minor(costs) }),
    },
    'old loan': loanOf(result.oldLedger, result.oldTerms, today),
    'amount borrowed': amount(result.newPrincipal),
    payment: amount(result.newPayment),
    'payment now': amount(oldPayment),
    'payment change': amount(result.newPayment - oldPayment),
    extra: amount(result.newExtra),
    'interest saved': amount(result.interestSaved),
    'net saving': amount(result.netSaved),
    'saving over the stay': amount(saved),
    'cost over the stay now': amount(kept),
    'cost over the stay new': amount(replaced),
    'months to recover costs':
      result.breakEvenMonth === undefined ? undefined : new Decimal(result.breakEvenMonth),
    'months to recover by payment': result.simpleBreakEvenMonths && ceilingOf(result.simpleBreakEvenMonths),
    'saves until': result.savesUntilMonth === undefined ? undefined : new Decimal(result.savesUntilMonth),
    stay: asked === undefined ? undefined : new Decimal(asked),
    verdict: verdictOf(saved, stay, result.breakEvenMonth),
    'saves at first': saved < 0 && result.breakEvenMonth !== undefined && result.breakEvenMonth <= stay,
  })
}

function verdictOf(saved: number, stay: number, breakEven: number | undefined): string {
  if (saved > 0) return 'saves'
  if (saved === 0) return 'same'
  return breakEven !== undefined && breakEven > stay ? 'stay longer' : 'costs'
}

const loanOf = (ledger: Ledger, terms: LoanTerms, today: PlainDate): LoanRun => ({
  kind: 'loan',
  agreedOn: isoDate(today),
  principal: minor(terms.principal),
  frequency: terms.frequency,
  terms,
  ledger,
})

/** What a home is worth then, what is owed on it, and what is the owner's. */
export function equityFigures(run: LoanRun, terms: TermsReader): FigureSet {
  const value = terms.whole('terms.value') ?? 0
  const months = terms.whole('terms.after') ?? 0
  if (!run.terms) return figureSet({ value: amount(value), balance: amount(0), equity: amount(value) })
  const result = accepted(
    equity(run.terms, { value, growthPercent: terms.percent('terms.growth') ?? '0' }, months),
  )
  return figureSet({
    value: amount(result.value),
    balance: amount(result.balance),
    equity: amount(result.equity),
    'loan to value': result.loanToValue,
    'interest paid': amount(result.interestPaid),
    'interest share': result.interestShare,
  })
}

/** Works backwards from a wanted figure on the other terms of a loan; see `aim`. */
export function aimFigures(step: StepOf<'aim'>, base: LoanTerms, terms: TermsReader): FigureSet {
  const answer = accepted(aim(askedOf(step, base, terms)))
  const { ledger } = answer
  const isAmount = step.find !== 'rate' && step.find !== 'term'
  return figureSet({
    amount: isAmount ? amount(answer.value) : undefined,
    rate: step.find === 'rate' ? new Decimal(answer.value) : undefined,
    payments: ledger && amount(ledger.count),
    length: ledger && lengthOf(ledger.count, base.frequency),
    payment: ledger && amount(ledger.payment),
    'total interest': ledger && amount(ledger.totals.interest),
  })
}

function askedOf({ find }: StepOf<'aim'>, base: LoanTerms, terms: TermsReader): Aim {
  const payment = terms.whole('terms.payment') ?? 0
  switch (find) {
    case 'price':
      return { find, terms: base, payment, down: downPaymentOf(terms) }
    case 'downPayment':
      return { find, terms: base, payment, price: terms.whole('terms.price') ?? 0 }
    case 'amount':
    case 'rate':
    case 'balloon':
      return { find, terms: base, payment }
    case 'term': {
      const { term: _, ...others } = base
      return { find, terms: { ...others, payment } }
    }
    case 'extra':
      return { find, terms: base, finishWithin: withinOf(terms, base) }
  }
}

/** How many payments a loan may take: given as such, or those that fall within a length of time. */
function withinOf(terms: TermsReader, { frequency }: LoanTerms): number {
  const within = terms.whole('terms.within') ?? 0
  if (terms.raw('terms.within')?.unit.is !== 'term') return within
  return Math.floor((within * factsOf(frequency).perYear) / 12)
}

export const ratesOf = (list: readonly Computed[]): string[] =>
  list.map((rate) => percentText(asDecimal(rate)))
