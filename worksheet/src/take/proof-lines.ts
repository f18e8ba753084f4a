import type { Proof } from '@vivid/core'
import type { CellValue } from '../book/book'

/** A proof has room for so many lines, and a document for so many proofs. */
const MOST_IN_PROOF = 40
const MOST_PROOFS = 200
/** A line has so many figures, and so many letters of formulas are worked out in one go: an evaluation has a bound. */
const MOST_IN_LINE = 1_000
const MOST_LETTERS = 400_000

/** Where the figure of a cell is proven: a line, and its place where the line is a list. */
export interface Proven {
  readonly line: number
  readonly item: number | undefined
}

/** The figures of a file, as lines of proofs. */
export function createProofLines() {
  const lines: Proof['expected'] = []
  return {
    lines,
    /** A figure by itself; undefined where it has none a proof can have, or where there is no more room. */
    one(of: string, value: CellValue | undefined): Proven | undefined {
      if (!isProvable(value) || lines.length >= MOST_IN_PROOF * MOST_PROOFS) return undefined
      lines.push({ of, figure: figureOf(value), tolerance: toleranceFor(value) })
      return { line: lines.length - 1, item: undefined }
    },
    /** Figures below each other, each for its `k` from one on; where each is proven. */
    many(of: string, from: number, values: readonly number[]): readonly (Proven | undefined)[] {
      const most = Math.min(MOST_IN_LINE, Math.max(1, Math.floor(MOST_LETTERS / of.length)))
      const chunks = Math.ceil(values.length / most)
      if (!values.every(isProvable) || lines.length + chunks > MOST_IN_PROOF * MOST_PROOFS) return []
      const first = lines.length
      for (let at = 0; at < values.length; at += most) {
        const some = values.slice(at, at + most)
        lines.push({
          of: `for k in ${from + at}..${from + at + some.length - 1} return ${of}`,
          figure: some.map(figureOf),
          tolerance: toleranceFor(Math.max(...some.map(Math.abs))),
        })
      }
      return values.map((_, i) => ({ line: first + Math.floor(i / most), item: i % most }))
    },
  }
}

/** The lines in the order they have, as many together as are worked out in one go. */
export function inProofs(lines: Proof['expected']): Proof['expected'][] {
  const proofs: Proof['expected'][] = []
  let room = 0
  for (const line of lines) {
    const size = line.of.length * (Array.isArray(line.figure) ? line.figure.length : 1)
    const last = proofs.at(-1)
    if (last && last.length < MOST_IN_PROOF && room >= size) {
      last.push(line)
      room -= size
    } else {
      proofs.push([line])
      room = MOST_LETTERS - size
    }
  }
  return proofs
}

/** What a proof has digits for, as a figure or as a tolerance. */
export const isProvable = (value: CellValue | undefined): value is number =>
  typeof value === 'number' && Math.abs(value) < 1e15
/** In the digits a proof has. */
const figureOf = (value: number): string => value.toFixed(9)
/** A billionth of it. */
const toleranceFor = (value: number): string => Math.max(2e-9, Math.abs(value) * 1e-9).toFixed(9)
