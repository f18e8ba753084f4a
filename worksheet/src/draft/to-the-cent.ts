import type { CalculatorStep, Proof } from '@vivid/core'
import { nameOfCell } from '../book/book'
import { isProvable } from '../take/proof-lines'
import { figuresOf } from './figures'
import type { Draft } from './draft'

/** What a worksheet and a ledger have for a figure that comes out at the end. */
export interface Difference {
  readonly cell: string
  readonly label: string
  readonly worksheet: number
  readonly ledger: number
}

/**
 * A draft to the cent says where it differs from the file: in the note of each step, and in its proofs, whose tolerance is what it
 * differs by. What is further apart than a proof has digits for is no matter of cents: such a proof goes on to fail.
 */
export function sayingDifferences(draft: Draft): Draft {
  const notes = new Map<string, string>()
  const apart = new Map<number, number>()
  figuresOf(draft).forEach(({ expected, got, agrees }, i) => {
    const one = draft.taken[i]
    if (agrees || !one || typeof expected !== 'number' || typeof got !== 'number') return
    const line = one.proven?.line
    if (line !== undefined) apart.set(line, Math.max(apart.get(line) ?? 0, Math.abs(expected - got)))
    if (one.step !== undefined)
      notes.set(
        one.step,
        `The worksheet has ${inDigits(expected)}; to the cent, as a ledger does, it is ${inDigits(got)}.`,
      )
  })
  let line = 0
  const proofs = draft.document.proofs.map((proof) => ({
    ...proof,
    expected: proof.expected.map((one) => widened(one, apart.get(line++))),
  }))
  const steps = draft.document.steps.map((step): CalculatorStep => {
    const note = notes.get(step.id)
    return note && step.kind === 'working'
      ? { ...step, note: `${step.note}\n${note}`.slice(0, LONGEST_NOTE) }
      : step
  })
  return { ...draft, document: { ...draft.document, steps, proofs } }
}

const LONGEST_NOTE = 1_000

/** To the next hundredth: what is said should be read at a glance. */
const widened = (line: Proof['expected'][number], apart: number | undefined): Proof['expected'][number] =>
  isProvable(apart) ? { ...line, tolerance: (Math.ceil(apart * 100 + 1e-6) / 100).toFixed(2) } : line

const inDigits = (value: number): string => value.toLocaleString('en', { maximumFractionDigits: 6 })

/** Where figures that come out at the end are another to the cent than in the worksheet. */
export function differencesBetween(worksheet: Draft, ledger: Draft): Difference[] {
  const other = new Map(figuresOf(ledger).map((figure) => [figure.cell, figure.got]))
  const labels = new Map(worksheet.taken.map(({ cell, label }) => [nameOfCell(cell), label]))
  return figuresOf(worksheet).flatMap(({ cell, got, role }) => {
    const there = other.get(cell)
    const differs = role === 'result' && typeof got === 'number' && typeof there === 'number' && got !== there
    return differs ? [{ cell, label: labels.get(cell) ?? cell, worksheet: got, ledger: there }] : []
  })
}
