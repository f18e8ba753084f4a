import type { CalculatorDocument } from '../calculator/document/document'
import type { CalculatorStep } from '../calculator/document/steps'
import { mortgagePayment } from '../calculator/starters/mortgage-payment'

export const TODAY = { year: 2026, month: 11, day: 25, time: '12:00' }

/** The mortgage starter with fields of one step changed. */
export const changed = (
  id: string,
  fields: Record<string, unknown>,
  from: CalculatorDocument = mortgagePayment(),
): CalculatorDocument => ({
  ...from,
  steps: from.steps.map((step) => (step.id === id ? ({ ...step, ...fields } as CalculatorStep) : step)),
})

/** The mortgage starter with more steps before its readouts. */
export const withSteps = (...steps: CalculatorStep[]): CalculatorDocument => {
  const document = mortgagePayment()
  const at = document.steps.findIndex(({ kind }) => kind === 'readout')
  return { ...document, steps: [...document.steps.slice(0, at), ...steps, ...document.steps.slice(at)] }
}
