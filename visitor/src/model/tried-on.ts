import { changedLedger } from '@vivid/core/what-if'
import type { Ledger, ReadoutOf } from '@vivid/core/evaluate'
import { gapSaid, keptName, whatIfName } from '@vivid/contract/wording'
import type { Calculator } from './use-calculator'
import { readTrying } from './read-trying'

/** What is tried on the loan of a chart, or else was kept last: its ledger, its name, and how its end differs. */
export function triedOn(
  { loans }: ReadoutOf<'chart'>,
  { results, steps, beside, tryingIn, figures, language, program }: Calculator,
): { readonly ledger: Ledger; readonly name: string; readonly gap: string } | undefined {
  const [only, ...others] = loans
  if (!only || others.length > 0) return undefined
  const [terms, asItIs] = [results.value?.terms.get(only.loan), results.value?.ledgers.get(only.loan)]
  const step = steps.value.find(
    (one) => one.kind === 'readout' && one.shows === 'whatIf' && one.loan === only.loan,
  )
  if (!terms || !asItIs || step?.kind !== 'readout' || step.shows !== 'whatIf') return undefined
  const place = { locale: language.value, currency: program.value.currency }
  const tried = readTrying(tryingIn(step.id), step.offers, terms, place).whatIf
  const kept = beside[step.id]?.at(-1)
  const what = tried ?? kept
  const ledger = what && changedLedger(terms, what)
  if (!ledger || ledger.count === 0) return undefined
  return {
    ledger,
    name: tried || !kept ? whatIfName(what, terms, figures.value) : keptName(kept, terms, figures.value),
    gap: gapSaid(asItIs, ledger, terms, figures.value),
  }
}
