import type { OwnWords } from '../visitor'
import {
  mainLanguage,
  effectiveAnnualRate,
  frequencies,
  textIn,
  type Evaluation,
  type Ledger,
  type LoanTerms,
  type Program,
} from '@vivid/core/evaluate'
import { keptLoan } from '../visitor'
import type { Figures } from './language'
import { counted, inOwnWords, lettersOf } from './languages'
import { literally } from './literally'
import { tradeWordNames, type TradeFacts, type TradeWord, type TradeWords } from './trade-words'

/** A word a page explains: how it is found in a text, and what it means in a sentence with the visitor's figures. */
export interface Meaning {
  /** The source of a regular expression. */
  readonly match: string
  readonly means: (facts: TradeFacts) => string
}

/** A text in pieces: plain ones, and words that are explained. */
export type Explained = string | { readonly word: string; readonly means: Meaning['means'] }

const fetchers: Readonly<Record<string, () => Promise<{ tradeWords: TradeWords }>>> = {
  en: () => import('./languages/trade/english'),
  fr: () => import('./languages/trade/french'),
  de: () => import('./languages/trade/german'),
  es: () => import('./languages/trade/spanish'),
  he: () => import('./languages/trade/hebrew'),
}

/** Whether a text in pieces has a word that is explained; it may be nothing else. */
export const hasWord = (pieces: readonly Explained[]): boolean =>
  pieces.some((piece) => typeof piece !== 'string')

/** The words of the trade in a locale's language; none where we explain none in it, and English ones where a lender words them. */
export async function fetchTradeWords(locale: string, own?: OwnWords): Promise<TradeWords | undefined> {
  const letters = lettersOf(locale)
  const fetcher = fetchers[letters] ?? (own?.[letters] && fetchers.en)
  return (await fetcher?.())?.tradeWords
}

/** What a page explains: the lender's own words first, then the trade's. */
export function meaningsOn(
  { meanings = [], languages, words: own }: Pick<Program, 'meanings' | 'languages' | 'words'>,
  shipped: TradeWords | undefined,
  locale: string,
): Meaning[] {
  const words = shipped && inOwnWords('trade', shipped, locale, own)
  const main = mainLanguage({ languages })
  const ofLender = meanings.flatMap(({ word, meaning }): Meaning[] => {
    const [said, means] = [textIn(word, locale, main).trim(), textIn(meaning, locale, main).trim()]
    return said && means ? [{ match: literally(said), means: () => means }] : []
  })
  return [...ofLender, ...(words ? tradeWordNames.map((name) => meaningOf(words[name])) : [])]
}

const meaningOf = ({ words, means }: TradeWord): Meaning => ({ match: words.map(literally).join('|'), means })

/** What finds the words in a text that are explained, each where it stands first. */
export function createExplain(meanings: readonly Meaning[]): (text: string) => Explained[] {
  if (meanings.length === 0) return (text) => [text]
  const any = new RegExp(
    `(?<![\\p{L}\\p{M}\\p{N}])(?:${meanings.map(({ match }) => `(${match})`).join('|')})(?![\\p{L}\\p{M}\\p{N}])`,
    'giu',
  )
  return (text) => {
    const pieces: Explained[] = []
    const said = new Set<number>()
    let at = 0
    for (const found of text.matchAll(any)) {
      const which = found.slice(1).findIndex((group) => group !== undefined)
      const meaning = meanings[which]
      if (!meaning || said.has(which)) continue
      said.add(which)
      if (found.index > at) pieces.push(text.slice(at, found.index))
      pieces.push({ word: found[0], means: meaning.means })
      at = found.index + found[0].length
    }
    if (at < text.length) pieces.push(text.slice(at))
    return pieces
  }
}

/** The visitor's figures that sentences about the trade's words are made with. */
export function factsOf(program: Program, shown: Evaluation, figures: Figures): TradeFacts {
  const kept = keptLoan(shown, program)
  const terms = kept && shown.terms.get(kept.loan)
  const tested = Object.values(shown.values).flatMap((value) =>
    value.unit === 'figures' && value.of === 'affordability' ? [value.figures['qualifying payment']] : [],
  )[0]
  return {
    ...(kept && terms && loanFacts(terms, kept.ledger, figures)),
    ...(tested && { atQualifying: figures.value(tested) }),
  }
}

function loanFacts(terms: LoanTerms, ledger: Ledger, figures: Figures): TradeFacts {
  const { money, percent, words, locale } = figures
  if (ledger.count === 0) return {}
  const next = ledger.at(ledger.firstNumber)
  const { perYear, ...frequency } = frequencies[terms.frequency]
  const over = 'monthlyPaymentOver' in frequency ? frequency.monthlyPaymentOver : undefined
  const { compounding = 'perPayment', insurance } = terms
  const rate = String(terms.annualRate)
  const effective = effectiveAnnualRate(rate, compounding === 'perPayment' ? perYear : compounding)
  const value = insurance?.value
  return {
    borrowed: money(terms.principal),
    payments: counted(ledger.count, words.payments, locale),
    rate: percent(rate),
    ...(next.principal > 0 && { off: money(next.principal) }),
    ...(effective.ok && { effective: percent(effective.value.toFixed(2)) }),
    ...(ledger.totals.balloon > 0 && { balloon: money(ledger.totals.balloon) }),
    ...(over !== undefined && { moreAYear: money(ledger.payment * (perYear - 12 * over)) }),
    ...(next.insurance > 0 && { premium: money(next.insurance) }),
    ...(value && { share: percent(((terms.principal / value) * 100).toFixed(1)) }),
  }
}
