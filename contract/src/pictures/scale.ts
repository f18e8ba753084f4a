import { ticks } from 'd3-array'

/** A straight scale from values to places. */
export interface Scale {
  (value: number): number
  /** About so many round values within it. */
  ticks(about: number): number[]
}

export function scale(
  [from, to]: readonly [number, number],
  [first, last]: readonly [number, number],
): Scale {
  const at = (value: number) => first + ((value - from) / (to - from || 1)) * (last - first)
  return Object.assign(at, { ticks: (about: number) => ticks(from, to, about) })
}

/** Bars side by side in the order given, with gaps of a part of their step between them. */
export function bands(count: number, width: number, gap: number) {
  const step = width / (count - gap + 2 * gap || 1)
  const start = (i: number) => (width - step * (count - gap)) / 2 + i * step
  return { start, wide: step * (1 - gap) }
}
