import { nameAt, type Cell } from '../book/book'
import type { Formula } from '../formula/formula'
import { partsOfFormula } from '../formula/parts-of-formula'
import type { Understood } from '../understand/understand'

const COMPARING: ReadonlySet<string> = new Set(['<', '>', '<=', '>=', '=', '<>'])
/** So many of a cell are tried. */
const MOST = 3

/** What formulas compare a cell with, as it is typed: on the other side of it they may do another thing. */
export function thresholdsIn(
  { formulas }: Understood,
  cells: ReadonlyMap<string, Cell>,
): ReadonlyMap<string, ReadonlySet<number>> {
  const found = new Map<string, Set<number>>()
  for (const { formula } of formulas.values())
    for (const part of formula ? partsOfFormula(formula) : []) {
      if (part.is !== 'binary' || !COMPARING.has(part.how)) continue
      for (const [one, other] of [
        [part.a, part.b],
        [part.b, part.a],
      ] as const) {
        const value = typedIn(other, cells)
        if (one.is !== 'cell' || value === undefined) continue
        const name = nameAt(one.sheet, one.row, one.column)
        const known = found.get(name) ?? new Set()
        if (known.size < MOST) found.set(name, known.add(value))
      }
    }
  return found
}

function typedIn(of: Formula, cells: ReadonlyMap<string, Cell>): number | undefined {
  if (of.is === 'number') return Number(of.text)
  const cell = of.is === 'cell' ? cells.get(nameAt(of.sheet, of.row, of.column)) : undefined
  return cell?.formula === undefined && typeof cell?.value === 'number' ? cell.value : undefined
}
