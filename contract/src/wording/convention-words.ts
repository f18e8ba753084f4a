/** How a loan's figures are worked out, each in a sentence. */
export interface Conventions {
  /** How often a quoted rate compounds; 0: with every payment. */
  readonly compounds: (timesAYear: number) => string
  readonly rateStays: string
  readonly rateChanges: string
  readonly days: Readonly<Record<'equal' | 'thirty' | 'actual', (yearOf: number) => string>>
  readonly firstPayment: (date: string) => string
  readonly nextPayment: (date: string) => string
  readonly atStart: string
  readonly rounded: Readonly<Record<'nearest' | 'up' | 'down', string>>
  readonly accelerated: Readonly<Record<2 | 4, string>>
  readonly grace: Readonly<
    Record<'none' | 'paid' | 'addedSimple' | 'addedCompound', (payments: string) => string>
  >
  /** What becomes of extras, where there are any or may be tried. */
  readonly extras: Readonly<Record<'shorten' | 'lower', string>>
  /** What is in no payment of the loan itself. */
  readonly leftOut: Readonly<Record<'both' | 'insurance' | 'fees', string>>
  readonly monthly: string
  /** Several loans paid off together. */
  readonly rollsOn: string
}
