import type { TermLength } from '../document/document-shapes'

/** So many whole months as years and months. */
export const lengthOfMonths = (months: number): TermLength => ({
  years: Math.floor(months / 12),
  months: months % 12,
})
