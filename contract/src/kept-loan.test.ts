import { expect, test } from 'vitest'
import { compile, evaluate, starters, type CalculatorDocument } from '@vivid/core'
import { keptLoan } from './visitor'
import { conventionsSaid, figuresFor } from './wording'

const refinance = starters.find(({ id }) => id === 'refinance')?.make()
if (!refinance) throw new Error('the starter is gone')
const shown = (document: CalculatorDocument) => {
  const { program } = compile(document, [])
  const evaluation = evaluate(
    program,
    {},
    { today: { year: 2026, month: 11, day: 25, time: '12:00' }, sheets: [] },
  )
  return {
    kept: keptLoan(evaluation, program),
    conventions: conventionsSaid(evaluation, program, figuresFor(program, 'en-CA')),
  }
}

test('the loan of a refinancing whose schedule is shown is the one that is kept', () => {
  expect(shown(refinance).kept).toMatchObject({ loan: 'change.new', label: { 'en-CA': 'The new loan' } })
})

test('of a refinancing that shows neither loan, as editions of before, nothing is kept and no loan speaks for the page', () => {
  const shows = ['schedule', 'comparison', 'whatIf', 'chart']
  const steps = refinance.steps.filter(
    (step) => step.kind !== 'comparison' && !(step.kind === 'readout' && shows.includes(step.shows)),
  )
  const { kept, conventions } = shown({ ...refinance, steps })
  expect(kept).toBeUndefined()
  expect(conventions).toEqual(['Payments are monthly.', 'The rate compounds with every payment.'])
})
