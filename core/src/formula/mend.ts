import type { Typed } from './fit'
import type { Unit } from './unit'

/** What would make two parts alike, where a function does it. */
export function mendUnits(a: Typed, b: Typed): string | undefined {
  const is = (part: Typed, unit: Unit['is']) => part.unit.is === unit
  for (const [x, y] of [
    [a, b],
    [b, a],
  ] as const) {
    if (is(x, 'term') && (is(y, 'count') || is(y, 'number')))
      return is(y, 'count') ? `payments in(${x.text})` : `in years(${x.text})`
    if (is(x, 'term') && is(y, 'bare')) return `years(${y.text})`
    if (is(x, 'number') && is(y, 'percent')) return `as percent(${x.text})`
    if (is(x, 'number') && is(y, 'money')) return `as money(${x.text})`
  }
  return undefined
}

/** The function that turns one period into the other. */
export function mendPeriods(a: Typed, b: Typed): string | undefined {
  const [perA, perB] = [a, b].map(({ unit }) => (unit.is === 'money' ? unit.per : undefined))
  if (perA === undefined) return perB === 'payment' ? undefined : `per ${perB}(yearly(${a.text}))`
  if (perB === undefined) return perA === 'payment' ? undefined : `per ${perA}(yearly(${b.text}))`
  if (perA === 'payment') return `per ${perB}(${a.text}, frequency)`
  if (perB === 'payment') return `per ${perA}(${b.text}, frequency)`
  return `per ${perA}(${b.text})`
}
