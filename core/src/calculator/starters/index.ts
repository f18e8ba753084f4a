import type { CalculatorDocument } from '../document'
import { mortgagePayment } from './mortgage-payment'

export interface Starter {
  readonly id: string
  readonly title: string
  readonly purpose: string
  readonly make: () => CalculatorDocument
}

/** Ready-made calculators to begin from, each for one purpose. */
export const starters = [
  {
    id: 'mortgage-payment',
    title: 'Mortgage payment',
    purpose: 'What a home costs each month, fortnight or week, and where the money goes.',
    make: mortgagePayment,
  },
] as const satisfies readonly Starter[]

export type StarterId = (typeof starters)[number]['id']
