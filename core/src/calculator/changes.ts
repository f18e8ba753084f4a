import equal from 'fast-deep-equal'
import type { CalculatorDocument, CalculatorStep } from './document'

/** One field in which two documents differ. `step` is undefined for the document's own fields. */
export interface Change {
  readonly step: string | undefined
  readonly field: string
  readonly before: unknown
  readonly after: unknown
}

/** One field that two people changed differently since they both had `before`. */
export interface Conflict {
  readonly key: string
  readonly step: string | undefined
  readonly field: string
  readonly before: unknown
  readonly mine: unknown
  readonly theirs: unknown
}

/** The fields of a document laid flat: `title`, `steps/homePrice/label`, `sample/answers/rate`, and the order of steps. */
type Flat = Map<string, unknown>

const STEP_ORDER = 'order'

/** Which fields differ between two documents, in the order of the later one. */
export function changesBetween(before: CalculatorDocument, after: CalculatorDocument): Change[] {
  const [from, to] = [flatten(before), flatten(after)]
  return keysOf(to, from)
    .filter((key) => !equal(from.get(key), to.get(key)))
    .map((key) => ({ ...placeOf(key), before: from.get(key), after: to.get(key) }))
}

/**
 * Joins two people's changes to the same document. What only one of them changed is taken from that one; where
 * both changed a field differently, `choose` decides, and the field is listed in `conflicts`.
 */
export function mergeDocuments(
  base: CalculatorDocument,
  mine: CalculatorDocument,
  theirs: CalculatorDocument,
  choose: (conflict: Conflict) => 'mine' | 'theirs' = () => 'mine',
): { document: CalculatorDocument; conflicts: Conflict[] } {
  const [b, m, t] = [flatten(base), flatten(mine), flatten(theirs)]
  const conflicts: Conflict[] = []
  const merged: Flat = new Map()
  for (const key of keysOf(m, t)) {
    const [before, my, their] = [b.get(key), m.get(key), t.get(key)]
    if (equal(my, their) || equal(their, before)) merged.set(key, my)
    else if (equal(my, before)) merged.set(key, their)
    else {
      const conflict = { key, ...placeOf(key), before, mine: my, theirs: their }
      conflicts.push(conflict)
      merged.set(key, choose(conflict) === 'mine' ? my : their)
    }
  }
  return { document: rebuild(merged), conflicts }
}

const keysOf = (first: Flat, second: Flat) => [...new Set([...first.keys(), ...second.keys()])]

function placeOf(key: string): { step: string | undefined; field: string } {
  const [root, step, field] = key.split('/')
  if (root === 'steps') return { step, field: field ?? '' }
  return { step: root === 'sample' ? field : undefined, field: root ?? '' }
}

function flatten({ steps, sample, ...own }: CalculatorDocument): Flat {
  const flat: Flat = new Map(Object.entries(own))
  flat.set(
    STEP_ORDER,
    steps.map((step) => step.id),
  )
  for (const step of steps)
    for (const [field, value] of Object.entries(step)) flat.set(`steps/${step.id}/${field}`, value)
  flat.set('sample/name', sample.name)
  for (const [id, answer] of Object.entries(sample.answers)) flat.set(`sample/answers/${id}`, answer)
  return flat
}

function rebuild(flat: Flat): CalculatorDocument {
  const own: Record<string, unknown> = {}
  const steps = new Map<string, Record<string, unknown>>()
  const answers: Record<string, unknown> = {}
  let sampleName: unknown
  for (const [key, value] of flat) {
    if (value === undefined) continue
    const [root, second = '', third = ''] = key.split('/')
    if (root === 'steps') steps.set(second, { ...steps.get(second), [third]: value })
    else if (key === 'sample/name') sampleName = value
    else if (root === 'sample') answers[third] = value
    else if (root !== undefined && root !== STEP_ORDER) own[root] = value
  }
  const order = flat.get(STEP_ORDER) as string[]
  return {
    ...own,
    steps: order.map((id) => steps.get(id) as unknown as CalculatorStep),
    sample: { name: sampleName, answers },
  } as CalculatorDocument
}
