import { workingUnits, type LoanOptions } from '@vivid/core'
import { actionWords, columnWords, rowWords, whatIfWords } from './readout-words'
import { aimTitles, compoundingWords, ladderTitles } from './term-words'

type Words<Name extends string = string> = Readonly<Record<Name, string>>

const units: Words<(typeof workingUnits)[number]> = {
  any: 'whatever the formula gives',
  money: 'an amount',
  moneyPerMonth: 'an amount a month',
  moneyPerYear: 'an amount a year',
  percent: 'a percentage',
  number: 'a number',
  count: 'a number of payments',
  term: 'a length of time',
  date: 'a date',
  yesNo: 'yes or no',
  text: 'a text',
  frequency: 'a payment frequency',
}

/** What a convention of a loan can be, in the order it is offered. */
export const loanOptionWords: Readonly<Record<keyof LoanOptions, { label: string; choices: Words }>> = {
  compounding: { label: 'The yearly rate is quoted with', choices: compoundingWords },
  due: {
    label: 'Payments fall',
    choices: { end: 'at the end of each period', start: 'at the start of each period' },
  },
  onExtra: {
    label: 'After an extra',
    choices: { shorten: 'the loan ends sooner', lower: 'the payment falls' },
  },
  dayCount: {
    label: 'Interest counts',
    choices: {
      equal: 'equal periods',
      thirtyOver365: '30-day cycles of a 365-day year',
      actual365: 'days of a 365-day year',
      actual360: 'days of a 360-day year',
      thirty360: '30-day months of a 360-day year',
    },
  },
  paymentRounding: {
    label: 'The payment is rounded',
    choices: { nearest: 'to the nearest cent', up: 'up', down: 'down' },
  },
  interestRounding: {
    label: 'Interest is rounded',
    choices: { halfUp: 'half up', halfEven: 'half to the even cent' },
  },
  graceInterest: {
    label: 'Before payments, interest',
    choices: {
      paid: 'is paid',
      none: 'is not charged',
      addedSimple: 'is added at the end',
      addedCompound: 'is added each period',
    },
  },
  insuranceBase: {
    label: 'The premium is of',
    choices: { original: 'the amount borrowed', balanceYearly: 'the balance at each year’s start' },
  },
}

/** Fields of a document that are one of a few, or some of them: what each is called, in the order they are offered. */
export const optionWords = {
  results: { live: 'follow every keystroke', onButton: 'wait for a button' },
  per: {
    '': 'once',
    month: 'a month',
    year: 'a year',
    quarter: 'a quarter',
    halfYear: 'a half-year',
    week: 'a week',
  },
  counts: { things: 'anything', payments: 'payments' },
  precision: { day: 'a day', month: 'a month' },
  whenHidden: { default: 'its default', nothing: 'nothing' },
  gives: {
    name: 'its name, to be compared in formulas',
    money: 'an amount',
    percent: 'a percentage',
    number: 'a number',
    term: 'a length of time',
  },
  unit: units,
  rounded: { '': 'not rounded', nearest: 'to the nearest', up: 'up to the next', down: 'down to the last' },
  compounding: compoundingWords,
  every: { payment: 'with every payment', year: 'once a year', once: 'once' },
  keep: { term: 'the end: the payment changes', payment: 'the payment: the end changes' },
  affordable: { price: 'the highest price', income: 'the least income' },
  find: aimTitles,
  over: ladderTitles,
  chart: {
    balance: 'what is owed over time',
    yearly: 'interest and principal by year',
    ladder: 'a ladder',
    refinance: 'a loan kept and the new one, with what matters when',
    limits: 'what income allows',
  },
  by: { year: 'by year, opening to each payment', payment: 'by payment' },
  columns: columnWords,
  rows: rowWords,
  actions: actionWords,
  offers: whatIfWords,
} as const satisfies Readonly<Record<string, Words>>

/** Words as choices of a list. */
export const choicesOf = (words: Words) => Object.entries(words).map(([value, label]) => ({ value, label }))
