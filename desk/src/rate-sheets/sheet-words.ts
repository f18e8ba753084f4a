import { startOf, type SheetFault, type RateSheet, type SheetVersion } from '@vivid/core'

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

/** What is wrong with a cell or a version, as its own editor is told. */
export function faultSaid({ code, keys = [] }: SheetFault, { gives }: RateSheet): string {
  switch (code) {
    case 'KEY_UNREADABLE':
      return 'is empty, or is no number'
    case 'KEY_ABSURD':
      return 'cannot be meant'
    case 'KEYS_TWICE':
      return 'is there twice'
    case 'KEYS_MISSING':
      return 'is missing'
    case 'GAP':
      return `there is no row for ${keys.join(' with ')}`
    case 'NO_ROWS':
      return 'it has no rows: nothing could be looked up from then on'
    case 'VALUE_ABSURD':
      return gives === 'percent' ? 'lies outside 0 to 100 %' : 'cannot be meant'
    case 'VERSION_TWICE':
      return 'another version begins at the same minute'
    case 'VERSION_ABSURD':
      return 'takes effect between 1990 and 2100'
  }
}
