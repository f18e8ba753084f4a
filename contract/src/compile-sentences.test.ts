import { expect, test } from 'vitest'
import { compile, emptyCalculator, starters, type CalculatorDocument, type CalculatorStep } from '@vivid/core'
import { compileSentenceWithPlace } from './compile-sentences'

const mortgage = starters[0]?.make() ?? emptyCalculator()
const withWorking = (formula: string): CalculatorDocument => {
  const step = {
    kind: 'working',
    id: 'w',
    name: 'w',
    formula,
    unit: 'any',
    rounding: null,
    note: '',
    shown: true,
    label: { 'en-CA': 'w', 'fr-CA': 'w' },
  } as CalculatorStep
  return { ...mortgage, steps: [step, ...mortgage.steps] }
}

test.each<[string, string]>([
  [
    'balance after(loan: the loan, payments: term)',
    'w: “term” is a length of time; “payments” wants a number of payments: write “payments in(term)”.',
  ],
  ['home price + term', 'w: “home price” is an amount and “term” a length of time: they cannot be added.'],
  ['term + 5', 'w: “term” is a length of time and “5” a number: they cannot be added. Write “years(5)”.'],
  ['home prize * 2', 'w: Nothing is called “home prize”; did you mean “home price”?'],
  ['the loan.paymint', 'w: “the loan” has no figure “paymint”. It has: '],
  [
    'monthly(home price) + yearly(home price)',
    'w: “monthly(home price)” is an amount a month and “yearly(home price)” one a year: write “per month(yearly(home price))”.',
  ],
  ['1 +', 'w: The formula breaks off here; something has to follow.'],
  ['rate / 12', 'w: “rate” is a yearly rate and is given as such; is 12 here on purpose?'],
  ['if rate > 0.8 then 1 else 2', 'w: “0.8” means 0.8 %. Is 80 % meant? Then write “80”.'],
  ['max()', 'w: “max” still needs its “values”.'],
  ['', 'w: Nothing is written here yet; a value or a formula is needed.'],
])('%s: a sentence says what is wrong, and the mend', (formula, sentence) => {
  const document = withWorking(formula)
  const [problem] = compile(document).problems
  expect(problem && compileSentenceWithPlace(problem, document)).toContain(sentence)
})

test('every sentence ends as one', () => {
  for (const formula of [
    'x',
    '1 2',
    'foo(1)',
    'years(1, 2)',
    'years(number: 1, x: 2)',
    'not(1)',
    'date("x")',
    'per month(home price)',
    'the loan',
    '((1',
  ]) {
    const document = withWorking(formula)
    for (const problem of compile(document).problems)
      expect(compileSentenceWithPlace(problem, document)).toMatch(/[.?]$/)
  }
})
