import type { Answers, Evaluator, Further, Program, RateSheet } from '@vivid/core/evaluate'
import type { Logo } from '@vivid/contract/visitor'
import type { Figures, PageWords, TradeWords } from '@vivid/contract/wording'
import type { Carried, Then } from './carried'

/** What the page is made from: a program, the answers to begin with, the day, the rates and the language. */
export interface CalculatorSource {
  readonly program: Program
  readonly answers: Answers
  readonly today: string
  readonly sheets: readonly RateSheet[]
  readonly language: string
  /** What a program with affordability, ladders and the like is worked out with. */
  readonly further: Further | undefined
  /** What has worked the page out already as it begins. */
  readonly evaluate?: Evaluator
  /** What the trade's words mean, where we explain them in this language. */
  readonly trade: TradeWords | undefined
  /** Hears of a preview what is answered, and that results which wait for a button were asked for. */
  readonly hears?: (answers: Answers) => unknown
  readonly hearsAsked?: () => unknown
  /** The lender's mark above the title. */
  readonly logo?: Logo | undefined
  /** Where the page is live; a draft's preview is not. */
  readonly live?: LivePage
  /** Questions the page was to begin otherwise with, where that is not allowed any more. */
  readonly refused?: readonly string[]
  /** What the address brought back. */
  readonly carried?: Carried | undefined
  /** How it is said what a link said when it was made. */
  readonly thenSaid?: (
    then: Then,
    source: CalculatorSource,
    page: { readonly figures: Figures; readonly words: PageWords },
  ) => string
  /** What has to be said of a link that could not be taken as it is. */
  readonly linkNote?: 'unreadable' | 'hasMore' | undefined
}

/** A live calculator's address and edition. */
export interface LivePage {
  /** Whether somebody takes what is handed over. */
  readonly handsOver: boolean
  readonly slug: string
  readonly edition: number
  /** Not in a frame, where the page around it speaks its own language already. */
  readonly isAlone: boolean
}
