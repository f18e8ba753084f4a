import type { Understood } from '../understand/understand'

/** Formula cells with what they use before them, without going deep; what never comes goes in a circle. */
export function orderOf(formulas: Understood['formulas']): { order: string[]; inCircles: string[] } {
  const waitsFor = new Map<string, number>()
  const usedBy = new Map<string, string[]>()
  for (const [name, { uses }] of formulas) {
    const own = uses.filter((one) => formulas.has(one))
    waitsFor.set(name, own.length)
    for (const one of own) usedBy.set(one, [...(usedBy.get(one) ?? []), name])
  }
  const order = [...waitsFor].filter(([, count]) => count === 0).map(([name]) => name)
  for (let i = 0; i < order.length; i++)
    for (const next of usedBy.get(order[i] ?? '') ?? []) {
      const left = (waitsFor.get(next) ?? 0) - 1
      waitsFor.set(next, left)
      if (left === 0) order.push(next)
    }
  const ready = new Set(order)
  return { order, inCircles: [...formulas.keys()].filter((name) => !ready.has(name)) }
}
