import { startOf, type RateSheet, type SheetVersion } from '@vivid/core'

/** "3 Nov 2026, 09:00"; the time only where a version has one. */
export function startSaid(start: string): string {
  const [day = '', time = '00:00'] = start.split('T')
  const said = new Intl.DateTimeFormat('en-CA', { dateStyle: 'medium', timeZone: 'UTC' }).format(
    new Date(`${day}T00:00:00Z`),
  )
  return time === '00:00' ? said : `${said}, ${time}`
}

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
