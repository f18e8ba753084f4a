import { askFormulas, createCompiler, type CalculatorDocument, type Proof, type RateSheet } from '@vivid/core'

/** A day for documents that know no day. */
export const DAY = '2026-11-25'
export const TODAY = { year: 2026, month: 11, day: 25, time: '12:00' }

/** A worksheet is asked about again and again while it is taken over: formulas are parsed once. */
const compile = createCompiler()

/** What texts of formulas come to in a document, for each of these answers; undefined where one has no figure. */
export function ask(
  document: CalculatorDocument,
  texts: readonly string[],
  answers: readonly Proof['answers'][],
  sheets: readonly RateSheet[] = [],
): (number | undefined)[][] {
  const expected = texts.map((of) => ({ of, figure: '0', tolerance: '0' }))
  const { program, proofs } = compile(
    { ...document, proofs: [{ id: 'asked', name: 'asked', answers: {}, on: DAY, expected }] },
    sheets,
  )
  const formulas = proofs[0]?.formulas ?? []
  return answers.map((given) =>
    askFormulas(program, formulas, given, { today: TODAY, sheets }).values.map((value) =>
      value?.unit === 'number' ? Number(value.number) : undefined,
    ),
  )
}

/** Figures are the same where they differ by a billionth, or both are all but nothing. */
export const isNear = (a: number, b: number): boolean =>
  Math.abs(a - b) <= 1e-9 * Math.max(1e-3, Math.abs(a), Math.abs(b))
