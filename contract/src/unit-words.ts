import type { Period, Unit, Wanted } from '@vivid/core'

const periodWords: Readonly<Record<Period, string>> = {
  year: 'a year',
  halfYear: 'a half-year',
  quarter: 'a quarter',
  month: 'a month',
  week: 'a week',
  payment: 'a payment',
}
export const periodWord = (period: Period | undefined): string =>
  period === undefined ? 'once' : periodWords[period]

const figuresWords = {
  loan: 'a loan',
  affordability: 'what someone can afford',
  refinance: 'a refinance',
  equity: 'an equity',
  aim: 'an aim',
  ladder: 'a ladder',
  comparison: 'a comparison',
  loans: 'a list of loans',
  oneOfLoans: 'one loan of a list',
  payOff: 'several loans paid off',
} as const

/** What a value of a unit is, in an author's words: "an amount a month", "a length of time". */
export function unitWords(unit: Unit): string {
  switch (unit.is) {
    case 'money':
      return unit.per === undefined ? 'an amount' : `an amount ${periodWords[unit.per]}`
    case 'percent':
      return 'a percentage'
    case 'number':
    case 'bare':
      return 'a number'
    case 'count':
      return 'a number of payments'
    case 'term':
      return 'a length of time'
    case 'date':
      return 'a date'
    case 'yesNo':
      return 'a yes or no'
    case 'frequency':
      return 'a payment frequency'
    case 'text':
      return 'a text'
    case 'list':
      return `a list, each ${unitWords(unit.of)}`
    case 'figures':
      return figuresWords[unit.of]
  }
}

/** What a place takes, in an author's words. */
export function wantedWords(wanted: Wanted): string {
  switch (wanted.is) {
    case 'money':
      return wanted.per === 'any' || wanted.per === undefined
        ? 'an amount'
        : `an amount ${periodWords[wanted.per]}`
    case 'years':
      return 'a length of time, or a number of years'
    case 'amount':
      return 'an amount, a percentage, a number or a length of time'
    case 'shown':
      return 'a value that can be shown'
    case 'list':
      return `a list, each ${wantedWords(wanted.of)}`
    case 'figures':
      return figuresWords[wanted.of]
    case 'oneOf':
      return wanted.of.map(wantedWords).join(' or ')
    case 'percent':
    case 'number':
    case 'count':
    case 'term':
    case 'date':
    case 'yesNo':
    case 'frequency':
    case 'text':
      return unitWords({ is: wanted.is })
  }
}
