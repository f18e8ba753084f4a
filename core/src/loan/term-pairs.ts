import { pairRules, type PairRule } from './pair-rules'

/**
 * Two settings of a loan that touch, and what holds where both are given. `refused` and `needed`: see `pairRules`; the
 * refusal names both. `said`: one governs, and the ledger says so or the words here do. `done`: both hold.
 */
export interface TermPair {
  readonly settings: readonly [string, string]
  readonly holds: PairRule['holds'] | 'said' | 'done'
  readonly says: string
}

/** Why settings do not go together, or what is missing, by the two of them. */
const reasons: Readonly<Record<string, string>> = {
  'compounding / dayCount': 'A day count makes interest of days; no compounding is quoted beside it.',
  'due / dayCount': 'Days are counted up to a payment; one made at the start has none behind it.',
  'frequency / dayCount':
    'A month of 30 days has no whole weeks: payments by the week are counted by their dates.',
  'paymentBasis / dayCount': 'The level payment from each period’s own days needs days that are counted.',
  'paymentBasis / payment': 'A given payment is not worked out.',
  'paymentBasis / frequency': 'An accelerated payment is part of the monthly one.',
  'paymentBasis / onExtra': 'A payment lowered after an extra is level at the nominal rate.',
  'start / dayCount': 'With equal periods the first is as long as the others.',
  'start / firstPayment': 'Interest runs from the start to a first payment that has a date.',
  'anchorDay / frequency': 'Payments by the week fall on a day of the week.',
  'anchorDay / firstPayment':
    'The first payment falls on that day, on the other of two, or on its month’s last.',
  'grace / due': 'A grace time ends with a period; payments at the start begin with one.',
  'settleAtTerm / payment': 'The last payment settles what a given payment left.',
  'settleAtTerm / term': 'The last payment of a term settles.',
  'onExtra / payment': 'A payment can fall only towards an agreed end; with a given payment the end follows.',
  'onExtra / frequency': 'An accelerated loan has no agreed end to lower the payment towards.',
  'insurance.base / insurance.yearlyPercent': 'What the yearly percent is of needs the percent.',
  'insurance.untilLoanToValue / insurance.yearlyPercent': 'Only premiums with payments end.',
  'insurance.untilPayment / insurance.yearlyPercent': 'Only premiums with payments end.',
  'rateChanges.keep / paymentBasis': 'A payment made level again is level at the nominal rate.',
  'grace.payment / grace.interest': 'Where the interest is paid, that is the payment.',
  'onExtra / rateChanges.keep':
    'A change that keeps the payment moves the end, so that there is none to lower it towards.',
  'rateChanges.keep / frequency': 'An accelerated loan has no agreed end to keep.',
  'rateChanges.keep / payment':
    'With a given payment there is no agreed end to keep, unless it settles at the term.',
  'extras.at / extras.every': 'What goes with every payment goes with each.',
  'extras.from / extras.every': 'What is paid once has one time.',
  'extras.until / extras.every': 'What is paid once has one time.',
}

export const reasonOf = ({ settings: [a, b] }: PairRule): string => reasons[`${a} / ${b}`] ?? ''

const said = (a: string, b: string, says: string): TermPair => ({ settings: [a, b], holds: 'said', says })
const done = (a: string, b: string, says: string): TermPair => ({ settings: [a, b], holds: 'done', says })

/** All pairs of terms that touch: the table of docs/methods.md. Apart from the rules, so that no visitor fetches words. */
export const termPairs: readonly TermPair[] = [
  ...pairRules.map((rule) => ({ settings: rule.settings, holds: rule.holds, says: reasonOf(rule) })),
  said(
    'grace.rounding',
    'grace.interest',
    'Only simple interest that nobody pays meanwhile can be rounded once at the end; all other interest is rounded each period.',
  ),
  said(
    'term',
    'payment',
    'The payment governs and the number of payments follows; `ledger.governedBy` says so. With `settleAtTerm` both hold.',
  ),
  said(
    'rounding.payment',
    'payment',
    'A given payment is whole already; payments made level later are rounded.',
  ),
  said('yearlyExtraLimit', 'extras', 'What the limit keeps from being paid is in `ledger.extrasCutByLimit`.'),
  said('onExtra', 'extras', 'Without extras there is nothing to follow from one.'),
  done('insurance.untilLoanToValue', 'insurance.untilPayment', 'Premiums end with whichever comes first.'),
  done(
    'balloon',
    'due',
    'With payments at the start the balloon falls due one period after the last of them.',
  ),
  done(
    'balloon',
    'payment',
    'Payments go on until no more than the balloon is owed; with `settleAtTerm` to the term’s end.',
  ),
  done(
    'balloon',
    'extras',
    'Extras reach down to the balloon, which stays owed to the end; payments then are the interest.',
  ),
  done('balloon', 'grace', 'A grace time leaves the balloon owed too.'),
  done(
    'alreadyPaid',
    'extras',
    'Extras come after the payments made; one planned for before is refused (`LIES_BEHIND`).',
  ),
  done('alreadyPaid', 'rateChanges', 'A change behind the payments made is part of how they were made.'),
  done('alreadyPaid', 'grace', 'Payments made are counted from the first row, those of a grace time too.'),
  done('grace', 'payment', 'A given payment begins when the grace time is over.'),
  done(
    'grace',
    'rateChanges',
    'In a grace time a change moves the rate; the payment after it is worked out at that rate.',
  ),
  done(
    'grace',
    'extras',
    'An extra in a grace time with rows is paid with its payment; one for today before interest is added.',
  ),
  done('rateChanges', 'dayCount', 'Each period’s days at the rate of its time.'),
  done(
    'frequency',
    'rounding.payment',
    'An accelerated payment is half or a quarter of the monthly payment as it was rounded, to the nearest minor unit.',
  ),
  done(
    'fees.financed',
    'insurance.addedPercent',
    'Both are added to the loan; the premium is of the amount borrowed alone.',
  ),
]
