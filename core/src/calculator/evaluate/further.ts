import { furtherFunctions } from '../../formula/functions'
import { namedAmong } from '../../formula/functions/light'
import { affordabilityFigures, aimFigures, equityFigures, refinanceFigures } from './composites'
import { figuresValue } from './figures-value'
import { readLoans } from '../answers/read-loans'
import { loansAsFigures } from './loans-as-figures'
import { narrowed } from './narrowed'
import { paidOffTogether } from './paid-off'
import { rungsOfAnswers } from './rungs-of-answers'
import { comparedColumns, comparisonFigures, ladderFigures, rungsOf, turnOf } from './side-by-side'

/**
 * What affordability, refinance, equity, aims, ladders, comparisons, pay-offs and lists are worked out with, and functions on time, loans and rates:
 * apart, since most pages have none.
 */
export const further = {
  affordabilityFigures,
  refinanceFigures,
  equityFigures,
  aimFigures,
  rungsOf,
  rungsOfAnswers,
  ladderFigures,
  comparedColumns,
  comparisonFigures,
  turnOf,
  figuresValue,
  loansAsFigures,
  narrowed,
  paidOffTogether,
  readLoans,
  functionNamed: namedAmong(furtherFunctions),
}
export type Further = typeof further
