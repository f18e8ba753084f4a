import type { Arithmetic, Comparison } from './expression'
import type { Period, Unit, Wanted } from './unit'

/** What is wrong in a formula. The sentence, with the mend, is made elsewhere; places are characters of the text. */
export type FormulaFault =
  | { readonly code: 'FORMULA_EMPTY' }
  | { readonly code: 'FORMULA_UNREADABLE'; readonly text: string }
  | { readonly code: 'FORMULA_TOO_DEEP' }
  | { readonly code: 'NUMBER_TWO_WAYS'; readonly text: string; readonly readings: readonly string[] }
  | { readonly code: 'FEEL_NOT_SUPPORTED'; readonly what: string }
  | { readonly code: 'NAME_UNKNOWN'; readonly name: string; readonly near: string | undefined }
  | { readonly code: 'NAME_HAS_NO_VALUE'; readonly name: string }
  | {
      readonly code: 'FIGURE_UNKNOWN'
      readonly name: string
      readonly of: string
      readonly figures: readonly string[]
    }
  | { readonly code: 'FUNCTION_UNKNOWN'; readonly name: string; readonly near: string | undefined }
  | {
      readonly code: 'ARGUMENT_UNKNOWN'
      readonly function: string
      readonly name: string
      readonly names: readonly string[]
    }
  | { readonly code: 'ARGUMENT_MISSING'; readonly function: string; readonly name: string }
  | { readonly code: 'ARGUMENTS_TOO_MANY'; readonly function: string; readonly most: number }
  | {
      readonly code: 'UNIT_NOT_WANTED'
      readonly text: string
      readonly got: Unit
      readonly wanted: Wanted
      readonly place: string | undefined
      readonly mend: string | undefined
    }
  | {
      readonly code: 'UNITS_CLASH'
      readonly how: Arithmetic | Comparison | 'if' | 'list' | 'same'
      readonly a: string
      readonly b: string
      readonly unitA: Unit
      readonly unitB: Unit
      readonly mend: string | undefined
    }
  | {
      readonly code: 'PERIODS_DIFFER'
      readonly a: string
      readonly b: string
      readonly perA: Period | undefined
      readonly perB: Period | undefined
      readonly mend: string | undefined
    }
  | { readonly code: 'ITEM_NAME_TAKEN'; readonly name: string }
  | { readonly code: 'OPTION_UNKNOWN'; readonly text: string; readonly options: readonly string[] }
  | { readonly code: 'DATE_UNREADABLE'; readonly text: string }
  | { readonly code: 'PERIOD_NEEDED'; readonly function: string; readonly text: string }
  /** Questions, which do not stop anything: something that is allowed and looks like a slip. */
  | { readonly code: 'DIVIDED_BY_HAND'; readonly text: string; readonly by: string; readonly unit: Unit }
  | { readonly code: 'PERCENT_SO_SMALL'; readonly text: string; readonly instead: string }

export type FormulaProblem = FormulaFault & { readonly from: number; readonly to: number }

export const gentleCodes = ['DIVIDED_BY_HAND', 'PERCENT_SO_SMALL'] as const satisfies FormulaFault['code'][]
