import type { Conventions } from '../convention-words'
import type { Language } from '../language'
import type { ServedWords } from '../served-words'
import type { TradeWords } from '../trade-words'
import { rewordedBy, type Phrases } from './phrases'
import { conventionTakes, pageTakes, servedTakes, tradeTakes, type Takes } from './taken'

/** Everything the product says to visitors in one language; what the page says at first stands at the top. */
export interface AllWords extends Language {
  readonly served: ServedWords
  readonly conventions: Conventions
  readonly trade: TradeWords
}

const under = (part: string, takes: Readonly<Record<string, Takes>>): Record<string, Takes> =>
  Object.fromEntries(Object.entries(takes).map(([name, one]) => [`${part}.${name}`, one]))

/** What every phrase takes that takes something, by its name. */
export const allTakes: Readonly<Record<string, Takes>> = {
  ...pageTakes,
  ...under('served', servedTakes),
  ...under('conventions', conventionTakes),
  ...under('trade', tradeTakes),
}

export type PartOfWords = 'language' | 'served' | 'conventions' | 'trade'

const made = new WeakMap<Phrases, Map<PartOfWords, object>>()

/** One part of all words, or what stands at the top, in a lender's wording; the same object for the same words. */
export function reworded<W extends object>(part: PartOfWords, words: W, own: Phrases): W {
  const known = made.get(own) ?? new Map<PartOfWords, object>()
  made.set(own, known)
  if (!known.has(part))
    known.set(
      part,
      part === 'language'
        ? rewordedBy(words, allTakes, own)
        : (rewordedBy({ [part]: words }, allTakes, own)[part] ?? words),
    )
  return known.get(part) as W
}
