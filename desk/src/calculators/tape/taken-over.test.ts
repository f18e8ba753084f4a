import { describe, expect, test } from 'vitest'
import { compile, emptyCalculator, insertStep, isGentle, type CalculatorDocument } from '@vivid/core'
import { stepKinds } from './step-kinds'
import { takenOver } from './taken-over'

/** An empty calculator with steps added one after another, as at the desk. */
const withSteps = (...kinds: readonly string[]): CalculatorDocument =>
  kinds.reduce<CalculatorDocument>((document, id) => {
    const kind = stepKinds.find((one) => one.id === id)
    if (!kind) throw new Error(`no kind ${id}`)
    return insertStep(document, kind.make(document), document.steps.at(-1)?.id)
  }, emptyCalculator())
const taken = (document: CalculatorDocument) => takenOver(document, compile(document, []).scope)

describe('a new loan takes over what is there, where exactly one fits', () => {
  test('all four', () => {
    expect(taken(withSteps('money', 'percent', 'term', 'frequency'))).toEqual({
      terms: { principal: 'amount', annualRate: 'rate', term: 'term', frequency: 'payment frequency' },
      says: 'the amount from “amount”, the rate from “rate”, the length from “term”, the frequency from “payment frequency”',
    })
  })
  test('none of two amounts', () => {
    expect(taken(withSteps('money', 'money', 'term'))?.terms).toEqual({ term: 'term' })
  })
  test('nothing where there is nothing', () => expect(taken(withSteps('yesNo'))).toBeUndefined())

  test('the loan works at once', () => {
    const document = withSteps('money', 'percent', 'term', 'frequency', 'loan')
    const terms = taken(document)?.terms
    const filled = {
      ...document,
      steps: document.steps.map((step) =>
        step.kind === 'loan' ? { ...step, terms: { ...step.terms, ...terms } } : step,
      ),
    }
    const { problems } = compile(filled as CalculatorDocument, [])
    expect(problems.filter((one) => one.step === 'theLoan' && !isGentle(one))).toEqual([])
  })
})

test('a question’s label begins as its name, also of the second of a kind', () => {
  const { steps } = withSteps('money', 'money', 'yesNo')
  expect(steps.map((step) => [step.name, 'label' in step && step.label['en-CA']])).toEqual([
    ['amount', 'Amount'],
    ['amount 2', 'Amount 2'],
    ['yes or no answer', 'Yes or no answer'],
  ])
})
