import fc from 'fast-check'
import { expect, test } from 'vitest'
import { placesNeeded, shippedPhrases, type Phrases } from '@vivid/contract/own-words'
import { readWords, writeWords } from './words-csv'

const english = await shippedPhrases('en')
const french = await shippedPhrases('fr')

test('a file that goes out comes back: every phrase filled, with whatever words around its figures', () => {
  const names = Object.keys(english)
  const anyWords = fc.string({ unit: 'grapheme', minLength: 1, maxLength: 20 })
  const anyPhrase = fc.tuple(fc.constantFrom(...names), anyWords).map(([name, words]): [string, string] => {
    const plain = words.replace(/[{}]/g, '').trim()
    const needed = placesNeeded(name, english[name] ?? '', 'fr').join(' ')
    return [name, `${plain} ${needed}`.trim()]
  })
  fc.assert(
    fc.property(fc.array(anyPhrase, { maxLength: 12 }), (filled) => {
      const own = Object.fromEntries(filled.filter(([, text]) => text !== ''))
      expect(readWords(writeWords(english, french, own), english, 'fr')).toEqual({ ok: true, phrases: own })
    }),
    { numRuns: 60 },
  )
})

test('the file has every phrase, in English, as it is and as the lender words it', () => {
  const lines = writeWords(english, french, { 'page.results': 'Votre crédit' }).split('\r\n')
  expect(lines[0]).toBe('phrase,English,as it is,yours')
  expect(lines).toContain('page.results,Your figures,Vos chiffres,Votre crédit')
  expect(lines).toHaveLength(Object.keys(english).length + 2)
})

const faultsOf = (own: Phrases, more = '', letters = 'fr') => {
  const read = readWords(`${writeWords(english, french, own)}${more}`, english, letters)
  return read.ok ? [] : read.faults.map(({ column, what }) => `${column}: ${what}`)
}
test.each<[string, Phrases, string]>([
  [
    'a figure left out',
    { 'page.from': 'at least' },
    'yours: “page.from” has to say {least} somewhere: a figure stands there.',
  ],
  ['a figure that is not there', { 'page.from': '{least} of {most}' }, 'yours: “page.from” has no {most}.'],
  [
    'a brace alone',
    { 'page.from': '{least} }' },
    'yours: “page.from” has a brace that stands alone; braces stand around the name of a figure.',
  ],
  [
    'a number left out',
    { 'years.other': 'years' },
    'yours: “years.other” has to say # somewhere: a figure stands there.',
  ],
])('%s is told by its row, and nothing is taken', (_, own, fault) => {
  expect(faultsOf(own)).toEqual([fault])
})

test('a number may be left out of the form of a word that is for this number alone', () => {
  const missing = 'yours: “years.one” has to say # somewhere: a figure stands there.'
  for (const letters of ['en', 'de', 'es', 'pl'])
    expect([letters, faultsOf({ 'years.one': 'a' }, '', letters)]).toEqual([letters, []])
  // None and one in French and Portuguese; 1, 21, 31 … in Russian.
  for (const letters of ['fr', 'pt', 'ru'])
    expect([letters, faultsOf({ 'years.one': 'a' }, '', letters)]).toEqual([letters, [missing]])
})

test('an unknown phrase, one that stands twice, and a file without the columns are told', () => {
  expect(faultsOf({}, 'page.nothing,,,Rien\r\n')).toEqual(['phrase: There is no phrase “page.nothing”.'])
  expect(faultsOf({ 'page.yes': 'Oui' }, 'page.yes,,,Si\r\n')).toEqual([
    'phrase: “page.yes” stands here twice',
  ])
  expect(readWords('a,b\r\n1,2\r\n', english, 'fr')).toMatchObject({
    ok: false,
    faults: [{ column: 'phrase' }, { column: 'yours' }],
  })
})
