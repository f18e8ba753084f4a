import { NotTaken } from '../formula/formula'
import { either, figure, firstThat, NONE, yesNo, type Code } from './code'

/** A table that is looked up in, its cells translated; an empty one is 0. */
export type Table = readonly (readonly Code[])[]

/** How a key is found: exactly, as the last that is not above it, or as the last that is not below it. */
export type Match = 'exact' | 'notAbove' | 'notBelow'

/** A table of typed figures that something is looked up in, by one key or by two. */
export interface LookedUp {
  /** What the table is called where it stands: "Bands A12:B16". */
  readonly where: string
  readonly keys: readonly {
    readonly code: Code
    readonly match: Match
    readonly entries: readonly (number | string)[]
  }[]
  readonly rows: readonly { readonly keys: readonly (number | string)[]; readonly value: number }[]
  /** Whether its figures are shown as percentages. */
  readonly isPercent: boolean
}

/** A figure or a text as it was typed; undefined where it is worked out. */
export function typedIn({ text: said, gives }: Code): number | string | undefined {
  if (gives === 'text') return /^"([^"]*)"$/.exec(said)?.[1]
  const plain = said.replace(/^\((.*)\)$/, '$1')
  return gives === 'number' && /^-?\d+(\.\d+)?$/.test(plain) ? Number(plain) : undefined
}

const compared = (key: Code, sign: string, entry: Code): string | undefined =>
  key.gives === entry.gives ? `${key.text} ${sign} ${entry.text}` : undefined

/** What stands beside the key that is found; none where none is. Keys of another kind than what is sought are passed over. */
export function besideKey(key: Code, keys: readonly Code[], values: readonly Code[], match: Match): Code {
  const none = NONE[values[0]?.gives ?? 'number']
  if (match === 'exact')
    return firstThat(
      keys.flatMap((entry, i): [string, Code][] => {
        const condition = compared(key, '=', entry)
        return condition === undefined ? [] : [[condition, at(values, i)]]
      }),
      none,
    )
  if (key.gives !== 'number')
    throw new NotTaken('it looks a text up between others, in the order of an alphabet')
  const sign = match === 'notAbove' ? '<' : '>'
  const usable = keys.flatMap((entry, i) =>
    entry.gives === 'number' ? [{ entry, value: at(values, i) }] : [],
  )
  // Each entry decides where the key lies before the next one.
  const cases = usable.map(({ entry }, i): [string, Code] => [
    `${key.text} ${sign} ${entry.text}`,
    i === 0 ? none : (usable[i - 1]?.value ?? none),
  ])
  return firstThat(cases, usable.at(-1)?.value ?? none)
}

const at = (values: readonly Code[], i: number): Code => values[i] ?? figure(0)

/** The entry at a place counted from 1. Of entries of two kinds those like the last are meant: before them stand headings. */
export function chosen(index: Code, values: readonly Code[]): Code {
  const plain = Number(index.text)
  if (Number.isInteger(plain)) {
    const found = values[plain - 1]
    if (!found) throw new NotTaken(`there is no place ${plain} in what it looks up`)
    return found
  }
  const none = NONE[values.at(-1)?.gives ?? 'number']
  return values.reduceRight(
    (rest, value, i) =>
      value.gives === none.gives ? either(yesNo(`${index.text} = ${i + 1}`), value, rest) : rest,
    none,
  )
}

/** The places of keys as they are looked through: as they stand, or, for what is next to a key, in their order; each once. */
export function inOrder(keys: readonly Code[], match: Match): number[] {
  const places = keys.map((_, i) => i)
  if (match === 'exact') return places
  const typed = keys.map(typedIn)
  const key = (i: number | undefined) => (i === undefined ? NaN : Number(typed[i]))
  if (typed.some((one) => typeof one !== 'number'))
    throw new NotTaken('it looks for the next key among others that are no typed figures')
  const sorted = places.sort((a, b) => (match === 'notAbove' ? key(a) - key(b) : key(b) - key(a)))
  return sorted.filter((i, at) => key(i) !== key(sorted[at - 1]))
}

export const transposed = (table: Table): Table =>
  (table[0] ?? []).map((_, column) => table.map((row) => row[column] ?? figure(0)))
