import { expect, test } from 'vitest'
import type { CalculatorDocument } from '../document/document'
import type { CalculatorStep } from '../document/steps'
import { starters } from '../starters'
import { compile } from './compile'

const made = (id: string): CalculatorDocument => {
  const starter = starters.find((one) => one.id === id)
  if (!starter) throw new Error(`no starter ${id}`)
  return starter.make()
}
/** What is to be mended once these steps are changed. */
function problemsWith(id: string, change: (step: CalculatorStep) => object): string[] {
  const document = made(id)
  const steps = document.steps.map((step) => ({ ...step, ...change(step) }) as CalculatorStep)
  return compile({ ...document, steps, proofs: [] }, []).problems.map(
    ({ code, step, field }) => `${step} ${field} ${code}`,
  )
}
const at = (id: string, fields: object) => (step: CalculatorStep) => (step.id === id ? fields : {})

test('rows until the visitor leaves need to know when that is', () => {
  expect(problemsWith('compare-loans', at('offers', { stay: ' ' }))).toContain('beside rows STAY_NEEDED')
  expect(problemsWith('compare-loans', at('offers', { stay: undefined }))).toContain(
    'beside rows STAY_NEEDED',
  )
  expect(problemsWith('compare-loans', at('offers', {}))).toEqual([])
  const without = (step: CalculatorStep) =>
    step.id === 'beside' ? { rows: ['payment'] } : step.id === 'offers' ? { stay: undefined } : {}
  expect(problemsWith('compare-loans', without).filter((one) => one.includes('STAY'))).toEqual([])
})

test.each([
  ['refinance', 'bothLoans', undefined, 'bothLoans of REFERENCE_UNKNOWN'],
  ['refinance', 'bothLoans', 'nobody', 'bothLoans of REFERENCE_UNKNOWN'],
  ['refinance', 'bothLoans', 'balance', 'bothLoans of REFERENCE_OF_WRONG_KIND'],
  ['affordability', 'allowed', undefined, 'allowed of REFERENCE_UNKNOWN'],
  ['affordability', 'allowed', 'income', 'allowed of REFERENCE_OF_WRONG_KIND'],
])('a chart of the %s starter, %s, drawn of %s, has to be mended', (id, chart, of, problem) => {
  expect(problemsWith(id, at(chart, { of }))).toContain(problem)
})
