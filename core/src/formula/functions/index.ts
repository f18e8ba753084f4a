import { amountFunctions } from './amounts'
import type { BuiltIn } from './function'
import { loanFunctions } from './loans'
import { oftenFunctions } from './often'
import { timeFunctions } from './time'

export const builtIns: readonly BuiltIn[] = [
  ...amountFunctions,
  ...oftenFunctions,
  ...timeFunctions,
  ...loanFunctions,
]

const byName = new Map(builtIns.map((builtIn) => [builtIn.name, builtIn]))
export const builtInNamed = (name: string): BuiltIn | undefined => byName.get(name)
