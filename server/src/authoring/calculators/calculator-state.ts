import type { CalculatorState } from '@vivid/contract'
import type { CalculatorData } from './calculators-store'

/** Where a calculator stands. Nothing stores it: it follows from the revisions, and from whether what is live is up to date. */
export function stateOf(
  {
    revision,
    sentRevision,
    liveEdition,
    takenDownAt,
  }: Pick<CalculatorData, 'revision' | 'sentRevision' | 'liveEdition' | 'takenDownAt'>,
  isUpToDate: boolean,
): CalculatorState {
  if (liveEdition !== null && isUpToDate) return 'live'
  if (sentRevision === revision) return 'sent'
  if (liveEdition !== null) return 'liveWithChanges'
  return takenDownAt === null ? 'draft' : 'takenDown'
}
