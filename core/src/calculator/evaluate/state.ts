import { dequal as equal } from 'dequal/lite'
import type { Computed } from '../../formula/computed'
import { isLoanRun } from '../../formula/evaluate-expression'
import { isDecimal } from '../../money/decimal'
import type { Question } from '../document/questions'
import { MOST_LOANS } from '../../lending/most-loans'
import type { PaidOffTogether } from './paid-off'
import type {
  ComparedColumn,
  Doubt,
  LadderFigures,
  Problem,
  Readout,
  Turn,
  Value,
} from '../program/evaluated'

/** A step worked out, or why it was not. The same object as before where nothing it depends on changed. */
export interface State {
  readonly computed?: Computed
  readonly value?: Value
  readonly problem?: Problem
  readonly doubts?: readonly Doubt[]
  readonly hidden?: boolean
  readonly readout?: Readout
  readonly ladder?: Pick<LadderFigures, 'rungs' | 'asked' | 'refused'>
  readonly columns?: readonly ComparedColumn[]
  readonly turn?: Turn | undefined
  readonly plans?: PaidOffTogether['plans']
  readonly effective?: string
  /** The question as it is asked now, where a formula narrows it. */
  readonly asked?: Question
}

/** The answer at the third place comes from outside and may be any JSON; the other inputs are our own and kept as they are. */
export const sameInputs = (a: readonly unknown[], b: readonly unknown[]) =>
  a.length === b.length && a.every((input, i) => input === b[i] || (i === 2 && isSameAnswer(input, b[i])))

/** Answers are flat, or short lists of what is flat: one that is nested deeper is never the same, and is refused where it is read. */
function isSameAnswer(a: unknown, b: unknown): boolean {
  if (!Array.isArray(a) || !Array.isArray(b)) return isSameRecord(a, b)
  return a.length === b.length && a.length <= MOST_LOANS && a.every((one, i) => isSameRecord(one, b[i]))
}

function isSameRecord(a: unknown, b: unknown): boolean {
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false
  const [of, and] = [Object.entries(a), Object.entries(b)]
  return (
    of.length === and.length &&
    of.every(([key, value], i) => typeof value !== 'object' && and[i]?.[0] === key && and[i]?.[1] === value)
  )
}

/** The state before where the new one says the same, so that what depends on it is not worked out again. */
export function kept(before: State | undefined, now: State): State {
  if (!before || !isSameComputed(before.computed, now.computed)) return now
  const { computed: _a, ...old } = before
  const { computed: _b, ...fresh } = now
  return equal(old, fresh) ? before : now
}

function isSameComputed(a: Computed | undefined, b: Computed | undefined): boolean {
  if (a === b) return true
  if (a === undefined || b === undefined) return false
  if (isDecimal(a) && isDecimal(b)) return a.equals(b)
  if (isLoanRun(a) && isLoanRun(b))
    return a.principal === b.principal && a.frequency === b.frequency && equal(a.terms, b.terms)
  return false
}
