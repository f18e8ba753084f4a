import type { CalculatorCard, CalculatorState } from '@vivid/contract'

/** What a text is compared as: without capitals and accents, one space between words. */
const plain = (text: string): string =>
  text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase().trim().replace(/\s+/g, ' ')

/** Whether every word that is looked for stands in one of these texts, anywhere in a word. */
export function hasWords(wanted: string, texts: readonly string[]): boolean {
  const there = plain(texts.join(' '))
  return plain(wanted)
    .split(' ')
    .every((word) => there.includes(word))
}

/** The states calculators are filtered by, each with those it takes in; those put away are listed by themselves. */
export const stateFilters = {
  draft: ['draft'],
  sent: ['sent'],
  live: ['live', 'liveWithChanges'],
  takenDown: ['takenDown'],
  putAway: [],
} as const satisfies Record<string, readonly CalculatorState[]>
export type StateFilter = keyof typeof stateFilters

const isIn = (filter: StateFilter | undefined, { state, putAway }: CalculatorCard): boolean => {
  if (filter === 'putAway') return putAway
  return (
    !putAway && (filter === undefined || (stateFilters[filter] as readonly CalculatorState[]).includes(state))
  )
}

/** What is looked for: words in title, address, folder or whoever changed it last; a state; a folder ('' for none). */
export interface Wanted {
  readonly words: string
  readonly filter?: StateFilter | undefined
  readonly folder?: string | undefined
}

export const findCards = (
  cards: readonly CalculatorCard[],
  { words, filter, folder }: Wanted,
): CalculatorCard[] =>
  cards.filter(
    (card) =>
      isIn(filter, card) &&
      (folder === undefined || card.folder === folder) &&
      hasWords(words, [card.title, card.slug, card.lastEditedBy, card.folder]),
  )

/** The folders calculators stand in, by name. */
export const foldersOf = (cards: readonly Pick<CalculatorCard, 'folder'>[]): string[] =>
  [...new Set(cards.map(({ folder }) => folder))].filter(Boolean).sort((a, b) => a.localeCompare(b, 'en'))

/** Calculators by their folder, those in none first under ''. */
export const byFolder = (
  cards: readonly CalculatorCard[],
): { readonly folder: string; readonly cards: CalculatorCard[] }[] =>
  ['', ...foldersOf(cards)]
    .map((folder) => ({ folder, cards: cards.filter((card) => card.folder === folder) }))
    .filter((group) => group.cards.length > 0)

/** How many there are of each state, of those with the words that are looked for. */
export const countByState = (
  cards: readonly CalculatorCard[],
  wanted: Omit<Wanted, 'filter'>,
): Readonly<Record<StateFilter, number>> => {
  const count = (filter: StateFilter) => findCards(cards, { ...wanted, filter }).length
  return {
    draft: count('draft'),
    sent: count('sent'),
    live: count('live'),
    takenDown: count('takenDown'),
    putAway: count('putAway'),
  }
}
