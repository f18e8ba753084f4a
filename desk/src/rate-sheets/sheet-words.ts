import { startOf, type RateSheet, type SheetVersion } from '@vivid/core'

/** Which part a version plays at a minute, by the state that was approved; what nobody approved is never in force. */
export function partOf(
  version: SheetVersion,
  approved: RateSheet | undefined,
  now: string,
): 'past' | 'in force' | 'coming' | 'not approved' {
  const starts = (approved?.versions ?? []).map(startOf)
  if (!starts.includes(startOf(version))) return 'not approved'
  if (startOf(version) > now) return 'coming'
  const begun = starts.filter((start) => start <= now)
  return startOf(version) === begun.sort().at(-1) ? 'in force' : 'past'
}
