import type { Unit } from '@vivid/core'

/** A way to say something without knowing the function: its blanks, and the formula it becomes. */
export interface Phrase {
  readonly id: string
  /** The phrase with a place for each blank: "the smaller of {a} and {b}". */
  readonly says: string
  readonly blanks: readonly Blank[]
  readonly formula: (blanks: Readonly<Record<string, string>>) => string
}

export interface Blank {
  readonly name: string
  /** The units of values offered here; none: any. */
  readonly of?: readonly Unit['is'][]
}

const measures = ['money', 'percent', 'number', 'count', 'term'] as const
const of = (name: string, ...units: Unit['is'][]): Blank => ({ name, of: units })
const any = (name: string): Blank => ({ name, of: measures })

export const phrases: readonly Phrase[] = [
  {
    id: 'smaller',
    says: 'the smaller of {one} and {other}',
    blanks: [any('one'), any('other')],
    formula: (b) => `min(${b.one}, ${b.other})`,
  },
  {
    id: 'larger',
    says: 'the larger of {one} and {other}',
    blanks: [any('one'), any('other')],
    formula: (b) => `max(${b.one}, ${b.other})`,
  },
  {
    id: 'when',
    says: 'when {condition} then {value}, otherwise {other}',
    blanks: [{ name: 'condition', of: ['yesNo'] }, { name: 'value' }, { name: 'other' }],
    formula: (b) => `if ${b.condition} then ${b.value} else ${b.other}`,
  },
  {
    id: 'percentOf',
    says: '{part} as a percent of {whole}',
    blanks: [any('part'), any('whole')],
    formula: (b) => `percent of(${b.part}, ${b.whole})`,
  },
  {
    id: 'shareOf',
    says: '{percent} of {amount}',
    blanks: [of('percent', 'percent'), of('amount', 'money')],
    formula: (b) => `${b.amount} * ${b.percent}`,
  },
  {
    id: 'monthly',
    says: 'monthly share of {amount}',
    blanks: [of('amount', 'money')],
    formula: (b) => `per month(${b.amount})`,
  },
  {
    id: 'yearly',
    says: 'yearly sum of {amount}',
    blanks: [of('amount', 'money')],
    formula: (b) => `per year(${b.amount})`,
  },
  {
    id: 'round',
    says: '{value} rounded to {unit}',
    blanks: [any('value'), any('unit')],
    formula: (b) => `round(${b.value}, ${b.unit})`,
  },
  {
    id: 'payments',
    says: 'number of payments in {length}, paid {frequency}',
    blanks: [of('length', 'term'), of('frequency', 'frequency')],
    formula: (b) => `payments in(${b.length}, ${b.frequency})`,
  },
  {
    id: 'balance',
    says: 'balance of {loan} after {years} years',
    blanks: [of('loan', 'figures'), of('years', 'term', 'number')],
    formula: (b) => `balance after(loan: ${b.loan}, years: ${b.years})`,
  },
  {
    id: 'interest',
    says: 'interest of {loan} up to payment {number}',
    blanks: [of('loan', 'figures'), of('number', 'count', 'number')],
    formula: (b) => `interest to(${b.loan}, ${b.number})`,
  },
  {
    id: 'between',
    says: '{value} lies between {least} and {most}',
    blanks: [any('value'), any('least'), any('most')],
    formula: (b) => `${b.value} between ${b.least} and ${b.most}`,
  },
]
