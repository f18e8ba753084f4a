import { askFormulas, compile, evaluate, type Evaluation } from '@vivid/core'
import { nameOfCell, type CellValue } from '../book/book'
import type { Draft } from './make-draft'
import type { LeftOutCell, Role } from './take-over'

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

/** A day for documents that know no day. */
const TODAY = { year: 2026, month: 11, day: 25, time: '12:00' }

/**
 * Works the draft out, and puts each figure beside the file's own. `answers`: other values of cells that are asked, by "Loan!B3", in
 * the cells' own terms.
 */
export function figuresOf(
  { document, asked, taken }: Draft,
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
  const { program, proofs } = compile(document, [])
  const around = { today: TODAY, sheets: [] }
  const { values } = evaluate(program, given, around)
  // Only schedules are proven in lines of their own.
  const asks = new Set(taken.flatMap((one) => ('proof' in one ? [one.proof] : [])))
  const proven = new Map(
    [...asks].map((at) => [at, askFormulas(program, proofs[at]?.formulas ?? [], given, around).values]),
  )
  return taken.map((one) => {
    const { cell, role } = one
    const got = valueOf('step' in one ? values[one.step] : proven.get(one.proof)?.[one.line])
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

function valueOf(value: Evaluation['values'][string] | undefined): CellValue | null {
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
  if (typeof expected === 'object') return got === null
  if (typeof expected !== 'number' || typeof got !== 'number') return expected === got
  const isNothing = Math.abs(expected) < NOTHING && Math.abs(got) < NOTHING
  return isNothing || Math.abs(expected - got) <= NEAR * Math.max(1, Math.abs(expected))
}

export const leftOutSaid = ({ cell, why }: LeftOutCell) => ({
  cell: nameOfCell(cell),
  formula: cell.formula ?? '',
  why,
})
