import { amortize, type Ledger, type StepOf } from '@vivid/core'
import type { Code } from '../translate/code'
import {
  begins,
  columnsOf,
  countOf,
  rowBefore,
  signed,
  type Candidate,
  type Found,
  type Rows,
  type Schedule,
  type Series,
} from './schedule'

/** Figures that are rounded are the ledger's own, but for what doubles add. */
const NEAR = 1e-6

/** A monthly loan to the cent: the core's own ledger, row by row. */
export function asLedger(found: Found): Schedule | undefined {
  const { candidates, minor, loan: named } = found
  const count = countOf(found)
  // Where a condition ends the rows, they may have room for more payments than there are.
  const mayEnd = (months: number) =>
    Number.isInteger(months) && months >= 1 && (months === count || (found.hasCondition && months < count))
  const rates = candidates.flatMap((one) => [one, scaled(one, 1, 100)])
  const lengths = candidates.flatMap((one) => [one, scaled(one, 12, 1)])
  for (const principal of candidates.filter(({ value }) => value >= 1))
    for (const rate of rates.filter(({ value }) => value > 0 && value < 1)) {
      const interest = Math.round((principal.value * rate.value * minor) / 12) / minor
      if (!begins(found, interest, NEAR)) continue
      for (const months of lengths.filter(({ value }) => mayEnd(value))) {
        const ledger = amortize({
          principal: Math.round(principal.value * minor),
          annualRate: (rate.value * 100).toFixed(10),
          frequency: 'monthly',
          term: { payments: months.value },
        })
        const columns = ledger.ok && columnsOf(found, rowsOf(ledger, minor), NEAR)
        if (columns) return scheduleOf(columns, named, principal.code, rate.code, months.code)
      }
    }
  return undefined
}

function rowsOf(ledger: Ledger, minor: number): Rows {
  const row = (k: number) => (k <= ledger.count ? ledger.at(k) : undefined)
  const upTo = (k: number) => Math.min(k, ledger.count)
  return {
    opening: (k) => ledger.balanceAfter(upTo(k - 1)) / minor,
    closing: (k) => ledger.balanceAfter(upTo(k)) / minor,
    payment: (k) => (row(k)?.payment ?? 0) / minor,
    interest: (k) => (row(k)?.interest ?? 0) / minor,
    principal: (k) => (row(k)?.principal ?? 0) / minor,
    interestToDate: (k) => ledger.interestTo(upTo(k)) / minor,
    principalToDate: (k) => ledger.principalTo(upTo(k)) / minor,
    paidToDate: (k) => (ledger.interestTo(upTo(k)) + ledger.principalTo(upTo(k))) / minor,
    number: (k) => k,
  }
}

/** A figure times one number and divided by another. */
const scaled = ({ value, code }: Candidate, times: number, over: number): Candidate => ({
  value: (value * times) / over,
  code: { ...code, text: `(${code.text} * ${times} / ${over})` },
})

function scheduleOf(
  columns: Schedule['columns'],
  { id, name }: Found['loan'],
  principal: Code,
  rate: Code,
  months: Code,
): Schedule {
  const within = (k: number | string, text: string) =>
    `if ${k} > ${months.text} then 0 else ${text} / as money(1)`
  const made: StepOf<'loan'> = {
    kind: 'loan',
    id,
    name,
    as: null,
    terms: {
      principal: `as money(${principal.text})`,
      annualRate: `as percent(${rate.text})`,
      frequency: '"monthly"',
      term: `months(${months.text})`,
    },
    options: {},
    extras: null,
    rateChanges: null,
  }
  const toDate = (what: 'interest' | 'principal', k: number | string) =>
    `${what} to(${name}, min(${k}, ${months.text})) / as money(1)`
  const cell = (series: Series, k: number | string): string => {
    switch (series) {
      case 'closing':
        return within(k, `balance after(${name}, ${k})`)
      case 'opening': {
        const before = rowBefore(k)
        const owed = within(before, `balance after(${name}, ${before})`)
        if (k === 1) return principal.text
        return typeof k === 'number' ? owed : `if ${k} = 1 then ${principal.text} else (${owed})`
      }
      case 'payment':
        return within(k, `amount of payment(${name}, ${k})`)
      case 'interest':
      case 'principal':
        return within(k, `${series} of payment(${name}, ${k})`)
      case 'interestToDate':
        return toDate('interest', k)
      case 'principalToDate':
        return toDate('principal', k)
      case 'paidToDate':
        return `${toDate('interest', k)} + ${toDate('principal', k)}`
      case 'number':
        return String(k)
    }
  }
  const total = (series: Series) => {
    switch (series) {
      case 'payment':
        return `${name}.total payments / as money(1)`
      case 'interest':
        return `${name}.total interest / as money(1)`
      case 'principal':
        return principal.text
      default:
        return undefined
    }
  }
  return signed(columns, made, cell, total)
}
