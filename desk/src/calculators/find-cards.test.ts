import { describe, expect, test } from 'vitest'
import type { CalculatorCard, CalculatorState } from '@vivid/contract'
import { countByState, findCards, hasWords } from './find-cards'

const card = (title: string, state: CalculatorState, lastEditedBy = 'Ines Okafor') =>
  ({ title, slug: title.toLowerCase().replaceAll(' ', '-'), state, lastEditedBy }) as CalculatorCard
const cards = [
  card('Floating home mortgage', 'liveWithChanges'),
  card('Prêt péniche', 'draft', 'Rasmus Lind'),
  card('Narrowboat loan', 'live'),
  card('Winter berth', 'takenDown'),
  card('Boathouse mortgage', 'sent'),
]
const titles = (wanted: string, filter?: Parameters<typeof findCards>[2]) =>
  findCards(cards, wanted, filter).map(({ title }) => title)

describe('calculators are found', () => {
  test.each<[string, string[]]>([
    ['', cards.map(({ title }) => title)],
    ['mortgage', ['Floating home mortgage', 'Boathouse mortgage']],
    ['  MORT  float ', ['Floating home mortgage']],
    ['peniche', ['Prêt péniche']],
    ['PÉNICHE', ['Prêt péniche']],
    ['rasmus', ['Prêt péniche']],
    ['narrowboat-loan', ['Narrowboat loan']],
    ['.*', []],
    ['house berth', []],
  ])('by “%s”', (wanted, found) => {
    expect(titles(wanted)).toEqual(found)
  })

  test('by their state, with and without words', () => {
    expect(titles('', 'live')).toEqual(['Floating home mortgage', 'Narrowboat loan'])
    expect(titles('mortgage', 'live')).toEqual(['Floating home mortgage'])
    expect(titles('mortgage', 'takenDown')).toEqual([])
    expect(countByState(cards, '')).toEqual({ draft: 1, sent: 1, live: 2, takenDown: 1 })
    expect(countByState(cards, 'mortgage')).toEqual({ draft: 0, sent: 1, live: 1, takenDown: 0 })
  })

  test('letters of another script are found as they stand', () => {
    expect(hasWords('משכנתא', ['מחשבון משכנתא'])).toBe(true)
    expect(hasWords('ß', ['Straße'])).toBe(true)
  })
})
