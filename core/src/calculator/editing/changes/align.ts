import { dequal as equal } from 'dequal/lite'
import { plainName } from '../../../formula/syntax'
import { mapReferences } from '../../compile/references-of'
import { hasValue } from '../../compile/units-of-steps'
import type { CalculatorDocument } from '../../document/document'
import { freeId, freeName, renameStep } from '../edit'
import type { Conflict } from './flat'

/** The same document as two people had it, and as each of them has it now. */
export interface ThreeWays {
  readonly base: CalculatorDocument
  readonly mine: CalculatorDocument
  readonly theirs: CalculatorDocument
}

const stepsById = ({ steps }: CalculatorDocument) => new Map(steps.map((step) => [step.id, step]))

/**
 * Gives each step one name in all three: the new one where one of them renamed it, the chosen one where both did. What
 * the other wrote with the old name follows.
 */
export function alignNames(ways: ThreeWays, decide: (conflict: Conflict) => unknown): ThreeWays {
  let { base, mine, theirs } = ways
  const [my, their] = [stepsById(mine), stepsById(theirs)]
  for (const { id, name: before } of ways.base.steps) {
    const [mineNow, theirsNow] = [my.get(id)?.name, their.get(id)?.name]
    if (mineNow === undefined || theirsNow === undefined) continue
    if (mineNow === before && theirsNow === before) continue
    const name =
      mineNow === theirsNow || theirsNow === before
        ? mineNow
        : mineNow === before
          ? theirsNow
          : String(
              decide({
                key: `step/${id}/name`,
                of: 'step',
                id,
                field: 'name',
                before,
                mine: mineNow,
                theirs: theirsNow,
              }),
            )
    base = renameStep(base, id, name)
    mine = renameStep(withNameFree(mine, id, name, base), id, name)
    theirs = renameStep(withNameFree(theirs, id, name, base), id, name)
  }
  return { base, mine, theirs }
}

/** The document with another name for a step its author added, where that is the one a step is about to get. */
function withNameFree(
  document: CalculatorDocument,
  id: string,
  name: string,
  base: CalculatorDocument,
): CalculatorDocument {
  const known = stepsById(base)
  const added = document.steps.find(
    (step) => step.id !== id && !known.has(step.id) && plainName(step.name) === plainName(name),
  )
  return added ? renameStep(document, added.id, freeName([...document.steps, ...base.steps], name)) : document
}

/** My document with another identifier or name for each step I added that they added too, as a different one. */
export function keepApart({ base, mine, theirs }: ThreeWays): CalculatorDocument {
  let apart = mine
  const [known, their] = [stepsById(base), stepsById(theirs)]
  for (const step of mine.steps) {
    if (known.has(step.id) || equal(step, their.get(step.id))) continue
    if (their.has(step.id)) {
      const taken = [...apart.steps, ...theirs.steps]
      apart = withOtherId(apart, step.id, freeId(taken, step.name))
    }
  }
  for (const step of apart.steps) {
    if (known.has(step.id) || !hasValue(step)) continue
    const isTaken = theirs.steps.some(
      (other) => other.id !== step.id && hasValue(other) && plainName(other.name) === plainName(step.name),
    )
    if (isTaken) apart = renameStep(apart, step.id, freeName([...apart.steps, ...theirs.steps], step.name))
  }
  return apart
}

/** The document with a step under another identifier, and everything that refers to it. */
function withOtherId(document: CalculatorDocument, from: string, to: string): CalculatorDocument {
  const id = (one: string) => (one === from ? to : one)
  const inAnswers = <T extends { answers: Record<string, unknown> }>(one: T): T => ({
    ...one,
    answers: Object.fromEntries(Object.entries(one.answers).map(([key, answer]) => [id(key), answer])),
  })
  return {
    ...document,
    steps: document.steps.map((step) => ({
      ...mapReferences(step, (named) => id(named.id)),
      id: id(step.id),
    })),
    samples: document.samples.map(inAnswers),
    proofs: document.proofs.map(inAnswers),
  }
}
