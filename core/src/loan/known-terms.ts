import { isObject } from '../guards/given'
import { refuse, type Refusal } from '../guards/refusal'
import { dayCounts } from '../rates/day-count'
import type { GivenTerms } from './loan-terms'

export const paymentRoundings = { nearest: 'halfUp', up: 'up', down: 'down' } as const

/** Names that stand in a term, and of some what they may be. */
const named = (names: string, options: Readonly<Record<string, readonly unknown[]>> = {}) => ({
  names: [...names.split(/\s+/), ...Object.keys(options)],
  options,
})
/** Every name there is, by the term it stands in. */
const known = {
  '': named(
    `principal annualRate frequency compounding term payment balloon rounding firstPayment start anchorDay extras
    yearlyExtraLimit grace rateChanges insurance fees alreadyPaid`,
    {
      due: ['end', 'start'],
      minorDigits: [0, 2, 3],
      dayCount: Object.keys(dayCounts),
      paymentBasis: ['nominal', 'exactDays'],
      settleAtTerm: [false, true],
      onExtra: ['shorten', 'lower'],
    },
  ),
  term: named('payments years months'),
  rounding: named('', { payment: Object.keys(paymentRoundings), interest: ['halfUp', 'halfEven'] }),
  extras: named('amount every at from until'),
  grace: named('payments payment interest', { rounding: ['once', 'eachPeriod'] }),
  rateChanges: named('fromPayment annualRate keep'),
  insurance: named('addedPercent yearlyPercent untilLoanToValue value untilPayment', {
    base: ['original', 'balanceYearly'],
  }),
  fees: named('financed eachPayment'),
}

const lists = ['extras', 'rateChanges']

/**
 * Refuses what holds no names where some are meant, a name that nobody knows, which would be passed over, and an option there
 * is not: "fees", "extras.0.evry", "due".
 */
export function unknownIn(terms: GivenTerms): Refusal | undefined {
  for (const [term, { names, options }] of Object.entries(known)) {
    const given: unknown = term === '' ? terms : terms[term as keyof GivenTerms]
    if (given === undefined && term !== '') continue
    const isList = lists.includes(term)
    if (isList !== Array.isArray(given)) return refuse('OPTION_UNKNOWN', placeOf(term))
    for (const [at, one] of (isList ? (given as readonly unknown[]) : [given]).entries()) {
      const within = isList ? [term, `${at}`] : [term]
      if (!isObject(one))
        return refuse(term === 'term' ? 'NOT_A_NUMBER' : 'OPTION_UNKNOWN', placeOf(...within))
      const unknown = Object.entries(one).find(
        ([name, value]) =>
          !names.includes(name) || (value !== undefined && options[name]?.includes(value) === false),
      )
      if (unknown) return refuse('OPTION_UNKNOWN', placeOf(...within, unknown[0]))
    }
  }
  return undefined
}

const placeOf = (...names: readonly string[]) => names.filter(Boolean).join('.') || 'terms'
