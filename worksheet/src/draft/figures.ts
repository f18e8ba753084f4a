import { askFormulas, compile, evaluate, type Evaluation } from '@vivid/core'
import { nameOfCell, type CellValue } from '../book/book'
import { TODAY } from '../take/ask'
import type { Draft } from './draft'
import type { LeftOutCell, Role } from '../take/taking'

/** A formula cell of the file beside what the draft works out for it, in the cell's own terms. */
export interface CellFigure {
  readonly cell: string
  readonly formula: string
  readonly expected: CellValue | null
  /** From the draft alone; null where it has no figure. */
  readonly got: CellValue | null
  readonly agrees: boolean
  readonly role: Role
}

/** Answers that cannot be given, in a line. */
export class NoAnswer extends Error {}

/** Numbers are the same where they differ by a billionth, or both are all but nothing. */
const NEAR = 1e-9
const NOTHING = 1e-6

/**
 * Works the draft out, and puts each figure beside the file's own. `answers`: other values of cells that are asked, by "Loan!B3", in
 * the cells' own terms.
 */
export function figuresOf(
  { document, asked, taken, sheets }: Draft,
  answers: Readonly<Record<string, CellValue>> = {},
): CellFigure[] {
  const given = Object.fromEntries(
    Object.entries(answers).map(([name, value]) => {
      const one = asked.find(({ cell }) => nameOfCell(cell) === name)
      if (!one) throw new NoAnswer(`${name} is not asked.`)
      const answer = one.answerOf(value)
      if (answer === undefined) throw new NoAnswer(`${JSON.stringify(value)} is no answer for ${name}.`)
      return [one.question.id, answer]
    }),
  )
  const around = { today: TODAY, sheets }
  const { program, proofs } = compile(document, sheets)
  const { values } = evaluate(program, given, around)
  // Only what has no line of its own is worked out from proofs.
  const isAsked = new Set(taken.flatMap((one) => (one.step === undefined ? [one.proven.line] : [])))
  let next = 0
  const proven = proofs.flatMap(({ formulas }): readonly (Worked | undefined)[] => {
    const asks = formulas.map((formula) => (isAsked.has(next++) ? formula : undefined))
    return asks.some(Boolean) ? askFormulas(program, asks, given, around).values : asks.map(() => undefined)
  })
  return taken.map((one) => {
    const { cell, role } = one
    const got = valueOf(
      one.step === undefined ? itemOf(proven[one.proven.line], one.proven.item) : values[one.step],
    )
    return {
      cell: nameOfCell(cell),
      formula: cell.formula ?? '',
      expected: cell.value ?? null,
      got,
      agrees: isSame(cell.value, got),
      role,
    }
  })
}

type Worked = Evaluation['values'][string]

function itemOf(value: Worked | undefined, item: number | undefined): Worked | undefined {
  if (item === undefined) return value
  return value?.unit === 'list' ? value.items[item] : undefined
}

function valueOf(value: Worked | undefined): CellValue | null {
  switch (value?.unit) {
    case 'number':
      return Number(value.number)
    case 'text':
      return value.text
    case 'yesNo':
      return value.yes
    default:
      return null
  }
}

function isSame(expected: CellValue | undefined, got: CellValue | null): boolean {
  // Where a worksheet shows nothing, we have no figure.
  if (typeof expected === 'object' || expected === '') return got === null || got === expected
  if (typeof expected !== 'number' || typeof got !== 'number') return expected === got
  const isNothing = Math.abs(expected) < NOTHING && Math.abs(got) < NOTHING
  return isNothing || Math.abs(expected - got) <= NEAR * Math.max(1, Math.abs(expected))
}

export const leftOutSaid = ({ cell, why }: LeftOutCell) => ({
  cell: nameOfCell(cell),
  formula: cell.formula ?? '',
  why,
})
