import { gentleCodes, type FormulaProblem } from '../../formula/problem'

/** What is wrong in a document, and where: a step (none for the document itself) and its field. */
export type CompileFault =
  | { readonly code: 'ID_TAKEN' | 'NAME_TAKEN' | 'REFERENCE_UNKNOWN' | 'REFERENCE_OF_WRONG_KIND' }
  | { readonly code: 'NAME_NOT_USABLE'; readonly word: string; readonly instead: string }
  | { readonly code: 'LEAST_ABOVE_MOST' | 'DEFAULT_OUT_OF_RANGE' | 'STEP_ZERO' | 'DEFAULT_NEEDED' }
  | { readonly code: 'OPTION_TWICE' | 'OPTION_VALUE_MISSING'; readonly option: string }
  | { readonly code: 'NO_QUESTION' | 'NO_READOUT' | 'TOO_FEW_LOANS' | 'LENGTH_NEEDED' }
  | { readonly code: 'RUNGS_ALIKE' }
  | { readonly code: 'TERM_AND_PAYMENT' | 'STAY_NEEDED' }
  /** Two settings of a loan; `other` is the field of the one this does not go with, or needs. */
  | {
      readonly code: 'SETTINGS_DO_NOT_MIX' | 'SETTING_NEEDED'
      readonly other: string
      readonly says: string
    }
  | { readonly code: 'CIRCLE'; readonly names: readonly string[] }
  | { readonly code: 'SHEET_UNKNOWN' | 'SHEET_NOT_CHOSEN' }
  | { readonly code: 'SHEET_KEY_MISSING'; readonly key: string }
  | { readonly code: 'LABEL_MISSING' }
  | { readonly code: 'TEXT_NOT_TRANSLATED'; readonly language: string }
  | { readonly code: 'NOT_USED' | 'CHANGES_NOTHING' | 'NEVER_SHOWN' | 'HIDDEN_COUNTS' }
  | FormulaProblem

export type CompileProblem = CompileFault & {
  readonly step: string | undefined
  readonly field: string
}

/** Questions to the author: they do not keep a document from going live. */
const gentle: ReadonlySet<string> = new Set([
  ...gentleCodes,
  'TEXT_NOT_TRANSLATED',
  'NOT_USED',
  'CHANGES_NOTHING',
  'NEVER_SHOWN',
  'HIDDEN_COUNTS',
  'TERM_AND_PAYMENT',
] satisfies CompileFault['code'][])

export const isGentle = ({ code }: { readonly code: string }): boolean => gentle.has(code)
