import type { Wanted } from '../../formula/unit'

/** One term of a composite step: what it takes, and whether the step can do without it. */
export interface TermFacts {
  readonly takes: Wanted
  readonly required?: true
}

const money = { is: 'money' } as const satisfies Wanted
const anyMoney = { is: 'money', per: 'any' } as const satisfies Wanted
const monthly = { is: 'money', per: 'month' } as const satisfies Wanted
const percent = { is: 'percent' } as const satisfies Wanted
const smallPercent = { is: 'percent', often: 'small' } as const satisfies Wanted
const count = { is: 'count' } as const satisfies Wanted
const years = { is: 'years' } as const satisfies Wanted
const moneyOrPercent = { is: 'oneOf', of: [{ is: 'percent' }, { is: 'money' }] } as const satisfies Wanted

/** The terms of a loan, named as in the ledger's interface; every one a formula. */
export const loanTerms = {
  principal: { takes: money, required: true },
  annualRate: { takes: percent, required: true },
  frequency: { takes: { is: 'frequency' }, required: true },
  term: { takes: years },
  payments: { takes: count },
  payment: { takes: anyMoney },
  balloon: { takes: money },
  firstPayment: { takes: { is: 'date' } },
  alreadyPaid: { takes: count },
  financedFees: { takes: money },
  feeEachPayment: { takes: anyMoney },
  yearlyExtraLimit: { takes: money },
  /** A number of periods, or a length of time. */
  gracePayments: { takes: { is: 'oneOf', of: [count, { is: 'term' }] } },
  gracePayment: { takes: anyMoney },
  /** Whether the interest of that time is paid as it arises, whatever the step's own choice. */
  gracePaid: { takes: { is: 'yesNo' } },
  insuranceAdded: { takes: smallPercent },
  insuranceYearly: { takes: smallPercent },
  insuranceValue: { takes: money },
  insuranceUntil: { takes: percent },
  initialRepayment: { takes: smallPercent },
} as const satisfies Record<string, TermFacts>

/** What a purchase costs a household and what a lender allows: see `affordablePrice` and `incomeNeeded`. */
export const affordabilityTerms = {
  income: { takes: { is: 'money', per: 'year' } },
  price: { takes: money },
  monthlyDebts: { takes: monthly },
  housingLimit: { takes: percent, required: true },
  debtLimit: { takes: percent, required: true },
  annualRate: { takes: percent, required: true },
  qualifyingRate: { takes: percent },
  term: { takes: years, required: true },
  propertyTax: { takes: smallPercent },
  homeInsurance: { takes: { is: 'money', per: 'year' } },
  dues: { takes: monthly },
  downPayment: { takes: moneyOrPercent, required: true },
  insuranceRate: { takes: smallPercent },
  insuranceAbove: { takes: percent },
  roundTo: { takes: anyMoney },
} as const satisfies Record<string, TermFacts>

export const refinanceTerms = {
  balance: { takes: money, required: true },
  oldRate: { takes: percent, required: true },
  oldPayment: { takes: anyMoney, required: true },
  oldExtra: { takes: anyMoney },
  newRate: { takes: percent, required: true },
  newTerm: { takes: years, required: true },
  newExtra: { takes: anyMoney },
  costs: { takes: money },
  costsAdded: { takes: { is: 'yesNo' } },
  sameOutlay: { takes: { is: 'yesNo' } },
  stay: { takes: years },
} as const satisfies Record<string, TermFacts>

export const equityTerms = {
  value: { takes: money, required: true },
  growth: { takes: smallPercent, required: true },
  after: { takes: years, required: true },
} as const satisfies Record<string, TermFacts>

/** What is paid besides, and which loan gets it: see `payOff`. */
export const payOffTerms = {
  extra: { takes: monthly },
  order: { takes: { is: 'text' } },
} as const satisfies Record<string, TermFacts>

export const aimTerms = {
  payment: { takes: anyMoney },
  within: { takes: { is: 'oneOf', of: [{ is: 'term' }, { is: 'count' }] } },
  price: { takes: money },
  downPayment: { takes: moneyOrPercent },
} as const satisfies Record<string, TermFacts>

/** What each aim needs to be told. */
export const aimNeeds = {
  price: ['payment', 'downPayment'],
  amount: ['payment'],
  downPayment: ['payment', 'price'],
  rate: ['payment'],
  term: ['payment'],
  extra: ['within'],
  balloon: ['payment'],
} as const satisfies Record<string, readonly (keyof typeof aimTerms)[]>

export const ladderTerms = {
  rates: { takes: { is: 'list', of: percent } },
  lengths: { takes: { is: 'list', of: years } },
  extras: { takes: { is: 'list', of: money } },
  amounts: { takes: { is: 'list', of: money } },
  downPayments: { takes: { is: 'list', of: moneyOrPercent } },
  price: { takes: money },
  recurring: { takes: { is: 'list', of: anyMoney } },
  numbers: { takes: { is: 'list', of: { is: 'number' } } },
  counts: { takes: { is: 'list', of: count } },
  dates: { takes: { is: 'list', of: { is: 'date' } } },
} as const satisfies Record<string, TermFacts>

export const ladderNeeds = {
  rates: ['rates'],
  terms: ['lengths'],
  extras: ['extras'],
  amounts: ['amounts'],
  downPayments: ['price', 'downPayments'],
  ratesByTerms: ['rates', 'lengths'],
  /** Depends on the question: see `answersOfLadder`. */
  answer: [],
} as const satisfies Record<string, readonly (keyof typeof ladderTerms)[]>
