import type { CalculatorStep, StepOf } from '../document/steps'

/** A loan with the terms of the one it is "as, but…" filled in where it says nothing of its own. */
export function effectiveLoan(
  step: StepOf<'loan'>,
  steps: readonly CalculatorStep[],
  inCircles: ReadonlySet<string>,
): StepOf<'loan'> {
  const base = steps.find(({ id }) => id === step.as)
  if (step.as === null || base?.kind !== 'loan' || inCircles.has(step.id) || inCircles.has(base.id))
    return step
  const full = effectiveLoan(base, steps, inCircles)
  const { term, payments, payment, initialRepayment, ...others } = full.terms
  // One way to say how long it runs takes the place of another.
  const saysLength =
    'term' in step.terms ||
    'payments' in step.terms ||
    'payment' in step.terms ||
    'initialRepayment' in step.terms
  const length = saysLength ? {} : pickGiven({ term, payments, payment, initialRepayment })
  return {
    ...step,
    terms: { ...others, ...length, ...step.terms },
    options: { ...full.options, ...step.options },
    extras: step.extras ?? full.extras,
    rateChanges: step.rateChanges ?? full.rateChanges,
  }
}

const pickGiven = (terms: Record<string, string | undefined>) =>
  Object.fromEntries(Object.entries(terms).filter(([, text]) => text !== undefined))
