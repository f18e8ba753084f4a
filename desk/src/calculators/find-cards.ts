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

/** The states calculators are filtered by, each with those it takes in. */
export const stateFilters = {
  draft: ['draft'],
  sent: ['sent'],
  live: ['live', 'liveWithChanges'],
  takenDown: ['takenDown'],
} as const satisfies Record<string, readonly CalculatorState[]>
export type StateFilter = keyof typeof stateFilters

const isIn = (filter: StateFilter, state: CalculatorState): boolean =>
  (stateFilters[filter] as readonly CalculatorState[]).includes(state)

/** The calculators that are looked for, by title, address or who changed them last, in one state or any. */
export const findCards = (
  cards: readonly CalculatorCard[],
  wanted: string,
  filter: StateFilter | undefined,
): CalculatorCard[] =>
  cards.filter(
    ({ title, slug, lastEditedBy, state }) =>
      (filter === undefined || isIn(filter, state)) && hasWords(wanted, [title, slug, lastEditedBy]),
  )

/** How many there are of each state, of those with the words that are looked for. */
export const countByState = (
  cards: readonly CalculatorCard[],
  wanted: string,
): Readonly<Record<StateFilter, number>> => {
  const count = (filter: StateFilter) => findCards(cards, wanted, filter).length
  return { draft: count('draft'), sent: count('sent'), live: count('live'), takenDown: count('takenDown') }
}
