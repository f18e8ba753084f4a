/** Words of the lending trade that borrowers meet and need not know. */
export const tradeWordNames = [
  'principal',
  'amortization',
  'balloon',
  'accelerated',
  'compounding',
  'premium',
  'qualifyingRate',
  'lumpSum',
  'annualPercentageRate',
  'grossIncome',
  'loanToValue',
  'interestOnly',
] as const
export type TradeWordName = (typeof tradeWordNames)[number]

/** The visitor's own figures, said already; those that do not exist on this page are not there. */
export interface TradeFacts {
  readonly borrowed?: string
  /** What the next payment takes off the loan. */
  readonly off?: string
  /** "300 payments" */
  readonly payments?: string
  readonly balloon?: string
  /** What accelerated payments come to more in a year than monthly ones. */
  readonly moreAYear?: string
  readonly rate?: string
  /** What the rate comes to in a year. */
  readonly effective?: string
  /** A premium that goes with the next payment. */
  readonly premium?: string
  /** The payment at the rate a lender tests with. */
  readonly atQualifying?: string
  /** What is borrowed as a share of what the home is worth. */
  readonly share?: string
}

/** The forms in which a word is found in a text of its language, longer ones first, and what it means in a sentence. */
export interface TradeWord {
  readonly words: readonly string[]
  readonly means: (facts: TradeFacts) => string
}
export type TradeWords = Readonly<Record<TradeWordName, TradeWord>>
