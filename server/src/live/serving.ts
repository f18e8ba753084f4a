import { createHash } from 'node:crypto'
import type { LiveCalculator, ServedCalculator } from '@vivid/contract'
import { begunBy, type RateSheet } from '@vivid/core'
import { AppError } from '../platform/http/app-error'
import type { Live } from './live'

/** The sheets a calculator looks up, with the versions that have begun at a minute ("2026-11-25T09:41"). Coming rates stay here. */
export const sheetsAt = (live: Live, calculator: LiveCalculator, minute: string): RateSheet[] =>
  live.sheets(calculator.content.program.sheets).map((sheet) => begunBy(sheet, minute))

/** A calculator as it stands at a minute. */
export const serve = (
  live: Live,
  calculator: LiveCalculator,
  minute: string,
  handsOver: boolean,
): ServedCalculator => ({
  ...calculator,
  today: minute.slice(0, 10),
  sheets: sheetsAt(live, calculator, minute),
  handsOver,
})

/**
 * Keeps what is made for visitors until something is live otherwise, or the next minute, when rates may begin. Keys are of
 * what exists, so that there are no more of them than that.
 */
export function keptForTheMinute<Made>(live: Live, now: () => Date) {
  const kept = new Map<string, Made>()
  let state = ''
  const keep = (key: string, make: () => Made): Made => {
    const current = `${live.generation} ${Math.floor(now().getTime() / 60_000)}`
    if (current !== state) kept.clear()
    state = current
    const known = kept.get(key) ?? make()
    kept.set(key, known)
    return known
  }
  return Object.assign(keep, { forget: (key: string) => void kept.delete(key) })
}

/** Names what is served; `page` names the page it stands in, if any. */
export const etagOf = ({ sha256, edition, today, sheets, handsOver }: ServedCalculator, page = ''): string =>
  `"${sha256.slice(0, 32)}-${edition}-${today}${handsOver ? '' : '-q'}${sheets.length ? `-${markOf(sheets)}` : ''}${page && `-${page}`}"`

const markOf = (sheets: ServedCalculator['sheets']) =>
  createHash('sha256').update(JSON.stringify(sheets)).digest('hex').slice(0, 12)

/** The live calculator of a slug; refuses one that is unknown, not live or taken down. */
export function liveOrThrow(live: Live, slug: string): LiveCalculator {
  const offer = live.get(slug)
  const details = { calculator: slug.slice(0, 80) }
  if (!offer) throw new AppError('CALCULATOR_UNKNOWN', { details })
  if (offer.state !== 'live') {
    throw new AppError(offer.state === 'takenDown' ? 'CALCULATOR_TAKEN_DOWN' : 'CALCULATOR_NOT_LIVE', {
      details,
    })
  }
  return offer.calculator
}
