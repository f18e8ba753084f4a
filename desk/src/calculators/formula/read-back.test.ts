import { expect, test } from 'vitest'
import { compile, starters } from '@vivid/core'
import { figuresFor } from '@vivid/contract/wording'
import { phrases } from './phrases'
import { readBack } from './read-back'

const starter = starters.find(({ id }) => id === 'insured-purchase')
if (!starter) throw new Error('the starter is there')
const { program, scope } = compile(starter.make(), starter.sheets)
const given = {
  program,
  scope,
  answers: { homePrice: 500_000_00 },
  now: '2026-11-25',
  sheets: starter.sheets,
  figures: figuresFor(program, 'en-CA'),
}

test.each<[string, string | undefined]>([
  ['home price - down payment', 'Home price ($500,000.00) less down payment ($50,000.00) gives $450,000.00.'],
  [
    'if loan to value >= 80 then premium rate else 0',
    'When loan to value (90%) is at least 80 then premium rate (3.1%) otherwise 0 gives 3.1%.',
  ],
  ['the loan.payment * 2', 'The loan.payment ($2,604.07 every month) times 2 gives $5,208.14 every month.'],
  [
    'home price / (rate - rate)',
    'Home price ($500,000.00) divided by (rate (4.64%) less rate (4.64%)), which has no value for this visitor.',
  ],
  ['home prize', undefined],
])('%s', (text, sentence) => expect(readBack(text, { is: 'shown' }, given)).toBe(sentence))

test('every phrase becomes a formula that is checked like any other', () => {
  const fill: Record<string, string> = {
    one: 'home price',
    other: '1',
    condition: 'home price > 1',
    value: 'home price',
    part: 'down payment',
    whole: 'home price',
    percent: 'rate',
    amount: 'yearly(1200)',
    unit: '1000',
    length: 'term',
    frequency: 'payment frequency',
    loan: 'the loan',
    years: '5',
    number: '12',
    least: '1',
    most: '9',
  }
  for (const { id, blanks, formula } of phrases) {
    const filled = Object.fromEntries(blanks.map(({ name }) => [name, fill[name] ?? '']))
    expect([id, readBack(formula(filled), { is: 'shown' }, given)]).toEqual([
      id,
      expect.stringMatching(/ gives /),
    ])
  }
})
