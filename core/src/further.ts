/** The second light door, for pages that have more than loans and formulas: fetched by those that need it. */
export { further } from './calculator/evaluate/further'
