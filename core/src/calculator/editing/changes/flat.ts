import { dequal as equal } from 'dequal/lite'
import type { CalculatorDocument } from '../../document/document'

/**
 * One field in which two documents differ: `label.fr-CA` of a step, `title.en-CA` or the order of the steps of the
 * document, a field of a sample visitor or a proof. An empty field is the whole of it.
 */
export interface Change {
  readonly of: 'document' | 'step' | 'sample' | 'proof'
  /** Identifies the step, the sample visitor or the proof; undefined for the document's own fields. */
  readonly id: string | undefined
  readonly field: string
  readonly before: unknown
  readonly after: unknown
}

/** What two people changed differently since they both had `before`: a field, or a whole step, sample visitor or proof. */
export interface Conflict extends Omit<Change, 'after'> {
  readonly key: string
  readonly mine: unknown
  readonly theirs: unknown
}

/** The fields of a document laid flat: `document//title/en-CA`, `step/homePrice/label/en-CA`, `document//steps` for their order. */
export type Flat = Map<string, unknown>

/** Which fields differ between two documents, in the order of the later one. */
export function changesBetween(before: CalculatorDocument, after: CalculatorDocument): Change[] {
  const [from, to] = [flatten(before), flatten(after)]
  return keysOf(to, from)
    .filter((key) => !equal(from.get(key), to.get(key)))
    .map((key) => ({ ...placeOf(key), before: from.get(key), after: to.get(key) }))
}

export const keysOf = (first: Flat, second: Flat) => [...new Set([...first.keys(), ...second.keys()])]

export function placeOf(key: string): Pick<Change, 'of' | 'id' | 'field'> {
  const [of, id, ...fields] = key.split('/')
  return { of: of as Change['of'], id: id || undefined, field: fields.join('.') }
}

/** Fields whose entries are changed one by one: texts by language, terms and keys by name, answers by question. */
const SPLIT = new Set([
  'title',
  'introduction',
  'disclosure',
  'contact',
  'nextSteps',
  'label',
  'help',
  'sentence',
  'text',
  'terms',
  'keys',
  'options',
  'answers',
])

export const LISTS = { steps: 'step', samples: 'sample', proofs: 'proof' } as const
export type ListName = keyof typeof LISTS

export function flatten(document: CalculatorDocument): Flat {
  const flat: Flat = new Map()
  for (const [field, value] of Object.entries(document)) {
    if (!(field in LISTS)) lay(flat, `document//${field}`, value, SPLIT.has(field))
  }
  for (const [list, of] of Object.entries(LISTS) as [ListName, string][]) {
    const items: readonly { id: string }[] = document[list]
    flat.set(
      `document//${list}`,
      items.map(({ id }) => id),
    )
    for (const item of items)
      for (const [field, value] of Object.entries(item))
        lay(flat, `${of}/${item.id}/${field}`, value, SPLIT.has(field) && isPlainRecord(value))
  }
  return flat
}

const isPlainRecord = (value: unknown) => typeof value === 'object' && value !== null && !Array.isArray(value)

function lay(flat: Flat, key: string, value: unknown, split: boolean): void {
  if (!split) {
    flat.set(key, value)
    return
  }
  // An empty record is there too: it is what tells "no entries" from "no such field".
  flat.set(key, RECORD)
  for (const [name, entry] of Object.entries(value as object)) flat.set(`${key}/${name}`, entry)
}

const RECORD = '\u0000record'

export function rebuild(flat: Flat): CalculatorDocument {
  const own: Record<string, unknown> = {}
  const items = new Map<string, Record<string, unknown>>()
  for (const [key, value] of flat) {
    if (value === undefined) continue
    const [of = '', id = '', field = '', name] = key.split('/')
    const target = of === 'document' ? own : (items.get(`${of}/${id}`) ?? {})
    if (of !== 'document') items.set(`${of}/${id}`, target)
    if (name !== undefined) target[field] = { ...(target[field] as object), [name]: value }
    else target[field] = value === RECORD ? ((target[field] as object | undefined) ?? {}) : value
  }
  for (const [list, of] of Object.entries(LISTS) as [ListName, string][]) {
    own[list] = (own[list] as string[]).flatMap((id) => items.get(`${of}/${id}`) ?? [])
  }
  return own as unknown as CalculatorDocument
}

/** The identifiers of a list's items that have fields. */
export function itemsOf(flat: Flat, list: ListName): Set<string> {
  const ids = new Set<string>()
  for (const [key, value] of flat) {
    const [of, id] = key.split('/')
    if (of === LISTS[list] && id && value !== undefined) ids.add(id)
  }
  return ids
}

export const listOf = (flat: Flat, list: ListName): readonly string[] =>
  (flat.get(`document//${list}`) ?? []) as string[]
