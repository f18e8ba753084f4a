import { NotTaken, type Formula } from '../formula/formula'
import type { Code } from '../translate/code'
import type { TakenOver } from '../take/taking'
import { reachedFrom } from '../understand/understand'

/** Parts of a formula as keys: the same part is the same figure wherever it stands. */
export const keyOf = (formula: Formula): string => JSON.stringify(formula)

/** The most cells a loan's formula rests on, and the most figures it is looked for among: sheets have a tenth of it. */
const MOST_CELLS = 60
const LONGEST_TEXT = 600

/** The cells a cell rests on, itself first; undefined where they are too many to look for a loan among them. */
export function restsOn(cell: string, { formulas }: TakenOver): string[] | undefined {
  const reached = reachedFrom([cell], formulas, MOST_CELLS)
  return reached.size > MOST_CELLS ? undefined : [...reached]
}

/** The text of a part of a formula; undefined where it is no figure, or a long one. */
export function textOf(of: Formula, { codeFor }: TakenOver): string | undefined {
  try {
    const code: Code = codeFor(of)
    return code.gives === 'number' && code.text.length <= LONGEST_TEXT ? code.text : undefined
  } catch (error) {
    if (error instanceof NotTaken) return undefined
    throw error
  }
}
