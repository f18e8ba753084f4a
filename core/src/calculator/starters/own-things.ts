import { dequal as equal } from 'dequal/lite'
import { ownThings, type CalculatorDocument, type OwnThing } from '../document/document'
import type { CalculatorStep } from '../document/steps'
import { starters } from '.'

/** What of a document belongs to each thing that a lender makes its own; undefined where it has nothing of it. */
const parts: Readonly<Record<OwnThing, (document: CalculatorDocument) => unknown>> = {
  currency: ({ currency, languages }) => [currency, languages[0]],
  languages: ({ languages }) => [...languages].sort(),
  conventions: ({ steps }) => some(steps.flatMap(conventionsOf)),
  rates: ({ steps }) => some(steps.flatMap(ratesOf)),
  words: ({ introduction, disclosure, nextSteps, contact }) => [introduction, disclosure, nextSteps, contact],
}
const some = (all: readonly unknown[]) => (all.length > 0 ? all : undefined)

const conventionsOf = (step: CalculatorStep): unknown[] => {
  if (step.kind === 'affordability' || step.kind === 'refinance') return [step.compounding]
  return 'options' in step && step.kind !== 'question' ? [step.options] : []
}
const ratesOf = (step: CalculatorStep): unknown[] => {
  if (step.kind === 'lookUp') return [step.sheet]
  return step.kind === 'question' && step.asks === 'percent' ? [step.default] : []
}

/** What a lender makes its own of a document, in the order it is gone through. */
export const ownThingsOf = (document: CalculatorDocument): OwnThing[] =>
  ownThings.filter((thing) => parts[thing](document) !== undefined)

/**
 * What of that is still as it came with the starter the document began from, and was not said to be right so. Nothing
 * where it began otherwise.
 */
export function stillToMakeOwn(document: CalculatorDocument): OwnThing[] {
  const { begunFrom } = document
  const starter = starters.find(({ id }) => id === begunFrom?.starter)
  if (!begunFrom || !starter) return []
  const came = starter.make()
  return ownThingsOf(document).filter(
    (thing) => !begunFrom.settled.includes(thing) && equal(parts[thing](document), parts[thing](came)),
  )
}

/** The document with a thing said to be right as it is. */
export const settled = (document: CalculatorDocument, things: readonly OwnThing[]): CalculatorDocument =>
  document.begunFrom
    ? {
        ...document,
        begunFrom: {
          ...document.begunFrom,
          settled: [...new Set([...document.begunFrom.settled, ...things])],
        },
      }
    : document
