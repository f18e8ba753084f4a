import { Stopped, type LoanRun } from '../../formula/computed'
import { isFigureSet, isLoanRun } from '../../formula/evaluate-expression'
import type { Frequency } from '../../rates/frequency'
import { loanReference, refinancedFigure } from '../document/loan-reference'
import type { Answers, Program, ProgramStep } from '../program/program'
import type { State } from './state'

/** Everything asked, and what has been worked out so far. */
export interface Situation {
  readonly program: Program
  readonly answers: Answers
  readonly states: ReadonlyMap<string, State>
}

/** What waits for a value is told where that is. */
export function waits(): never {
  throw new Stopped({ code: 'WAITS' })
}

/** How often a payment is made, where a value is taken from one loan. */
export function everyOf({ uses }: ProgramStep, states: ReadonlyMap<string, State>): Frequency | undefined {
  for (const id of uses) {
    const computed = states.get(id)?.computed
    if (isLoanRun(computed)) return computed.frequency
  }
  return undefined
}

/** A loan by its step, or of a refinancing. */
export function loanAt(id: string, states: ReadonlyMap<string, State>): LoanRun {
  const { step, which } = loanReference(id)
  const computed = states.get(step)?.computed
  const run = which && isFigureSet(computed) ? computed.figures[refinancedFigure(which)] : computed
  return isLoanRun(run) ? run : waits()
}

export const termsAt = (id: string, states: ReadonlyMap<string, State>) => loanAt(id, states).terms ?? waits()
