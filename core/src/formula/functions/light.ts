import { amountFunctions } from './amounts'
import type { BuiltIn } from './function'
import { oftenFunctions } from './often'
import { paymentRate } from './payment-rate'

/** The functions every page is worked out with; the others come with `further`. */
export const lightFunctions: readonly BuiltIn[] = [...amountFunctions, ...oftenFunctions, paymentRate]

export type FunctionNamed = (name: string) => BuiltIn | undefined

export function namedAmong(functions: readonly BuiltIn[]): FunctionNamed {
  const byName = new Map(functions.map((builtIn) => [builtIn.name, builtIn]))
  return (name) => byName.get(name)
}

export const lightNamed = namedAmong(lightFunctions)
