import { builtIns, nameFault, plainName } from '@vivid/core'

/** Gives names that formulas can use, each once: the label's own words where they can be. */
export interface Naming {
  (label: string, otherwise: string): string
  /** One that knows the names given so far, for what is only tried. */
  readonly copy: () => Naming
}

export function createNaming(given: Iterable<string> = []): Naming {
  const taken = new Set(given)
  const naming = (label: string, otherwise: string): string => {
    const words = label
      .toLowerCase()
      .replace(/\([^)]*\)/g, ' ')
      .replace(/[^\p{L}\p{N}' ]/gu, ' ')
    const usable =
      usableName(words.replace(/\s+/g, ' ').trim().slice(0, 48)) ?? usableName(otherwise) ?? 'value'
    let name = usable
    for (let n = 2; taken.has(plainName(name)); n++) name = `${usable} ${n}`
    taken.add(plainName(name))
    return name
  }
  return Object.assign(naming, { copy: () => createNaming(taken) })
}

function usableName(words: string): string | undefined {
  if (words === '') return undefined
  const name = nameFault(words)?.instead ?? words
  return nameFault(name) === undefined && !FUNCTIONS.has(name) && name !== ROW ? name : undefined
}

/** What a formula that goes through rows calls a row. */
const ROW = 'k'

/** A value named like a function would be read as it where a bracket follows. */
const FUNCTIONS: ReadonlySet<string> = new Set(builtIns.map(({ name }) => name))
