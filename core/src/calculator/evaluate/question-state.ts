import type { PlainDate } from '../../dates/plain-date'
import { Stopped } from '../../formula/computed'
import { ZERO, type Minor } from '../../money/minor'
import type { StepOf } from '../document/steps'
import type { Answers, ProgramStep } from '../program/program'
import { answerOf, type Answered } from './answer-of'
import type { Further } from './further'
import { given } from './terms-of-loan'
import type { FormulaBound } from './narrowed'
import type { State } from './state'
import { computedOf } from './value-of'

/** Where the formulas stand that narrow a question's range. */
const narrowingPaths = ['leastBy', 'mostBy']
export const isNarrowing = (formulas: ProgramStep['formulas']): boolean =>
  narrowingPaths.some((path) => path in formulas)

interface Asking {
  readonly answers: Answers
  readonly today: PlainDate
  readonly states: ReadonlyMap<string, State>
  readonly further: Further | undefined
  readonly isShown: boolean
  /** A formula of the question worked out. */
  readonly run: (path: string) => FormulaBound | undefined
}

/** An answer against its question as it is asked now. A bound whose own figures are wrong is none: those are told. */
export function questionState(
  step: StepOf<'question'>,
  { formulas }: ProgramStep,
  { answers, today, states, further, isShown, run }: Asking,
): State {
  const whole = wholeOf(step, states)
  const bound = (path: string): FormulaBound | undefined => {
    try {
      return run(path)
    } catch (error) {
      if (error instanceof Stopped && error.stop.code === 'WAITS') return undefined
      throw error
    }
  }
  const hasRange = isShown && isNarrowing(formulas) && whole !== 'unknown'
  const asked =
    hasRange && further ? further.narrowed(step, bound('leastBy'), bound('mostBy'), whole ?? ZERO) : step
  const state = stateOfAnswer(answerOf(asked, answers, isShown, whole, today, further), further)
  return asked === step ? state : { ...state, asked }
}

function wholeOf(
  step: StepOf<'question'>,
  states: ReadonlyMap<string, State>,
): Minor | 'unknown' | undefined {
  if (step.asks !== 'share') return undefined
  const whole = states.get(step.of)?.value
  return whole?.unit === 'money' ? whole.money : 'unknown'
}

function stateOfAnswer({ value, problem, doubt, hidden }: Answered, further: Further | undefined): State {
  return {
    ...given({ value, problem, doubts: doubt && [doubt] }),
    ...(hidden ? { hidden } : {}),
    ...(value
      ? { computed: value.unit === 'loans' ? further?.loansAsFigures(value.loans) : computedOf(value) }
      : {}),
  }
}
