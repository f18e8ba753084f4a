import type { CalculatorState } from '@vivid/contract'
import type { EditionData } from '../editions/editions-store'
import type { CalculatorData } from './calculators-store'

/** Where a calculator stands. Nothing stores it: it follows from the revisions. */
export function stateOf(
  { revision, sentRevision, liveEdition, takenDownAt }: CalculatorData,
  liveRevision: EditionData['revision'] | undefined,
): CalculatorState {
  if (liveEdition !== null && liveRevision === revision) return 'live'
  if (sentRevision === revision) return 'sent'
  if (liveEdition !== null) return 'liveWithChanges'
  return takenDownAt === null ? 'draft' : 'takenDown'
}
