/** Payment frequencies: payments a year, months between payments where they fall on a day of the month, or days. */
export const frequencies = {
  monthly: { perYear: 12, every: { months: 1 } },
  semiMonthly: { perYear: 24, every: { halfMonths: 1 } },
  biweekly: { perYear: 26, every: { days: 14 } },
  weekly: { perYear: 52, every: { days: 7 } },
  quarterly: { perYear: 4, every: { months: 3 } },
  halfYearly: { perYear: 2, every: { months: 6 } },
  yearly: { perYear: 1, every: { months: 12 } },
  /** Half of the monthly payment every two weeks. */
  acceleratedBiweekly: { perYear: 26, every: { days: 14 }, monthlyPaymentOver: 2 },
  /** A quarter of the monthly payment every week. */
  acceleratedWeekly: { perYear: 52, every: { days: 7 }, monthlyPaymentOver: 4 },
} as const satisfies Record<string, FrequencyFacts>

export interface FrequencyFacts {
  readonly perYear: number
  readonly every: { readonly months: number } | { readonly halfMonths: 1 } | { readonly days: number }
  readonly monthlyPaymentOver?: 2 | 4
}

export type Frequency = keyof typeof frequencies

export const frequencyNames = Object.keys(frequencies) as readonly Frequency[]

export const factsOf = (frequency: Frequency): FrequencyFacts => frequencies[frequency]
