import { isObject } from './given'
import { refuse, type Refusal } from './refusal'

/**
 * Refuses what holds no names where some are meant, and a name nobody knows, which would be passed over: `place` is where it
 * stands, nothing for the whole.
 */
export function unknownName(given: unknown, names: string, place = ''): Refusal | undefined {
  if (!isObject(given)) return refuse('OPTION_UNKNOWN', place || 'terms')
  const known = names.split(/\s+/)
  const unknown = Object.entries(given).find(([name, value]) => value !== undefined && !known.includes(name))
  return unknown && refuse('OPTION_UNKNOWN', [place, unknown[0]].filter(Boolean).join('.'))
}
