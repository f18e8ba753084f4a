import type { CalculatorDocument, CalculatorStep, Currency } from '@vivid/core'
import type { Code } from '../translate/code'
import { LANGUAGE } from './questions'

const LONGEST_NOTE = 900

export function workingStep(id: string, name: string, { text, gives }: Code, note: string): CalculatorStep {
  return {
    kind: 'working',
    id,
    name,
    formula: text.replace(/^\((.*)\)$/s, (all, inner: string) => (isWhole(inner) ? inner : all)),
    unit: gives,
    rounding: null,
    note: note.slice(0, LONGEST_NOTE),
    shown: false,
    label: {},
  }
}

/** A document of these steps, without proofs. */
export const documentOf = (currency: Currency, steps: CalculatorStep[]): CalculatorDocument => ({
  version: 2,
  title: { [LANGUAGE]: 'From a worksheet' },
  currency,
  languages: [LANGUAGE],
  lender: 'Lender',
  results: 'live',
  introduction: {},
  disclosure: {},
  steps,
  samples: [{ id: 'sample', name: 'the worksheet as it is', answers: {} }],
  proofs: [],
})

/** Whether brackets around a text were around all of it. */
function isWhole(inner: string): boolean {
  let depth = 0
  for (const sign of inner) {
    if (sign === '(') depth++
    if (sign === ')' && --depth < 0) return false
  }
  return depth === 0
}
