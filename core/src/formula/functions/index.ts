import type { BuiltIn } from './function'
import { lightFunctions, namedAmong } from './light'
import { loanFunctions } from './loans'
import { rateFunctions } from './rates'

/** All functions, as formulas are checked with. */
export const builtIns: readonly BuiltIn[] = [...lightFunctions, ...loanFunctions, ...rateFunctions]

export const builtInNamed = namedAmong(builtIns)
