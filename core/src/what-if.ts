/** The third light door: what would come of changing a loan, for pages where that can be tried. */
export { changedLedger, hasPaymentIn, whatIf } from './calculator/evaluate/what-if'
