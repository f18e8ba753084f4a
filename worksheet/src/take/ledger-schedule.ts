import { amortize, type Ledger, type GivenTerms, type StepOf } from '@vivid/core'
import type { Figure } from '../loans/figure'
import {
  asPercent,
  COMPOUNDING,
  countReadings,
  frequencyOf,
  frequencyText,
  inMoney,
  ONCE_A_YEAR,
  paymentsAYear,
} from '../loans/rate-of'
import {
  beginsWith,
  columnsOf,
  countOf,
  NEAR,
  paymentsAmong,
  rowBefore,
  signed,
  type Found,
  type Names,
  type Rows,
  type Schedule,
  type Series,
  type Written,
} from './schedule'

/** Loans to the cent: the core's own ledger, row by row. The likelier come first. */
export function* asLedger(found: Found): Generator<Schedule> {
  const { candidates, minor } = found
  for (const principal of candidates.filter(({ value }) => value >= 1))
    for (const perYear of [...paymentsAYear(candidates), ONCE_A_YEAR])
      for (const { value, parts, text } of fractionsAmong(candidates))
        for (const compounding of [undefined, ...COMPOUNDING]) {
          const rate = compounding
            ? (1 + value / compounding) ** (compounding / perYear.value) - 1
            : value / perYear.value
          const interest = Math.round(principal.value * rate * minor) / minor
          const isPaid = interest > 0 && beginsToTheCent(found, interest)
          if (compounding === perYear.value || !isPaid) continue
          const own = {
            principal: Math.round(principal.value * minor),
            annualRate: (value * 100).toFixed(10),
            frequency: frequencyOf(perYear.value),
            ...(compounding && { compounding }),
          }
          for (const { length, terms } of lengthsFor(found, perYear, interest)) {
            const ledger = amortize({ ...own, ...length })
            if (!ledger.ok) continue
            const columns = columnsOf(found, rowsOf(ledger, minor), NEAR, ledger.count)
            if (!columns) continue
            const agreed = {
              options: compounding ? { compounding } : {},
              terms: {
                principal: inMoney(principal.text),
                annualRate: asPercent({ text }, parts),
                frequency: frequencyText(perYear),
                ...terms,
              },
            }
            const write = (names: Names) => {
              const loan = { ...LOAN, ...names.loan(), ...agreed }
              return { ...ofLedger(loan.name, principal.text), loan }
            }
            yield { columns, write }
          }
        }
}

/** Whether a column begins with this figure and goes on in whole cents: no ledger is worked out for what is not rounded. */
function beginsToTheCent({ values, minor }: Found, figure: number): boolean {
  const isWhole = (value: number | null | undefined) =>
    typeof value !== 'number' || Math.abs(value * minor - Math.round(value * minor)) < NEAR * minor
  return [...values.values()].some(
    (column) => beginsWith(column, figure, NEAR) && column.slice(0, FEW_ROWS).every(isWhole),
  )
}
const FEW_ROWS = 12

/** Figures that may be a yearly rate, as fractions. */
const fractionsAmong = (candidates: readonly Figure[]) =>
  ([1, 100] as const).flatMap((parts) =>
    candidates
      .map(({ value, text }) => ({ value: value / parts, parts, text }))
      .filter(({ value }) => value > 0 && value < 1),
  )

/** How long it may run: a length the file has, as many payments as there are rows, or until a given payment has repaid it. */
function lengthsFor(
  found: Found,
  perYear: { readonly value: number; readonly text: string },
  interest: number,
): { length: Pick<GivenTerms, 'term' | 'payment'>; terms: StepOf<'loan'>['terms'] }[] {
  const { candidates, minor, hasCondition } = found
  const rows = countOf(found)
  const counts = hasCondition
    ? candidates.flatMap(({ value }) => [value, value * perYear.value, (value * perYear.value) / 12])
    : [rows]
  const lengths = [...new Set(counts.map((one) => Math.round(one * 1e6) / 1e6))]
    .filter((one) => Number.isInteger(one) && one >= 1 && one <= rows)
    .flatMap((payments) => {
      const known = candidates.find(({ value }) => value === payments)
      const count = known ?? { value: payments, text: String(payments) }
      const [reading] = countReadings(count, perYear, candidates)
      return [{ length: { term: { payments } }, terms: reading?.term ?? { payments: String(payments) } }]
    })
  const paid = paymentsAmong(candidates, interest).map(({ value, text }) => ({
    length: { payment: Math.round(value * minor) },
    terms: { payment: inMoney(text) },
  }))
  return [...lengths, ...paid]
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

const LOAN = { kind: 'loan', as: null, options: {}, extras: null, rateChanges: null } as const

/** A schedule whose figures are a loan's own, to the cent; behind its last payment there is nothing. */
export function ofLedger(name: string, principal: string): Written {
  const count = `${name}.payments`
  const within = (k: number | string, text: string) => `if ${k} > ${count} then 0 else ${text} / as money(1)`
  const toDate = (what: 'interest' | 'principal', k: number | string) =>
    `${what} to(${name}, min(${k}, ${count})) / as money(1)`
  const cell = (series: Series, k: number | string): string => {
    switch (series) {
      case 'closing':
        return within(k, `balance after(${name}, ${k})`)
      case 'opening': {
        const before = rowBefore(k)
        const owed = within(before, `balance after(${name}, ${before})`)
        if (k === 1) return principal
        return typeof k === 'number' ? owed : `if ${k} = 1 then ${principal} else (${owed})`
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
        return principal
      default:
        return undefined
    }
  }
  return signed(cell, total)
}
