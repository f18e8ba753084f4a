import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { fetchAllLanguages, spokenLanguages } from '../languages'
import { allWordsOf } from './all-words'
import { allTakes } from '.'
import { phrasesOf, placesIn, rewordedBy } from './phrases'

await fetchAllLanguages()
const all = new Map(
  await Promise.all(spokenLanguages.map(async (one) => [one, await allWordsOf(one)] as const)),
)
const categoriesOf = (language: string) => new Intl.PluralRules(language).resolvedOptions().pluralCategories
const phrases = (language: string) => phrasesOf(all.get(language)!, allTakes, categoriesOf(language))

/** Every function among words, with where it stands. */
function functionsIn(value: unknown, path = ''): [string, (...args: unknown[]) => string][] {
  if (typeof value === 'function') return [[path, value as () => string]]
  if (typeof value !== 'object' || value === null) return []
  return Object.entries(value).flatMap(([key, inner]) => functionsIn(inner, path ? `${path}.${key}` : key))
}

test('what every phrase takes is written down, and nothing else', () => {
  expect(
    functionsIn(all.get('en'))
      .map(([name]) => name)
      .sort(),
  ).toEqual(Object.keys(allTakes).sort())
})

/** Arguments such as a phrase is called with. */
function anyArguments(name: string): fc.Arbitrary<unknown[]> {
  const said = fc.constantFrom('$1,118.20', 'Berth {x}', '25 years', 'a $& b')
  const one = (taken: (typeof allTakes)[string]['takes'][number]): fc.Arbitrary<unknown> => {
    if (typeof taken === 'string') return said
    if ('maybe' in taken) return fc.oneof(said, fc.constant(''))
    if ('flag' in taken) return fc.boolean()
    if ('among' in taken) return fc.constantFrom(...taken.of)
    const nameOf = (field: (typeof taken.fields)[number]) =>
      typeof field === 'string'
        ? field
        : 'maybe' in field
          ? field.maybe
          : 'flag' in field
            ? field.flag
            : field.among
    return fc.record(Object.fromEntries(taken.fields.map((field) => [nameOf(field), one(field)])))
  }
  return fc.tuple(...(allTakes[name]?.takes ?? []).map(one))
}

describe.each(spokenLanguages)('%s', (language) => {
  test('written out as texts and read back, every phrase says the same, whatever it is given', () => {
    const words = all.get(language)!
    const back = new Map(functionsIn(rewordedBy(words, allTakes, phrases(language))))
    for (const [name, say] of functionsIn(words))
      fc.assert(
        fc.property(anyArguments(name), (args) => {
          expect([name, back.get(name)?.(...args)]).toEqual([name, say(...args)])
        }),
        { numRuns: 60 },
      )
  })

  test('its phrases are those of English, but for the forms its numbers have, and none is empty', () => {
    const own = phrases(language)
    const english = phrasesOf(all.get('en')!, allTakes, categoriesOf(language))
    expect(Object.keys(own).sort()).toEqual(Object.keys(english).sort())
    expect(Object.entries(own).filter(([, text]) => text.trim() === '')).toEqual([])
    for (const [name, text] of Object.entries(own))
      expect([
        name,
        placesIn(text).filter((place) => !placesIn(english[name] ?? '').includes(place)),
      ]).toEqual([name, []])
  })
})
