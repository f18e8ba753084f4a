import canonicalize from 'canonicalize'
import type { CalculatorDocument, RateSheet } from '@vivid/core'
import { sha256Of } from '../approval/edition-content'

/** The addresses of the sheets a calculator looks values up in. */
export const usedSheets = ({ steps }: Pick<CalculatorDocument, 'steps'>): ReadonlySet<string> =>
  new Set(steps.flatMap((step) => (step.kind === 'lookUp' ? [step.sheet] : [])))

/** Each sheet by its hash (SHA-256 over canonical JSON): what a draft was tried with. */
export const sheetHashes = (sheets: readonly RateSheet[]): Readonly<Record<string, string>> =>
  Object.fromEntries(sheets.map((sheet) => [sheet.id, sha256Of(canonicalize(sheet) ?? '')]))
