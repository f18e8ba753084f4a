import type { BuiltIn } from './function'
import { lightFunctions, namedAmong } from './light'
import { loanFunctions } from './loans'
import { rateFunctions } from './rates'
import { timeFunctions } from './time'

/** What a page fetches when a formula calls one of them. */
export const furtherFunctions: readonly BuiltIn[] = [...timeFunctions, ...loanFunctions, ...rateFunctions]

/** All functions, as formulas are checked with. */
export const builtIns: readonly BuiltIn[] = [...lightFunctions, ...furtherFunctions]

export const builtInNamed = namedAmong(builtIns)
