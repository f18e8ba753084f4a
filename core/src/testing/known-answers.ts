import { readFileSync } from 'node:fs'
import type { Ledger } from '../loan/ledger'
import type { GivenTerms } from '../loan/loan-terms'
import type { Frequency } from '../rates/frequency'
import type { Checked } from '../guards/refusal'

/** A case of the known answers: figures worked out independently with 60-digit decimals. */
export interface KnownAnswer<Input, Expected> {
  readonly id: string
  readonly input: Input
  readonly expected: Expected
}

export const knownAnswers = <Input, Expected>(topic: string): KnownAnswer<Input, Expected>[] =>
  JSON.parse(readFileSync(new URL(`./known-answers/${topic}.json`, import.meta.url), 'utf8'))

export interface LoanInput {
  readonly principal: string
  readonly annual_rate: string
  readonly compounds_per_year: number | null
  readonly payments_per_year: number
  readonly number_of_payments: number | null
  readonly currency_digits?: 0 | 2 | 3
  readonly payment?: string | null
  readonly timing?: 'end' | 'start'
  readonly balloon?: string
}

const frequencyOf: Record<number, Frequency> = {
  1: 'yearly',
  2: 'halfYearly',
  4: 'quarterly',
  12: 'monthly',
  24: 'semiMonthly',
  26: 'biweekly',
  52: 'weekly',
}

/** "1255.45" with 2 digits is 125545. */
export const minorOf = (amount: string, digits = 2): number => Math.round(Number(amount) * 10 ** digits)

/** The cases' words for a loan, put into ours. */
export function termsOf(input: LoanInput): GivenTerms {
  const digits = input.currency_digits ?? 2
  const samePeriods =
    input.compounds_per_year === null || input.compounds_per_year === input.payments_per_year
  return {
    principal: minorOf(input.principal, digits),
    annualRate: input.annual_rate,
    frequency: frequencyOf[input.payments_per_year] ?? ('never' as Frequency),
    compounding: samePeriods ? 'perPayment' : (input.compounds_per_year ?? 'perPayment'),
    minorDigits: digits,
    ...(typeof input.number_of_payments === 'number' ? { term: { payments: input.number_of_payments } } : {}),
    ...(input.payment ? { payment: minorOf(input.payment, digits) } : {}),
    ...(input.timing ? { due: input.timing } : {}),
    ...(input.balloon ? { balloon: minorOf(input.balloon, digits) } : {}),
  }
}

/** Every row as the cases' checksum wants it: `k|payment|interest|principal|closing` and a line feed. */
export function rowsText(ledger: Ledger, digits = 2): string {
  const text = (amount: number) => (amount / 10 ** digits).toFixed(digits)
  return Array.from({ length: ledger.count }, (_, i) => {
    const { number, payment, interest, principal, closing } = ledger.at(ledger.firstNumber + i)
    return `${number}|${[payment, interest, principal, closing].map(text).join('|')}\n`
  }).join('')
}

export interface LedgerSummary {
  readonly number_of_payments: number
  readonly final_payment: string
  readonly total_interest: string
  readonly total_paid: string
}

/** A ledger put into the cases' words. */
export function summaryOf(ledger: Ledger, digits = 2): LedgerSummary {
  const text = (amount: number) => (amount / 10 ** digits).toFixed(digits)
  return {
    number_of_payments: ledger.count,
    final_payment: text(ledger.lastPayment),
    total_interest: text(ledger.totals.interest),
    total_paid: text(ledger.totals.paid),
  }
}

export const majorOf = (amount: number, digits = 2): string => (amount / 10 ** digits).toFixed(digits)

/** What was accepted; a refusal fails the test. */
export function acceptedValue<T>(checked: Checked<T>): T {
  if (!checked.ok) throw new Error(`refused: ${checked.code} ${checked.field}`)
  return checked.value
}
