import { createEvaluator } from '../evaluate/evaluate'
import type { Around } from '../evaluate/context'
import type { Answers, Program, ProgramStep, ReadyFormula } from '../program/program'
import type { Evaluation, Value } from '../program/evaluated'

/** A formula from outside the document's steps, ready to be worked out among their values. */
export type AskedFormula = ReadyFormula & { readonly uses: readonly string[] }

export interface Asked {
  /** What each formula comes to, in the order asked; undefined where it has no value here. */
  readonly values: readonly (Value | undefined)[]
  readonly evaluation: Evaluation
}

/** Works formulas out for a visitor's answers: each as a step of its own, after all others; readouts are left out. */
export function askFormulas(
  program: Program,
  formulas: readonly (AskedFormula | undefined)[],
  answers: Answers,
  around: Around,
): Asked {
  const added = formulas.flatMap((formula, i) => (formula ? [stepFor(formula, i)] : []))
  const asking: Program = {
    ...program,
    steps: [...program.steps.filter(({ step }) => step.kind !== 'readout'), ...added],
    order: [...program.order, ...added.map(({ step }) => step.id)],
  }
  const evaluation = createEvaluator(asking)(answers, around)
  return { values: formulas.map((_, i) => evaluation.values[idFor(i)]), evaluation }
}

/** An identifier no step of a document can have. */
const idFor = (index: number) => `=${index}`

function stepFor({ expression, unit, uses }: AskedFormula, index: number): ProgramStep {
  return {
    step: {
      kind: 'working',
      id: idFor(index),
      name: idFor(index),
      formula: '',
      unit: 'any',
      rounding: null,
      note: '',
      shown: false,
      label: {},
    },
    formulas: { formula: { expression, unit } },
    uses,
    unit,
  }
}
