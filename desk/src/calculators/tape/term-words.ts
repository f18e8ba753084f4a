import type { StepOf } from '@vivid/core'

type Words = readonly [label: string, empty: string]

/** What each term of a composite step is called, and what leaving it empty means. */
export const loanWords: Record<keyof StepOf<'loan'>['terms'] & string, Words> = {
  principal: ['Amount borrowed', ''],
  annualRate: ['Rate a year', ''],
  frequency: ['Paid how often', ''],
  term: ['Over a length of time', 'given otherwise'],
  payments: ['Or over a number of payments', 'given by the length'],
  payment: ['Or with a payment of', 'follows from the length'],
  initialRepayment: ['Or with an initial repayment a year of', 'not quoted that way'],
  balloon: ['Left at the end', 'nothing'],
  firstPayment: ['First payment on', 'one period from today'],
  alreadyPaid: ['Payments made so far', 'none'],
  financedFees: ['Fees added to the loan', 'none'],
  feeEachPayment: ['Fee with each payment', 'none'],
  yearlyExtraLimit: ['Extras a year at most', 'no limit'],
  gracePayments: ['Time before regular payments', 'none'],
  gracePayment: ['Paid in each of them', 'nothing'],
  gracePaid: ['Interest of that time is paid', 'as chosen below'],
  insuranceAdded: ['Premium added to the loan, percent', 'none'],
  insuranceYearly: ['Premium with payments, percent a year', 'none'],
  insuranceValue: ['Value of the home', 'not needed'],
  insuranceUntil: ['Premium ends when so much of the value is owed', 'never'],
}

export const affordabilityWords: Record<keyof StepOf<'affordability'>['terms'] & string, Words> = {
  income: ['Income a year', ''],
  price: ['Price', ''],
  monthlyDebts: ['Other debts a month', 'none'],
  housingLimit: ['Housing may take, of income', ''],
  debtLimit: ['All debts may take, of income', ''],
  annualRate: ['Rate a year', ''],
  qualifyingRate: ['Limits are tested at', 'the rate itself'],
  term: ['Over', ''],
  propertyTax: ['Property tax a year, of the price', 'none'],
  homeInsurance: ['Home insurance a year', 'none'],
  dues: ['Dues a month', 'none'],
  downPayment: ['Down payment, amount or percent', ''],
  insuranceRate: ['Mortgage insurance a year, of the loan', 'none'],
  roundTo: ['Round the result to', 'the smallest coin'],
  insuranceAbove: ['Insured where more is borrowed than', '0 % of the price'],
}

export const refinanceWords: Record<keyof StepOf<'refinance'>['terms'] & string, Words> = {
  balance: ['Owed now', ''],
  oldRate: ['Rate now', ''],
  oldPayment: ['Payment now, a month', ''],
  oldExtra: ['Extra now, a month', 'none'],
  newRate: ['New rate', ''],
  newTerm: ['New length', ''],
  newExtra: ['New extra, a month', 'none'],
  costs: ['Costs of changing', 'none'],
  costsAdded: ['Costs are added to the loan', 'no'],
  sameOutlay: ['Pay as much as now', 'no'],
  stay: ['Time the visitor stays', 'to the end'],
}

export const equityWords: Record<keyof StepOf<'equity'>['terms'] & string, Words> = {
  value: ['Value today', ''],
  growth: ['Grows a year by', ''],
  after: ['After', ''],
}

export const aimWords: Record<keyof StepOf<'aim'>['terms'] & string, Words> = {
  payment: ['Wanted payment', ''],
  within: ['To finish within', ''],
  price: ['Price', ''],
  downPayment: ['Down payment, amount or percent', ''],
}

export const ladderWords: Record<keyof StepOf<'ladder'>['terms'] & string, Words> = {
  rates: ['Rates', ''],
  lengths: ['Lengths', ''],
  extras: ['Extras with each payment', ''],
  amounts: ['Amounts', ''],
  downPayments: ['Down payments, amounts or percents', ''],
  price: ['Of the price', ''],
  recurring: ['Amounts', ''],
  numbers: ['Numbers', ''],
  counts: ['Numbers of payments', ''],
  dates: ['Days', ''],
}

export const payOffWords: Record<keyof StepOf<'payOff'>['terms'] & string, Words> = {
  extra: ['Extra a month, over all payments', 'none'],
  order: ['Goes first to: “dearest”, “smallest” or “own”', 'the dearest'],
}

/** What each term is called, by the kind of step it is of. */
export const termWords: Readonly<Record<string, Readonly<Record<string, Words>>>> = {
  loan: loanWords,
  affordability: affordabilityWords,
  refinance: refinanceWords,
  equity: equityWords,
  aim: aimWords,
  ladder: ladderWords,
  payOff: payOffWords,
}

/** The terms of a loan in the groups they are looked for in. */
export const loanGroups: readonly {
  readonly title: string
  readonly terms: readonly (keyof StepOf<'loan'>['terms'] & string)[]
}[] = [
  { title: 'Agreed', terms: ['principal', 'annualRate', 'frequency', 'term'] },
  { title: 'How long, said otherwise', terms: ['payments', 'payment', 'initialRepayment', 'balloon'] },
  {
    title: 'Dates and fees',
    terms: ['firstPayment', 'alreadyPaid', 'financedFees', 'feeEachPayment', 'yearlyExtraLimit'],
  },
  { title: 'A time before payments', terms: ['gracePayments', 'gracePayment', 'gracePaid'] },
  {
    title: 'Mortgage insurance',
    terms: ['insuranceAdded', 'insuranceYearly', 'insuranceValue', 'insuranceUntil'],
  },
]

export const aimTitles: Readonly<Record<StepOf<'aim'>['find'], string>> = {
  price: 'the price a payment carries',
  amount: 'the amount a payment carries',
  downPayment: 'the down payment that reaches a payment',
  rate: 'the rate behind a payment',
  term: 'how long a payment takes',
  extra: 'the extra that finishes in time',
  balloon: 'the amount left at the end for a payment',
}

export const ladderTitles: Readonly<Record<StepOf<'ladder'>['over'], string>> = {
  rates: 'rates',
  terms: 'lengths',
  extras: 'extras',
  amounts: 'amounts',
  downPayments: 'down payments',
  ratesByTerms: 'rates by lengths',
  answer: 'answers to a question',
}

export const compoundingWords: Readonly<Record<string, string>> = {
  perPayment: 'compounding with each payment',
  1: 'yearly compounding',
  2: 'half-yearly compounding',
  4: 'quarterly compounding',
  12: 'monthly compounding',
  365: 'daily compounding',
}
