import { isObject, isOneOf } from '../guards/given'
import { unknownName } from '../guards/known-names'
import { amortize } from '../loan/amortize'
import type { Ledger } from '../loan/ledger'
import type { GivenTerms } from '../loan/loan-terms'
import type { Refusal } from '../guards/refusal'
import { refuse } from '../guards/refusal'

/** The most rungs a ladder may have, both directions multiplied. */
export const MOST_RUNGS = 2_000

/** The same loan over a list of one term, or of two: rung by rung, the second within the first. */
export type Ladder =
  | { readonly over: 'extras'; readonly terms: GivenTerms; readonly extras: readonly number[] }
  | {
      readonly over: 'rates'
      readonly terms: Omit<GivenTerms, 'annualRate'>
      readonly rates: readonly string[]
    }
  | {
      readonly over: 'terms'
      readonly terms: Omit<GivenTerms, 'term'>
      readonly lengths: readonly NonNullable<GivenTerms['term']>[]
    }
  | {
      readonly over: 'amounts'
      readonly terms: Omit<GivenTerms, 'principal'>
      readonly amounts: readonly number[]
    }
  | {
      readonly over: 'ratesByTerms'
      readonly terms: Omit<GivenTerms, 'annualRate' | 'term'>
      readonly rates: readonly string[]
      readonly lengths: readonly NonNullable<GivenTerms['term']>[]
    }

/**
 * Works the loan out for every rung, in the order given, repeats kept, and keeps what `figuresOf` takes from each ledger: a
 * ladder of ledgers would be too much to hold. One bad rung refuses the whole ladder and is named.
 */
export function ladder<Figures>(
  asked: Ladder,
  figuresOf: (ledger: Ledger) => Figures,
): { readonly ok: true; readonly rungs: readonly Figures[] } | Refusal {
  const refused = refusedLadder(asked)
  if (refused) return refused
  const all = rungsOf(asked)
  if (all.length > MOST_RUNGS) return refuse('OUT_OF_RANGE', 'rungs', { least: 0, most: MOST_RUNGS })
  const rungs: Figures[] = []
  for (const [index, terms] of all.entries()) {
    const ledger = amortize(terms)
    if (!ledger.ok) return { ...ledger, field: `rungs.${index}.${ledger.field}` }
    rungs.push(figuresOf(ledger))
  }
  return { ok: true, rungs }
}

/** What stands in a list, by what a ladder is over. */
const listsOver = {
  extras: ['extras'],
  rates: ['rates'],
  terms: ['lengths'],
  amounts: ['amounts'],
  ratesByTerms: ['rates', 'lengths'],
} as const

function refusedLadder(asked: Ladder): Refusal | undefined {
  if (!isObject(asked) || !isOneOf(asked.over, listsOver)) return refuse('OPTION_UNKNOWN', 'over')
  const unknown = unknownName(asked, ['over', 'terms', ...listsOver[asked.over]].join(' '))
  if (unknown) return unknown
  if (!isObject(asked.terms)) return refuse('OPTION_UNKNOWN', 'terms')
  const given: Partial<Record<string, unknown>> = asked
  const missing = listsOver[asked.over].find((name) => !Array.isArray(given[name]))
  return missing && refuse('OPTION_UNKNOWN', missing)
}

function rungsOf(asked: Ladder): GivenTerms[] {
  switch (asked.over) {
    case 'extras':
      return asked.extras.map((amount) => ({
        ...asked.terms,
        extras: [asked.terms.extras ?? [], { amount, every: 'payment' as const }].flat(),
      }))
    case 'rates':
      return asked.rates.map((annualRate) => ({ ...asked.terms, annualRate }))
    case 'terms':
      return asked.lengths.map((term) => ({ ...asked.terms, term }))
    case 'amounts':
      return asked.amounts.map((principal) => ({ ...asked.terms, principal }))
    case 'ratesByTerms':
      return asked.rates.flatMap((annualRate) =>
        asked.lengths.map((term) => ({ ...asked.terms, annualRate, term })),
      )
  }
}
