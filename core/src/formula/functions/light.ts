import { amountFunctions } from './amounts'
import type { BuiltIn } from './function'
import { loanFunctions } from './loans'
import { oftenFunctions } from './often'
import { timeFunctions } from './time'

/** The functions every page is worked out with; the others come with `further`. */
export const lightFunctions: readonly BuiltIn[] = [
  ...amountFunctions,
  ...oftenFunctions,
  ...timeFunctions,
  ...loanFunctions,
]

export type FunctionNamed = (name: string) => BuiltIn | undefined

export function namedAmong(functions: readonly BuiltIn[]): FunctionNamed {
  const byName = new Map(functions.map((builtIn) => [builtIn.name, builtIn]))
  return (name) => byName.get(name)
}

/** Names of the functions that are worked out with more than a page has at first. */
export const furtherFunctionNames = [
  'level payment',
  'rate per payment',
  'effective rate',
  'annual percentage rate',
  'annual percentage rate of charge',
  'payments to repay',
  'minimum down payment',
] as const
