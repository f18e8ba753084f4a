import type { Computed } from '../../formula/computed'
import { isFigureSet } from '../../formula/evaluate-expression'
import type { ProgramStep, ReadyFormula } from '../program/program'
import type { Context } from './context'
import { everyOf, loanAt, waits } from './situation'
import type { ReadoutSources } from './readouts'
import { valueOf } from './value-of'

/** What a readout asks of the evaluation around it, answered from the steps before it. */
export function sourcesFor(
  one: ProgramStep,
  { program, states, further }: Context,
  needed: (path: string) => { value: Computed; unit: ReadyFormula['unit'] },
): ReadoutSources {
  return {
    value: (path) => {
      const { value, unit } = needed(path)
      const every = everyOf(one, states)
      return valueOf(value, unit, program.minorDigits, every, further?.figuresValue) ?? waits()
    },
    loan: (id) => loanAt(id, states),
    ladder: (id) => {
      const step = program.steps.find((other) => other.step.id === id)?.step
      const ladder = states.get(id)?.ladder
      return step?.kind === 'ladder' && ladder ? { over: step.over, ...ladder } : waits()
    },
    plans: (id) => states.get(id)?.plans ?? waits(),
    columns: (id) => states.get(id)?.columns ?? waits(),
    turn: (id) => states.get(id)?.turn,
    figures: (id) => {
      const computed = states.get(id)?.computed
      return isFigureSet(computed) ? computed.figures : waits()
    },
    explained: () =>
      program.steps.flatMap(({ step }) => {
        const value = step.kind === 'working' && step.shown ? states.get(step.id)?.value : undefined
        return value ? [{ step: step.id, value }] : []
      }),
    rates: () =>
      program.steps.flatMap(({ step }) => {
        const effective = states.get(step.id)?.effective
        return effective === undefined ? [] : [{ step: step.id, effective }]
      }),
  }
}
