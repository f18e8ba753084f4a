import type { Taken, Takes } from './taken'

/** A lender's wording of phrases by their names, each a text with its figures between braces: "Still owed: {amount}". */
export type Phrases = Readonly<Record<string, string>>

type Words = Readonly<Record<string, unknown>>
type Said = (...args: unknown[]) => string

/** One thing a phrase takes, by the name it has between braces. */
type One =
  | { readonly is: 'text' | 'maybe' | 'flag'; readonly name: string }
  | { readonly is: 'among'; readonly name: string; readonly of: readonly (string | number)[] }
type Values = ReadonlyMap<string, unknown>

/** What a list of words is written with. */
const BETWEEN = ', '
/** Every plural form the Unicode CLDR has. */
export const pluralCategories: readonly string[] = ['zero', 'one', 'two', 'few', 'many', 'other']

/** A word by number, as `Counted`: forms by the categories of the Unicode CLDR. */
const isCounted = (value: unknown): value is Readonly<Record<string, string>> =>
  typeof value === 'object' &&
  value !== null &&
  'other' in value &&
  Object.keys(value).every((key) => pluralCategories.includes(key))

const oneOf = (taken: Exclude<Taken, { fields: unknown }>, of: string): One => {
  const named = (name: string) => (of ? `${of} ${name}` : name)
  if (typeof taken === 'string') return { is: 'text', name: named(taken) }
  if ('maybe' in taken) return { is: 'maybe', name: named(taken.maybe) }
  if ('flag' in taken) return { is: 'flag', name: named(taken.flag) }
  return { is: 'among', name: named(taken.among), of: taken.of }
}
const onesOf = ({ takes }: Takes): One[] =>
  takes.flatMap((taken) =>
    typeof taken === 'object' && 'fields' in taken
      ? taken.fields.map((field) => oneOf(field, taken.of ?? ''))
      : [oneOf(taken, '')],
  )

/** The arguments a phrase is called with, for values by name. */
function argumentsFor({ takes }: Takes, values: Values): unknown[] {
  const fieldName = (field: Exclude<Taken, { fields: unknown }>) => oneOf(field, '').name
  return takes.map((taken) =>
    typeof taken === 'object' && 'fields' in taken
      ? Object.fromEntries(
          taken.fields.map((field) => [fieldName(field), values.get(oneOf(field, taken.of ?? '').name)]),
        )
      : values.get(oneOf(taken, '').name),
  )
}

/** The values by name a phrase was called with. */
function valuesOf(takes: Takes, args: readonly unknown[]): Values {
  const flat = takes.takes.flatMap((taken, i) =>
    typeof taken === 'object' && 'fields' in taken
      ? taken.fields.map((field) => (args[i] as Words)[oneOf(field, '').name])
      : [args[i]],
  )
  return new Map(onesOf(takes).map(({ name }, i) => [name, flat[i]]))
}

/** Which variant of a phrase values lead to: "[half, left]"; nothing where it has only one. */
function variantOf(takes: Takes, values: Values): string {
  const ones = onesOf(takes)
  if (ones.every(({ is }) => is === 'text')) return ''
  const chosen = ones.flatMap((one) => {
    const value = values.get(one.name)
    if (one.is === 'among') return [String(value)]
    return one.is !== 'text' && value ? [one.name] : []
  })
  return `[${(takes.narrow ? takes.narrow(new Set(chosen)) : chosen).join(', ')}]`
}

/** Every variant of a phrase, with values that stand for themselves: "{amount}". */
function variantsOf(takes: Takes): Map<string, Values> {
  let all: Map<string, unknown>[] = [new Map()]
  for (const one of onesOf(takes)) {
    const marker = `{${one.name}}`
    const options = {
      text: [marker],
      maybe: [marker, ''],
      flag: [true, false],
      among: 'of' in one ? one.of : [],
    }
    all = all.flatMap((before) => options[one.is].map((value) => new Map(before).set(one.name, value)))
  }
  // The fullest first: of variants that come to the same, the plainest stands for them.
  return new Map(all.map((values) => [variantOf(takes, values), values]))
}

/** Visits each phrase of words: a text, a list, the forms of a counted word, or a function with what it takes. */
function phraseByPhrase(
  words: Words,
  takes: Readonly<Record<string, Takes>>,
  visit: (name: string, value: unknown, takes: Takes | undefined) => unknown,
  path = '',
): Words {
  return Object.fromEntries(
    Object.entries(words).map(([key, value]) => {
      const name = path ? `${path}.${key}` : key
      const isPhrase =
        typeof value === 'string' || typeof value === 'function' || Array.isArray(value) || isCounted(value)
      return [
        key,
        isPhrase ? visit(name, value, takes[name]) : phraseByPhrase(value as Words, takes, visit, name),
      ]
    }),
  )
}

/** The phrases of words as texts, by name; `categories`: the plural forms of their language. */
export function phrasesOf(
  words: object,
  takes: Readonly<Record<string, Takes>>,
  categories: readonly string[],
): Record<string, string> {
  const found: Record<string, string> = {}
  phraseByPhrase(words as Words, takes, (name, value, taken) => {
    if (typeof value === 'string') found[name] = value
    else if (Array.isArray(value)) found[name] = value.join(BETWEEN)
    else if (typeof value === 'function') {
      if (!taken) throw new Error(`what ${name} takes is not written down`)
      for (const [variant, values] of variantsOf(taken))
        found[name + variant] = (value as Said)(...argumentsFor(taken, values))
    } else if (isCounted(value))
      for (const category of categories) found[`${name}.${category}`] = value[category] ?? value.other ?? ''
    return value
  })
  return found
}

/** Words with those phrases in a lender's wording that it has; the others as they are. */
export function rewordedBy<W extends object>(
  words: W,
  takes: Readonly<Record<string, Takes>>,
  own: Phrases,
): W {
  const has = (name: string) => Object.hasOwn(own, name)
  return phraseByPhrase(words as Words, takes, (name, value, taken) => {
    if (typeof value === 'string') return has(name) ? own[name] : value
    if (Array.isArray(value)) return has(name) ? wordsListed(own[name] ?? '') : value
    if (isCounted(value))
      return {
        ...value,
        ...Object.fromEntries(
          pluralCategories.flatMap((category) =>
            has(`${name}.${category}`) ? [[category, own[`${name}.${category}`]]] : [],
          ),
        ),
      }
    if (typeof value !== 'function' || !taken) return value
    return (...args: unknown[]) => {
      const values = valuesOf(taken, args)
      const said = name + variantOf(taken, values)
      return has(said) ? filled(own[said] ?? '', values) : (value as Said)(...args)
    }
  }) as W
}

/** "year, years" as a list, longer words first: a shorter one would hide them. */
const wordsListed = (text: string): string[] =>
  text
    .split(',')
    .map((word) => word.trim())
    .filter(Boolean)
    .sort((a, b) => b.length - a.length)

const PLACE = /\{([^{}]*)\}/g
const filled = (text: string, values: Values): string =>
  text.replace(PLACE, (_, name: string) => String(values.get(name) ?? ''))

/** The names between braces in a phrase, each once. */
export const placesIn = (text: string): string[] => [
  ...new Set([...text.matchAll(PLACE)].map(([, name = '']) => name)),
]
