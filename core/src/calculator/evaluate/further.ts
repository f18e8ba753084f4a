import { furtherFunctions } from '../../formula/functions'
import { namedAmong } from '../../formula/functions/light'
import { affordabilityFigures, aimFigures, equityFigures, refinanceFigures } from './composites'
import { figuresValue } from './figures-value'
import { narrowed } from './narrowed'
import { comparedColumns, comparisonFigures, ladderFigures, rungsOf } from './side-by-side'

/**
 * What affordability, refinance, equity, aims, ladders and comparisons are worked out with, and functions on time, loans and rates:
 * apart, since most pages have none.
 */
export const further = {
  affordabilityFigures,
  refinanceFigures,
  equityFigures,
  aimFigures,
  rungsOf,
  ladderFigures,
  comparedColumns,
  comparisonFigures,
  figuresValue,
  narrowed,
  functionNamed: namedAmong(furtherFunctions),
}
export type Further = typeof further
