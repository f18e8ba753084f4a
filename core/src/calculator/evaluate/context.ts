import type { Moment } from '../../dates/moment'
import { Stopped, type Computed } from '../../formula/computed'
import { isFigureSet, isLoanRun, type Values } from '../../formula/evaluate-expression'
import { lightNamed } from '../../formula/functions/light'
import type { RateSheet } from '../document/sheets'
import type { Further } from './further'
import { loanFigure } from './loan-figures'
import { waits, type Situation } from './situation'

/** What an evaluation needs besides the answers: the moment, and the rate sheets the program looks values up in. */
export interface Around {
  /** In the lender's time: its day is the loans', its minute decides which rates have begun. */
  readonly today: Moment
  readonly sheets: readonly RateSheet[]
}

/** What a step is worked out in, with the moment and what some kinds of step need. */
export interface Context extends Situation {
  readonly around: Around
  readonly further: Further | undefined
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
