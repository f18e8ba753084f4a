import { isObject } from '../money/read-amount'
import { factsOf, frequencies } from '../rates/frequency'
import { dayCounts, type DayCount } from '../rates/day-count'
import { daysInMonth, readIsoDate } from '../dates/plain-date'
import type { Extra, LoanTerms, RateChange } from './terms'

/**
 * Two settings of a loan that touch, and what holds where both are given. `refused`: they mean nothing together, and the
 * refusal names both. `needed`: the first says nothing without the second. `said`: one governs, and the ledger says so or
 * the words here do. `done`: both hold.
 */
export interface TermPair {
  readonly settings: readonly [string, string]
  readonly holds: 'refused' | 'needed' | 'said' | 'done'
  readonly says: string
  /** For `refused` and `needed`: the two settings by their full paths where these terms break the rule. */
  readonly broken?: (terms: LoanTerms) => readonly [string, string] | undefined
}

type Broken = NonNullable<TermPair['broken']>
const rule = (
  holds: 'refused' | 'needed',
  a: string,
  b: string,
  says: string,
  test: (terms: LoanTerms) => boolean,
): TermPair => ({
  settings: [a, b],
  holds,
  says,
  broken: (terms) => (test(terms) ? [a, b] : undefined),
})
const refused = (a: string, b: string, says: string, test: (terms: LoanTerms) => boolean) =>
  rule('refused', a, b, says, test)
const needed = (a: string, b: string, says: string, test: (terms: LoanTerms) => boolean) =>
  rule('needed', a, b, says, test)
const said = (a: string, b: string, says: string): TermPair => ({ settings: [a, b], holds: 'said', says })
const done = (a: string, b: string, says: string): TermPair => ({ settings: [a, b], holds: 'done', says })

const every = (terms: LoanTerms) => frequencies[terms.frequency].every
const isAccelerated = ({ frequency }: LoanTerms) => factsOf(frequency).monthlyPaymentOver !== undefined
const hasDays = ({ dayCount = 'equal' }: LoanTerms) => dayCount !== 'equal'
const hasExtras = ({ extras }: LoanTerms) => Array.isArray(extras) && extras.length > 0
const lowers = (terms: LoanTerms) => terms.onExtra === 'lower' && hasExtras(terms)
const isGivenAlone = ({ payment, settleAtTerm }: LoanTerms) => payment !== undefined && !settleAtTerm
const changes = ({ rateChanges }: LoanTerms): readonly RateChange[] =>
  Array.isArray(rateChanges) ? (rateChanges as readonly RateChange[]).filter(isObject) : []
const keeps = (terms: LoanTerms, what: RateChange['keep']) => changes(terms).some(({ keep }) => keep === what)

/** The first change that keeps the end although nothing agreed on it before. */
const keepsNoEnd: (against: string, test: (terms: LoanTerms) => boolean) => Broken =
  (against, test) => (terms) => {
    const at = changes(terms).findIndex(({ keep }) => keep === 'term')
    return at !== -1 && test(terms) ? [`rateChanges.${at}.keep`, against] : undefined
  }

const extraWith = (test: (extra: Extra) => string | undefined): Broken => {
  return ({ extras }) => {
    if (!Array.isArray(extras)) return undefined
    for (const [i, extra] of (extras as readonly Extra[]).entries()) {
      const field = isObject(extra) ? test(extra) : undefined
      if (field !== undefined) return [`extras.${i}.${field}`, `extras.${i}.every`]
    }
    return undefined
  }
}

/** Whether the first payment can fall on the anchor day: it does, or its month is too short for it. */
function fitsAnchor({ anchorDay, firstPayment }: LoanTerms): boolean {
  const first = readIsoDate(String(firstPayment))
  return !first || !anchorDay || first.day === Math.min(anchorDay, daysInMonth(first.year, first.month))
}

const isThirty = (dayCount: DayCount) =>
  Object.hasOwn(dayCounts, dayCount) && dayCounts[dayCount].counts === 'thirty'

/** All pairs of terms that touch: the table of docs/methods.md, and the one place that refuses a mix. */
export const termPairs: readonly TermPair[] = [
  refused(
    'compounding',
    'dayCount',
    'A day count makes interest of days; no compounding is quoted beside it.',
    (t) => hasDays(t) && (t.compounding ?? 'perPayment') !== 'perPayment',
  ),
  refused(
    'due',
    'dayCount',
    'Days are counted up to a payment; one made at the start has none behind it.',
    (t) => hasDays(t) && t.due === 'start',
  ),
  refused(
    'frequency',
    'dayCount',
    'A month of 30 days has no whole weeks: payments by the week are counted by their dates.',
    (t) => isThirty(t.dayCount ?? 'equal') && 'days' in every(t),
  ),
  needed(
    'paymentBasis',
    'dayCount',
    'The level payment from each period’s own days needs days that are counted.',
    (t) => t.paymentBasis === 'exactDays' && !hasDays(t),
  ),
  refused(
    'paymentBasis',
    'payment',
    'A given payment is not worked out.',
    (t) => t.paymentBasis === 'exactDays' && t.payment !== undefined,
  ),
  refused(
    'paymentBasis',
    'frequency',
    'An accelerated payment is part of the monthly one.',
    (t) => t.paymentBasis === 'exactDays' && isAccelerated(t),
  ),
  refused(
    'paymentBasis',
    'onExtra',
    'A payment lowered after an extra is level at the nominal rate.',
    (t) => t.paymentBasis === 'exactDays' && lowers(t),
  ),
  {
    settings: ['rateChanges.keep', 'paymentBasis'],
    holds: 'refused',
    says: 'A payment made level again is level at the nominal rate.',
    broken: keepsNoEnd('paymentBasis', (t) => t.paymentBasis === 'exactDays'),
  },
  refused(
    'start',
    'dayCount',
    'With equal periods the first is as long as the others.',
    (t) => t.start !== undefined && !hasDays(t),
  ),
  needed(
    'start',
    'firstPayment',
    'Interest runs from the start to a first payment that has a date.',
    (t) => t.start !== undefined && t.firstPayment === undefined,
  ),
  refused(
    'anchorDay',
    'frequency',
    'Payments by the week fall on a day of the week, half-monthly ones on two days.',
    (t) => t.anchorDay !== undefined && !('months' in every(t)),
  ),
  needed(
    'anchorDay',
    'firstPayment',
    'A day of the month needs dates.',
    (t) => t.anchorDay !== undefined && t.firstPayment === undefined,
  ),
  refused(
    'anchorDay',
    'firstPayment',
    'The first payment falls on that day, or on its month’s last.',
    (t) => !fitsAnchor(t),
  ),
  refused(
    'grace',
    'due',
    'A grace time ends with a period; payments at the start begin with one.',
    (t) => t.grace !== undefined && t.due === 'start',
  ),
  {
    settings: ['grace.payment', 'grace.interest'],
    holds: 'refused',
    says: 'Where the interest is paid, that is the payment.',
    broken: ({ grace }) =>
      isObject(grace) && grace.interest === 'paid' && grace.payment
        ? ['grace.payment', 'grace.interest']
        : undefined,
  },
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
  needed(
    'settleAtTerm',
    'payment',
    'The last payment settles what a given payment left.',
    (t) => t.settleAtTerm === true && t.payment === undefined,
  ),
  needed(
    'settleAtTerm',
    'term',
    'The last payment of a term settles.',
    (t) => t.settleAtTerm === true && t.term === undefined,
  ),
  said(
    'rounding.payment',
    'payment',
    'A given payment is whole already; payments made level later are rounded.',
  ),
  refused(
    'onExtra',
    'payment',
    'A payment can fall only towards an agreed end; with a given payment the end follows.',
    (t) => lowers(t) && isGivenAlone(t),
  ),
  refused(
    'onExtra',
    'frequency',
    'An accelerated loan has no agreed end to lower the payment towards.',
    (t) => lowers(t) && isAccelerated(t) && !t.settleAtTerm,
  ),
  {
    settings: ['onExtra', 'rateChanges.keep'],
    holds: 'refused',
    says: 'A change that keeps the payment moves the end, so that there is none to lower it towards.',
    broken: (t) =>
      lowers(t) && keeps(t, 'payment')
        ? ['onExtra', `rateChanges.${changes(t).findIndex(({ keep }) => keep === 'payment')}.keep`]
        : undefined,
  },
  {
    settings: ['rateChanges.keep', 'frequency'],
    holds: 'refused',
    says: 'An accelerated loan has no agreed end to keep.',
    broken: keepsNoEnd('frequency', (t) => isAccelerated(t) && t.payment === undefined),
  },
  {
    settings: ['rateChanges.keep', 'payment'],
    holds: 'refused',
    says: 'With a given payment there is no agreed end to keep, unless it settles at the term.',
    broken: keepsNoEnd('payment', isGivenAlone),
  },
  {
    settings: ['extras.at', 'extras.every'],
    holds: 'refused',
    says: 'What goes with every payment goes with each.',
    broken: extraWith((x) => (x.every === 'payment' && x.at !== undefined ? 'at' : undefined)),
  },
  {
    settings: ['extras.from', 'extras.every'],
    holds: 'refused',
    says: 'What is paid once has one time.',
    broken: extraWith((x) => (x.every === 'once' && x.from !== undefined ? 'from' : undefined)),
  },
  {
    settings: ['extras.until', 'extras.every'],
    holds: 'refused',
    says: 'What is paid once has one time.',
    broken: extraWith((x) => (x.every === 'once' && x.until !== undefined ? 'until' : undefined)),
  },
  said('yearlyExtraLimit', 'extras', 'What the limit keeps from being paid is in `ledger.extrasCutByLimit`.'),
  said('onExtra', 'extras', 'Without extras there is nothing to follow from one.'),
  needed(
    'insurance.base',
    'insurance.yearlyPercent',
    'What the yearly percent is of needs the percent.',
    (t) => t.insurance?.base === 'balanceYearly' && t.insurance.yearlyPercent === undefined,
  ),
  needed(
    'insurance.untilLoanToValue',
    'insurance.yearlyPercent',
    'Only premiums with payments end.',
    (t) => t.insurance?.untilLoanToValue !== undefined && t.insurance.yearlyPercent === undefined,
  ),
  needed(
    'insurance.untilPayment',
    'insurance.yearlyPercent',
    'Only premiums with payments end.',
    (t) => t.insurance?.untilPayment !== undefined && t.insurance.yearlyPercent === undefined,
  ),
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

/** The first two settings that do not go together, by their full paths. */
export function brokenPair(terms: LoanTerms): readonly [string, string] | undefined {
  for (const { broken } of termPairs) {
    const pair = broken?.(terms)
    if (pair) return pair
  }
  return undefined
}
