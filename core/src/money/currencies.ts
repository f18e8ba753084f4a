/** Minor digits by ISO 4217: how many decimals an amount of this currency has. */
export const minorDigitsOf = {
  AUD: 2,
  CAD: 2,
  CHF: 2,
  EUR: 2,
  GBP: 2,
  ILS: 2,
  INR: 2,
  JPY: 0,
  KWD: 3,
  NOK: 2,
  NZD: 2,
  SEK: 2,
  USD: 2,
} as const

export type Currency = keyof typeof minorDigitsOf
export type MinorDigits = 0 | 2 | 3

export const currencies = Object.keys(minorDigitsOf) as readonly Currency[]
