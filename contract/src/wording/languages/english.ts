import type { Refusal, Stop, Value } from '@vivid/core/evaluate'
import type { Figures, Language } from '../language'
import { englishPage } from './page/english'

const shareInFull = (value: Value, f: Figures): string =>
  value.unit === 'share'
    ? `${f.moneyShort(value.money)}, which is ${f.percent(value.percent)} of the price`
    : f.value(value)

export const english: Language = {
  years: { one: '# year', other: '# years' },
  months: { one: '# month', other: '# months' },
  payments: { one: '# payment', other: '# payments' },
  every: {
    monthly: 'every month',
    semiMonthly: 'every half-month',
    biweekly: 'every two weeks',
    weekly: 'every week',
    quarterly: 'every quarter',
    halfYearly: 'every half-year',
    yearly: 'every year',
    acceleratedBiweekly: 'every two weeks, accelerated',
    acceleratedWeekly: 'every week, accelerated',
  },
  per: {
    year: 'a year',
    halfYear: 'a half-year',
    quarter: 'a quarter',
    month: 'a month',
    week: 'a week',
    payment: 'a payment',
  },
  yes: 'yes',
  no: 'no',
  ratesByTerms: 'rate',
  examples: {
    money: (f) => `an amount, like ${f.moneyShort(250_000 * 10 ** f.digits)}`,
    percent: (f) => `a percentage, like ${f.percent('4.64')}`,
    share: (f) =>
      `an amount or a percentage, like ${f.moneyShort(60_000 * 10 ** f.digits)} or ${f.percent('15')}`,
    number: () => 'a whole number, like 12',
    term: (f) => `a length of time, like ${f.term({ years: 25, months: 0 })}`,
    choice: () => 'one of the choices',
    yesNo: () => 'yes or no',
    date: () => 'a date, like 2026-11-25',
    frequency: () => 'one of the choices',
    loans: () => 'a list of loans',
  },
  bound: shareInFull,
  problems: {
    ANSWER_UNKNOWN: ({ field }) => `This calculator asks nothing called “${field}”.`,
    ANSWER_MISSING: () => 'This is needed to work out your figures.',
    ANSWER_UNREADABLE: ({ wanted }, f) => `Type ${english.examples[wanted](f)}.`,
    ANSWER_BELOW_LEAST: ({ least, missing }, f) =>
      `This can be no less than ${shareInFull(least, f)}.${missing ? ` ${f.value(missing)} more is needed.` : ''}`,
    ANSWER_ABOVE_MOST: ({ most }, f) => `This can be no more than ${shareInFull(most, f)}.`,
    ANSWER_NOT_AN_OPTION: ({ field, options }, f) =>
      `Choose one of: ${options.map((option) => f.option(field, option)).join('; ')}.`,
    SHARE_ABOVE_WHOLE: ({ whole }, f) => `This can be no more than the price itself, ${f.value(whole)}.`,
    LOANS_TOO_FEW: ({ count }, f) => `A list of at least ${f.count(count)} is needed here.`,
    LOANS_TOO_MANY: ({ count }, f) => `This list takes no more than ${f.count(count)} loans.`,
    LOAN_NEVER_REPAID: ({ least }, f) =>
      `So small a payment never repays this loan: it takes more than its interest, at least ${f.value(least)}.`,
    LOAN_REFUSED: ({ refusal }, f) => refusalSentence(refusal, f),
    STEP_STOPPED: ({ stop }, f) => stopSentence(stop, f),
  },
  periodDoubted: (value, per, fits) => `You said ${value} ${per}. Is that what it comes to ${fits}?`,
  extrasCut: (value) =>
    `${value} of the extra payments cannot be paid: the yearly limit on extras is reached.`,
  typedYears: /^y(ears?|rs?)?$/,
  typedMonths: /^m(onths?|os?|ths?)?$/,
  typedHalf: /\band a half\b/g,
  page: englishPage,
}

function refusalSentence({ code, field, details }: Refusal, f: Figures): string {
  const { least, most, reason } = details
  if (code === 'PAYMENT_TOO_SMALL' && typeof least === 'number')
    return `So small a payment never repays the loan: it takes at least ${f.money(least)}.`
  if (code === 'TERM_TOO_LONG') return 'These payments would go on for more than a hundred years.'
  if (code === 'TERM_NOT_POSITIVE') return 'The loan needs at least one payment.'
  if (code === 'AMOUNT_NEGATIVE' || code === 'AMOUNT_NOT_POSITIVE')
    return 'There is nothing to borrow: what is paid down is more than the price.'
  if (code === 'BALLOON_TOO_LARGE') return 'What is left at the end has to be less than what you borrow.'
  if (code === 'LIES_BEHIND') return 'This is planned for a day that has already passed.'
  if (code === 'LIES_AHEAD') return 'The payments made so far do not fit the day of the first payment.'
  if (code === 'RATE_TOO_HIGH') return 'That rate is higher than anything a loan is offered at.'
  if (code === 'NO_ANSWER') {
    if (reason === 'REPAYS_TOO_LITTLE' && typeof least === 'number')
      return `That payment never repays the loan: it takes at least ${f.money(least)}.`
    if (reason === 'REPAID_AT_ONCE' && typeof most === 'number')
      return `That payment repays the loan at once; try at most ${f.money(most)}.`
    if (reason === 'NOTHING_AFFORDABLE')
      return 'What you already pay each month takes up all that a lender would go along with.'
    if (reason === 'NO_PRICE_TOO_HIGH') return 'With this income no price is too high for the limits.'
    if (reason === 'TOO_SOON') return 'No extra can repay the loan that soon.'
    if (reason === 'TOO_SMALL') return 'That payment is too small for any amount.'
    if (reason === 'ABOVE_ALL_BANDS')
      return `A loan of more than ${f.percent(String(most))} of the value is not insured.`
  }
  if (field.startsWith('rateChanges')) return 'The change of rate does not fall within this loan.'
  return field.startsWith('extras')
    ? 'The extra does not fit this loan: look at its amount and its date.'
    : 'No loan can be worked out from these answers.'
}

function stopSentence(stop: Stop, f: Figures): string {
  switch (stop.code) {
    case 'NO_ROW':
      return stop.reason === 'key'
        ? `We have no rate for ${stop.keys.join(', ')}.`
        : 'We have no rates for this day yet.'
    case 'REFUSED':
      return refusalSentence(stop.refusal, f)
    case 'NO_FIGURE':
      return `There is no ${stop.figure} here.`
    case 'DIVIDED_BY_ZERO':
      return 'This cannot be worked out: something is divided by zero.'
    case 'NOT_WHOLE':
      return `A whole number is needed here, not ${stop.what}.`
    case 'TOO_LARGE':
      return 'These answers lead to figures too large to work out.'
    case 'TOO_MUCH_WORK':
      return 'This line takes more work than a page may do.'
    case 'BROKEN':
      return 'This cannot be worked out: the mistake is ours, not yours.'
    case 'WAITS':
      return 'This waits for another answer.'
  }
}
