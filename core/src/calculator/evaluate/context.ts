import type { Moment } from '../../dates/moment'
import { Stopped, type Computed, type LoanRun } from '../../formula/computed'
import { isFigureSet, isLoanRun, type Values } from '../../formula/evaluate-expression'
import { lightNamed } from '../../formula/functions/light'
import type { Frequency } from '../../rates/frequency'
import { loanReference, refinancedFigure } from '../document/loan-reference'
import type { RateSheet } from '../document/sheets'
import type { Answers, Program, ProgramStep } from '../program/program'
import type { Further } from './further'
import { loanFigure } from './loan-figures'
import type { State } from './state'

/** What an evaluation needs besides the answers: the moment, and the rate sheets the program looks values up in. */
export interface Around {
  /** In the lender's time: its day is the loans', its minute decides which rates have begun. */
  readonly today: Moment
  readonly sheets: readonly RateSheet[]
}

/** What a step is worked out in: everything asked, and the steps before it. */
export interface Context {
  readonly program: Program
  readonly answers: Answers
  readonly around: Around
  readonly states: ReadonlyMap<string, State>
  readonly further: Further | undefined
}

/** What waits for a value is told where that is. */
export function waits(): never {
  throw new Stopped({ code: 'WAITS' })
}

export const valuesFor = ({ around, program, states, further }: Context): Values => ({
  functionNamed: (name) => lightNamed(name) ?? further?.functionNamed(name),
  today: around.today,
  minorDigits: program.minorDigits,
  valueOf: (id) => states.get(id)?.computed ?? waits(),
  figureOf: (id, figure) => figureOf(states.get(id)?.computed, figure),
})

function figureOf(owner: Computed | undefined, figure: string): Computed {
  if (isLoanRun(owner)) return loanFigure(owner, figure)
  if (!isFigureSet(owner)) return waits()
  const [name = '', inner] = figure.split('.')
  const found = Object.hasOwn(owner.figures, name) ? owner.figures[name] : undefined
  if (found === undefined) throw new Stopped({ code: 'NO_FIGURE', figure: name })
  return inner === undefined ? found : figureOf(found, inner)
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
