import { affordabilityFigures, aimFigures, equityFigures, refinanceFigures } from './composites'
import { comparedColumns, comparisonFigures, ladderFigures, rungsOf } from './side-by-side'

/** What affordability, refinance, equity, aims, ladders and comparisons are worked out with: apart, since most pages have none. */
export const further = {
  affordabilityFigures,
  refinanceFigures,
  equityFigures,
  aimFigures,
  rungsOf,
  ladderFigures,
  comparedColumns,
  comparisonFigures,
}
export type Further = typeof further
