import { describe, expect, test } from 'vitest'
import type { CalculatorCard, CalculatorState } from '@vivid/contract'
import { byFolder, countByState, findCards, foldersOf, hasWords, type StateFilter } from './find-cards'

const card = (title: string, state: CalculatorState, lastEditedBy = 'Ines Okafor') =>
  ({
    title,
    slug: title.toLowerCase().replaceAll(' ', '-'),
    state,
    lastEditedBy,
    folder: '',
    putAway: false,
  }) as CalculatorCard
const cards = [
  card('Floating home mortgage', 'liveWithChanges'),
  card('Prêt péniche', 'draft', 'Rasmus Lind'),
  card('Narrowboat loan', 'live'),
  card('Winter berth', 'takenDown'),
  card('Boathouse mortgage', 'sent'),
]
const titles = (words: string, filter?: StateFilter) =>
  findCards(cards, { words, filter }).map(({ title }) => title)

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
    expect(countByState(cards, { words: '' })).toEqual({
      draft: 1,
      sent: 1,
      live: 2,
      takenDown: 1,
      putAway: 0,
    })
    expect(countByState(cards, { words: 'mortgage' })).toMatchObject({
      draft: 0,
      sent: 1,
      live: 1,
      takenDown: 0,
    })
  })

  test('letters of another script are found as they stand', () => {
    expect(hasWords('משכנתא', ['מחשבון משכנתא'])).toBe(true)
    expect(hasWords('ß', ['Straße'])).toBe(true)
  })
})

describe('folders', () => {
  const filed = [
    { ...card('Raft loan', 'draft'), folder: 'Rafts' },
    { ...card('Old raft loan', 'draft'), folder: 'Rafts', putAway: true },
    { ...card('Boat loan', 'live'), folder: 'Boats' },
    card('Loose loan', 'live'),
  ]
  const found = (wanted: Parameters<typeof findCards>[1]) =>
    findCards(filed, wanted).map(({ title }) => title)

  test('narrow what is found, and are found by their names', () => {
    expect(found({ words: '', folder: 'Rafts' })).toEqual(['Raft loan'])
    expect(found({ words: '', folder: '' })).toEqual(['Loose loan'])
    expect(found({ words: 'boats' })).toEqual(['Boat loan'])
  })
  test('what was put away is listed only where that is asked for', () => {
    expect(found({ words: '' })).not.toContain('Old raft loan')
    expect(found({ words: '', filter: 'putAway' })).toEqual(['Old raft loan'])
    expect(countByState(filed, { words: '' })).toMatchObject({ draft: 1, putAway: 1 })
  })
  test('are listed by name, what is in none first; none is empty', () => {
    expect(foldersOf(filed)).toEqual(['Boats', 'Rafts'])
    expect(byFolder(filed).map(({ folder, cards: all }) => [folder, all.length])).toEqual([
      ['', 1],
      ['Boats', 1],
      ['Rafts', 2],
    ])
    expect(byFolder([])).toEqual([])
  })
})
