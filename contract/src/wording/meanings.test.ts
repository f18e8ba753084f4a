import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { compile, evaluate, readMoment, starters } from '@vivid/core'
import { figuresFor } from './figures'
import { fetchAllLanguages, spokenLanguages } from './languages'
import { createExplain, factsOf, hasWord, fetchTradeWords, meaningsOn } from './meanings'
import { tradeWordNames, type TradeFacts } from './trade-words'

await fetchAllLanguages()
const today = readMoment('2026-11-25T09:00')!

const wordsOf = async (locale: string) => {
  const words = await fetchTradeWords(locale)
  if (!words) throw new Error(`no words in ${locale}`)
  return words
}
const found = async (text: string, locale: string) => {
  const words = await wordsOf(locale)
  return createExplain(meaningsOn({ languages: [locale] }, words, locale))(text).flatMap((piece) =>
    typeof piece === 'string'
      ? []
      : [[piece.word, tradeWordNames.find((name) => words[name].means === piece.means)]],
  )
}

describe('words of the trade are found where they stand', () => {
  test.each([
    ['en-CA', 'Interest compounds twice a year.', [['compounds', 'compounding']]],
    ['en-CA', 'Accelerated: half a payment every two weeks', [['Accelerated', 'accelerated']]],
    ['en-US', 'A balloon payment of $5 is due; the balloon is the last.', [['balloon payment', 'balloon']]],
    [
      'en-CA',
      'Amortization period, with a lump sum',
      [
        ['Amortization period', 'amortization'],
        ['lump sum', 'lumpSum'],
      ],
    ],
    [
      'en-GB',
      'The APR is 5 %; the principal falls',
      [
        ['APR', 'annualPercentageRate'],
        ['principal', 'principal'],
      ],
    ],
    ['en-CA', 'Principally the premiums of apricots, ballooning', []],
    ['fr-CA', 'L’intérêt est composé deux fois par an', [['composé', 'compounding']]],
    ['fr-CA', 'Toutes les deux semaines, accéléré', [['accéléré', 'accelerated']]],
    ['fr-CA', 'Primevère, récapitalisation', []],
    [
      'de-DE',
      'Die Schlussrate und der Prüfzins',
      [
        ['Schlussrate', 'balloon'],
        ['Prüfzins', 'qualifyingRate'],
      ],
    ],
    [
      'es-ES',
      'La prima del seguro y un pago único',
      [
        ['prima del seguro', 'premium'],
        ['pago único', 'lumpSum'],
      ],
    ],
    ['he-IL', 'תשלום בלון בסוף התקופה', [['תשלום בלון', 'balloon']]],
  ])('%s: %s', async (locale, text, words) => {
    expect(await found(text, locale)).toEqual(words)
  })

  test('pieces put together are the text, whatever it says, and each word is explained once', async () => {
    const words = await wordsOf('en-CA')
    const said = fc.array(
      fc.oneof(
        fc.constantFrom('balloon', 'APR', 'compounding', 'lump sum', 'premium', ' ', ', ', '.'),
        fc.string({ unit: 'grapheme', maxLength: 8 }),
      ),
      { maxLength: 20 },
    )
    const own = fc.record({ word: fc.string({ maxLength: 12 }), meaning: fc.string({ maxLength: 12 }) })
    fc.assert(
      fc.property(said, fc.array(own, { maxLength: 4 }), (texts, ownWords) => {
        const text = texts.join('')
        const meanings = ownWords.map(({ word, meaning }, i) => ({
          id: `own${i}`,
          word: { 'en-CA': word },
          meaning: { 'en-CA': meaning },
        }))
        const pieces = createExplain(meaningsOn({ languages: ['en-CA'], meanings }, words, 'en-CA'))(text)
        expect(pieces.map((piece) => (typeof piece === 'string' ? piece : piece.word)).join('')).toBe(text)
        const means = pieces.flatMap((piece) => (typeof piece === 'string' ? [] : [piece.means]))
        expect(new Set(means).size).toBe(means.length)
      }),
      { numRuns: 300 },
    )
  })
})

test('a label that is nothing but such a word has it', async () => {
  const explain = createExplain(meaningsOn({ languages: ['en-CA'] }, await wordsOf('en-CA'), 'en-CA'))
  expect(explain('Balloon')).toHaveLength(1)
  expect(['Balloon', 'APR', 'Home price', ''].map((text) => hasWord(explain(text)))).toEqual([
    true,
    true,
    false,
    false,
  ])
})

test('the lender’s own words go before the trade’s, in its language, and mean what they say to the letter', async () => {
  const meanings = [
    {
      id: 'a',
      word: { 'en-CA': 'balloon', 'fr-CA': 'ballon (C++)' },
      meaning: { 'en-CA': 'Ours.', 'fr-CA': 'Le nôtre.' },
    },
  ]
  const say = async (text: string, locale: string) =>
    createExplain(meaningsOn({ languages: ['en-CA'], meanings }, await wordsOf(locale), locale))(text).map(
      (piece) => (typeof piece === 'string' ? piece : `<${piece.word}: ${piece.means({})}>`),
    )
  expect(await say('The Balloon.', 'en-CA')).toEqual(['The ', '<Balloon: Ours.>', '.'])
  expect(await say('Un ballon (C++) ici', 'fr-CA')).toEqual(['Un ', '<ballon (C++): Le nôtre.>', ' ici'])
  expect(await say('Un ballon C ici', 'fr-CA')).toEqual(['Un ballon C ici'])
})

const all: Required<TradeFacts> = {
  borrowed: '⟦borrowed⟧',
  off: '⟦off⟧',
  payments: '⟦payments⟧',
  balloon: '⟦balloon⟧',
  moreAYear: '⟦more⟧',
  rate: '⟦rate⟧',
  effective: '⟦effective⟧',
  premium: '⟦premium⟧',
  atQualifying: '⟦qualifying⟧',
  share: '⟦share⟧',
}
test.each(spokenLanguages)(
  '%s: each word is a sentence with and without figures, and finds itself',
  async (language) => {
    const words = await wordsOf(language)
    const english = await wordsOf('en')
    for (const name of tradeWordNames) {
      const { words: forms, means } = words[name]
      expect(forms.length).toBeGreaterThan(0)
      // A form that another begins with stands behind it, or it would never be found.
      forms.forEach((form, i) =>
        expect(forms.slice(i + 1).filter((later) => later.startsWith(form))).toEqual([]),
      )
      expect(means({})).toMatch(/[.!?]$/)
      expect(means({})).not.toMatch(/undefined|⟦/)
      // The same figures as in English.
      const figuresIn = (text: string) => text.match(/⟦\w+⟧/g)?.sort() ?? []
      expect([name, figuresIn(means(all))]).toEqual([name, figuresIn(english[name].means(all))])
    }
  },
)

test('figures are the visitor’s own: a loan with accelerated payments, worked out by hand', async () => {
  const document = starters.find(({ id }) => id === 'mortgage-payment')!.make()
  const { program } = compile(document)
  const evaluation = evaluate(
    program,
    {
      homePrice: 500_000_00,
      downPayment: { percent: '20' },
      term: { years: 25, months: 0 },
      rate: '6',
      frequency: 'acceleratedBiweekly',
    },
    { today, sheets: [] },
  )
  expect(evaluation.problems).toEqual([])
  const facts = factsOf(program, evaluation, figuresFor(program, 'en-CA'))
  expect(facts.borrowed).toBe('$400,000.00')
  // Compounded twice a year: 1.03² − 1.
  expect(facts.effective).toBe('6.09%')
  // (1.03)^(1/6) − 1 a month: 2,559.23 for 400,000 over 300 months; its half, 1,279.62, 26 times is two halves more than twelve.
  expect(facts.moreAYear).toBe('$2,559.24')
})
