import { earlyDay } from './due-dates'
import { factsOf, frequencies } from '../rates/frequency'
import { dayCounts } from '../rates/day-count'
import { daysInMonth, readIsoDate } from '../dates/plain-date'
import type { Extra, GivenTerms, RateChange } from './loan-terms'

/**
 * Two settings of a loan that cannot both stand as they are. `refused`: they mean nothing together. `needed`: the first
 * says nothing without the second. `termPairs` says why, and has the pairs that go together.
 */
export interface PairRule {
  readonly settings: readonly [string, string]
  readonly holds: 'refused' | 'needed'
  /** The two settings by their full paths where these terms break the rule. */
  readonly broken: (terms: GivenTerms) => readonly [string, string] | undefined
}

type Broken = PairRule['broken']
const rule =
  (holds: PairRule['holds']) =>
  (a: string, b: string, test: (terms: GivenTerms) => boolean): PairRule => ({
    settings: [a, b],
    holds,
    broken: (terms) => (test(terms) ? [a, b] : undefined),
  })
const refused = rule('refused')
const needed = rule('needed')

const every = (terms: GivenTerms) => frequencies[terms.frequency].every
const isAccelerated = ({ frequency }: GivenTerms) => factsOf(frequency).monthlyPaymentOver !== undefined
const hasDays = ({ dayCount = 'equal' }: GivenTerms) => dayCount !== 'equal'
const hasExtras = ({ extras = [] }: GivenTerms) => extras.length > 0
const lowers = (terms: GivenTerms) => terms.onExtra === 'lower' && hasExtras(terms)
const isGivenAlone = ({ payment, settleAtTerm }: GivenTerms) => payment !== undefined && !settleAtTerm
const changes = ({ rateChanges = [] }: GivenTerms) => rateChanges
const keeps = (terms: GivenTerms, what: RateChange['keep']) =>
  changes(terms).some(({ keep }) => keep === what)

/** The first change that keeps the end although nothing agreed on it before. */
const keepsNoEnd: (against: string, test: (terms: GivenTerms) => boolean) => Broken =
  (against, test) => (terms) => {
    const at = changes(terms).findIndex(({ keep }) => keep === 'term')
    return at !== -1 && test(terms) ? [`rateChanges.${at}.keep`, against] : undefined
  }

const extraWith = (test: (extra: Extra<number>) => string | undefined): Broken => {
  return ({ extras = [] }) => {
    for (const [i, extra] of extras.entries()) {
      const field = test(extra)
      if (field !== undefined) return [`extras.${i}.${field}`, `extras.${i}.every`]
    }
    return undefined
  }
}

/** Whether the first payment can fall on the anchor day, or on the other of two: it does, or its month is too short for it. */
function fitsAnchor(terms: GivenTerms): boolean {
  const { anchorDay, firstPayment } = terms
  const first = readIsoDate(firstPayment)
  if (!first || !anchorDay) return true
  const early = earlyDay(anchorDay)
  const meant = 'halfMonths' in every(terms) ? [early, early + 15] : [anchorDay]
  return meant.some((day) => first.day === Math.min(day, daysInMonth(first.year, first.month)))
}

/** Every rule about two settings, and the one place that refuses a mix. */
export const pairRules: readonly PairRule[] = [
  refused('compounding', 'dayCount', (t) => hasDays(t) && (t.compounding ?? 'perPayment') !== 'perPayment'),
  refused('due', 'dayCount', (t) => hasDays(t) && t.due === 'start'),
  refused(
    'frequency',
    'dayCount',
    (t) => dayCounts[t.dayCount ?? 'equal'].counts === 'thirty' && 'days' in every(t),
  ),
  needed('paymentBasis', 'dayCount', (t) => t.paymentBasis === 'exactDays' && !hasDays(t)),
  refused('paymentBasis', 'payment', (t) => t.paymentBasis === 'exactDays' && t.payment !== undefined),
  refused('paymentBasis', 'frequency', (t) => t.paymentBasis === 'exactDays' && isAccelerated(t)),
  refused('paymentBasis', 'onExtra', (t) => t.paymentBasis === 'exactDays' && lowers(t)),
  {
    settings: ['rateChanges.keep', 'paymentBasis'],
    holds: 'refused',
    broken: keepsNoEnd('paymentBasis', (t) => t.paymentBasis === 'exactDays'),
  },
  refused('start', 'dayCount', (t) => t.start !== undefined && !hasDays(t)),
  needed('start', 'firstPayment', (t) => t.start !== undefined && t.firstPayment === undefined),
  refused('anchorDay', 'frequency', (t) => t.anchorDay !== undefined && 'days' in every(t)),
  needed('anchorDay', 'firstPayment', (t) => t.anchorDay !== undefined && t.firstPayment === undefined),
  refused('anchorDay', 'firstPayment', (t) => !fitsAnchor(t)),
  refused('grace', 'due', (t) => t.grace !== undefined && t.due === 'start'),
  {
    settings: ['grace.payment', 'grace.interest'],
    holds: 'refused',
    broken: ({ grace }) =>
      grace?.interest === 'paid' && grace.payment ? ['grace.payment', 'grace.interest'] : undefined,
  },

  needed('settleAtTerm', 'payment', (t) => t.settleAtTerm === true && t.payment === undefined),
  needed('settleAtTerm', 'term', (t) => t.settleAtTerm === true && t.term === undefined),

  refused('onExtra', 'payment', (t) => lowers(t) && isGivenAlone(t)),
  refused('onExtra', 'frequency', (t) => lowers(t) && isAccelerated(t) && !t.settleAtTerm),
  {
    settings: ['onExtra', 'rateChanges.keep'],
    holds: 'refused',
    broken: (t) =>
      lowers(t) && keeps(t, 'payment')
        ? ['onExtra', `rateChanges.${changes(t).findIndex(({ keep }) => keep === 'payment')}.keep`]
        : undefined,
  },
  {
    settings: ['rateChanges.keep', 'frequency'],
    holds: 'refused',
    broken: keepsNoEnd('frequency', (t) => isAccelerated(t) && t.payment === undefined),
  },
  {
    settings: ['rateChanges.keep', 'payment'],
    holds: 'refused',
    broken: keepsNoEnd('payment', isGivenAlone),
  },
  {
    settings: ['extras.at', 'extras.every'],
    holds: 'refused',
    broken: extraWith((x) => (x.every === 'payment' && x.at !== undefined ? 'at' : undefined)),
  },
  {
    settings: ['extras.from', 'extras.every'],
    holds: 'refused',
    broken: extraWith((x) => (x.every === 'once' && x.from !== undefined ? 'from' : undefined)),
  },
  {
    settings: ['extras.until', 'extras.every'],
    holds: 'refused',
    broken: extraWith((x) => (x.every === 'once' && x.until !== undefined ? 'until' : undefined)),
  },

  needed(
    'insurance.base',
    'insurance.yearlyPercent',
    (t) => t.insurance?.base === 'balanceYearly' && t.insurance.yearlyPercent === undefined,
  ),
  needed(
    'insurance.untilLoanToValue',
    'insurance.yearlyPercent',
    (t) => t.insurance?.untilLoanToValue !== undefined && t.insurance.yearlyPercent === undefined,
  ),
  needed(
    'insurance.untilPayment',
    'insurance.yearlyPercent',
    (t) => t.insurance?.untilPayment !== undefined && t.insurance.yearlyPercent === undefined,
  ),
]

/** The first two settings that do not go together, by their full paths. */
export function brokenPair(terms: GivenTerms): readonly [string, string] | undefined {
  for (const { broken } of pairRules) {
    const pair = broken(terms)
    if (pair) return pair
  }
  return undefined
}
