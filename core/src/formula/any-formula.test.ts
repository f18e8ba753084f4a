import fc from 'fast-check'
import { expect, test } from 'vitest'
import { isDecimal } from '../money/decimal'
import { check, names, run } from '../testing/formulas'
import { Stopped } from './computed'
import { builtIns } from './functions'

const numbers = [
  '0',
  '1',
  '2',
  '0.5',
  '12',
  '100',
  '1000000000000',
  '0.000000000001',
  '(0 - 1)',
  '(0 - 0.5)',
  '(0 - 40)',
]
const plain = fc.constantFrom(
  ...numbers,
  ...Object.keys(names),
  '"monthly"',
  '"weekly"',
  'true',
  'date("2026-02-28")',
)
const operators = fc.constantFrom('+', '-', '*', '/', '**')

/** Formulas as nobody would write them: any function of anything, numbers at their ends. */
const { formula } = fc.letrec<{ formula: string }>((tie) => ({
  formula: fc.oneof(
    { maxDepth: 3, withCrossShrink: true },
    plain,
    fc.tuple(tie('formula'), operators, tie('formula')).map(([a, how, b]) => `(${a} ${how} ${b})`),
    fc
      .tuple(fc.constantFrom(...builtIns), fc.array(tie('formula'), { maxLength: 4 }))
      .map(([{ name, parameters }, args]) => `${name}(${args.slice(0, parameters.length).join(', ')})`),
    fc.array(tie('formula'), { maxLength: 3 }).map((items) => `[${items.join(', ')}]`),
    fc
      .tuple(tie('formula'), fc.constantFrom('<', '=', '>='), tie('formula'), tie('formula'))
      .map(([a, how, b, other]) => `if ${a} ${how} ${b} then ${a} else ${other}`),
  ),
}))

/** What a sound formula comes to, or why it stopped; undefined where it is not sound. */
function outcome(text: string): unknown {
  if (check(text).problems.length > 0) return undefined
  try {
    return run(text)
  } catch (error) {
    if (error instanceof Stopped) return error.stop
    throw new Error(`${text}: ${String(error)}`, { cause: error })
  }
}

test('a sound formula comes to something or says why it does not, whatever it is made of (5,000)', () => {
  let sound = 0
  fc.assert(
    fc.property(formula, (text) => {
      const came = outcome(text)
      if (came === undefined) return
      sound++
      if (isDecimal(came)) expect(came.toFixed()).toMatch(/^-?\d+(\.\d+)?$/)
    }),
    { numRuns: 5_000 },
  )
  expect(sound).toBeGreaterThan(800)
})
