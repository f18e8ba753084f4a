import { dequal as equal } from 'dequal/lite'
import { CalculatorDocument } from '../../document/document'
import { alignNames, keepApart } from './align'
import {
  flatten,
  itemsOf,
  keysOf,
  LISTS,
  listOf,
  placeOf,
  rebuild,
  type Conflict,
  type Flat,
  type ListName,
} from './flat'
import { joinedOrder, withThoseOf } from './order'

export type Choose = (conflict: Conflict) => 'mine' | 'theirs'

interface Merged {
  readonly document: CalculatorDocument
  readonly conflicts: Conflict[]
}

/**
 * Joins two people's changes to the same document. What only one of them changed is taken from that one; where
 * both changed a field differently, or one removed what the other changed, `choose` decides, and it is listed in
 * `conflicts`. A step that one renamed is followed in what the other wrote; steps that both added under one identifier or
 * name are both kept. What comes out is always a document that opens: where it would not be, one of the two whole ones.
 */
export function mergeDocuments(
  base: CalculatorDocument,
  mine: CalculatorDocument,
  theirs: CalculatorDocument,
  choose: Choose = () => 'mine',
): Merged {
  const conflicts: Conflict[] = []
  const decide = (conflict: Conflict): unknown => {
    conflicts.push(conflict)
    return choose(conflict) === 'mine' ? conflict.mine : conflict.theirs
  }
  const named = alignNames({ base, mine, theirs }, decide)
  const [b, m, t] = [named.base, keepApart(named), named.theirs].map(flatten) as [Flat, Flat, Flat]
  const merged: Flat = new Map()
  const whole = wholeItems([b, m, t], decide)
  for (const key of keysOf(m, t)) {
    const item = itemKeyOf(key)
    if ((item !== undefined && whole.has(item)) || isOrder(key)) continue
    merged.set(key, fieldOf(key, b.get(key), m.get(key), t.get(key), decide))
  }
  for (const flat of whole.values()) for (const [key, value] of flat ?? []) merged.set(key, value)
  for (const list of Object.keys(LISTS) as ListName[]) {
    const ids = itemsOf(merged, list)
    const [before, my, their] = [b, m, t].map((flat) => listOf(flat, list)) as [string[], string[], string[]]
    const order = joinedOrder(
      before,
      withThoseOf(my, their, (id) => ids.has(id)),
      withThoseOf(their, my, (id) => ids.has(id)),
    )
    merged.set(`document//${list}`, [
      ...order.filter((id) => ids.has(id)),
      ...[...ids].filter((id) => !order.includes(id)),
    ])
  }
  const document = tidied(rebuild(merged), mine)
  if (CalculatorDocument.safeParse(document).success) return { document, conflicts }
  // Together they are no document (too many steps, say): then one of the two stands, and a person says which.
  const all: Conflict = {
    key: 'document',
    of: 'document',
    id: undefined,
    field: '',
    before: base,
    mine,
    theirs,
  }
  return { document: choose(all) === 'mine' ? mine : theirs, conflicts: [all] }
}

function fieldOf(
  key: string,
  before: unknown,
  mine: unknown,
  theirs: unknown,
  decide: (conflict: Conflict) => unknown,
): unknown {
  if (equal(mine, theirs) || equal(theirs, before)) return mine
  if (equal(mine, before)) return theirs
  if (key === 'document//languages') {
    const joined = joinedOrder(before as string[], mine as string[], theirs as string[])
    if (joined.length > 0) return joined
  }
  return decide({ key, ...placeOf(key), before, mine, theirs })
}

const isOrder = (key: string): boolean => Object.keys(LISTS).some((list) => key === `document//${list}`)

const itemKeyOf = (key: string): string | undefined => {
  const [of, id] = key.split('/')
  return id ? `${of}/${id}` : undefined
}

/** What makes a step another kind of thing, whose fields do not go with the old ones. */
const KIND = ['kind', 'asks', 'shows'] as const

/** Items that stand or go as a whole: one removed them, or made them another kind of thing. Undefined: gone. */
function wholeItems(
  [base, mine, theirs]: readonly [Flat, Flat, Flat],
  decide: (conflict: Conflict) => unknown,
): Map<string, Flat | undefined> {
  const [b, m, t] = [itemFlats(base), itemFlats(mine), itemFlats(theirs)]
  const whole = new Map<string, Flat | undefined>()
  for (const item of new Set([...b.keys(), ...m.keys(), ...t.keys()])) {
    const [before, my, their] = [b.get(item), m.get(item), t.get(item)]
    if (before === undefined) {
      if (my === undefined || their === undefined) whole.set(item, my ?? their)
      continue
    }
    const isOtherKind = (flat: Flat | undefined) =>
      flat === undefined ||
      KIND.some((field) => flat.get(`${item}/${field}`) !== before.get(`${item}/${field}`))
    if (!isOtherKind(my) && !isOtherKind(their)) continue
    if (isSame(my, their) || isSame(their, before)) whole.set(item, my)
    else if (isSame(my, before)) whole.set(item, their)
    else {
      const as = (flat: Flat | undefined) => flat && Object.fromEntries(flat)
      const conflict = { key: item, ...placeOf(item), before: as(before), mine: as(my), theirs: as(their) }
      const chosen = decide(conflict)
      whole.set(item, chosen === undefined ? undefined : new Map(Object.entries(chosen as object)))
    }
  }
  return whole
}

const isSame = (a: Flat | undefined, b: Flat | undefined): boolean =>
  a === b || (a !== undefined && b !== undefined && equal(Object.fromEntries(a), Object.fromEntries(b)))

/** The fields of each item by themselves. */
function itemFlats(flat: Flat): Map<string, Flat> {
  const items = new Map<string, Flat>()
  for (const [key, value] of flat) {
    const item = itemKeyOf(key)
    if (item === undefined) continue
    const own = items.get(item) ?? new Map()
    own.set(key, value)
    items.set(item, own)
  }
  return items
}

/** Without answers to questions that are gone; with a sample visitor at least. */
function tidied(document: CalculatorDocument, mine: CalculatorDocument): CalculatorDocument {
  const questions = new Set(document.steps.flatMap((step) => (step.kind === 'question' ? [step.id] : [])))
  const answered = <T extends { answers: Record<string, unknown> }>(one: T): T => ({
    ...one,
    answers: Object.fromEntries(Object.entries(one.answers).filter(([id]) => questions.has(id))),
  })
  const samples = document.samples.length > 0 ? document.samples : mine.samples.slice(0, 1)
  return { ...document, samples: samples.map(answered), proofs: document.proofs.map(answered) }
}
