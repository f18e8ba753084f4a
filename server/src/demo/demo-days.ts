import type { PlainDate } from '@vivid/core'

/** A moment of the demo: so many days before a day, in its early afternoon. */
export const daysBefore = ({ year, month, day }: PlainDate, days: number): Date =>
  new Date(Date.UTC(year, month - 1, day - days, 14, 2))

/** ISO date of a day so many days before another. */
export const isoDaysBefore = (today: PlainDate, days: number): string =>
  daysBefore(today, days).toISOString().slice(0, 10)

/** The same numbers each time: a linear congruential generator (Knuth, TAOCP 2, 3.2.1), 0 up to 1. */
export function sameEachTime(seed: number): () => number {
  let state = seed
  return () => {
    state = (state * 1_664_525 + 1_013_904_223) % 2 ** 32
    return state / 2 ** 32
  }
}
