import { amortize, type LoanTerms, type StepOf } from '@vivid/core'
import type { Code } from '../translate/code'
import type { Block } from '../understand/blocks'

/** A figure of the file a schedule may rest on, and how it stands in a formula. */
export interface Candidate {
  readonly value: number
  readonly code: Code
}

/** What a column of a schedule can be, with what is owed first. */
const allSeries = [
  'opening',
  'closing',
  'payment',
  'interest',
  'principal',
  'interestToDate',
  'principalToDate',
  'paidToDate',
  'number',
] as const
type Series = (typeof allSeries)[number]

/** A column: a series, as it is or with the other sign. */
export interface Column {
  readonly series: Series
  readonly isNegative: boolean
}

/** A block that carries a balance, taken for what it is: each column a series, each cell a formula of its row. */
export interface Schedule {
  readonly columns: ReadonlyMap<number, Column>
  /** The loan whose ledger it is, where it is rounded as a ledger is. */
  readonly loan: StepOf<'loan'> | undefined
  /** The figure of a row, counted from 1; the row may be worked out. */
  readonly cell: (column: Column, row: number | string) => string
  /** A whole column together. */
  readonly total: (column: Column) => string | undefined
}

export interface Found {
  readonly block: Block
  /** What the file has in a column, row by row. */
  readonly values: ReadonlyMap<number, readonly (number | undefined)[]>
  readonly candidates: readonly Candidate[]
  /** Names for a loan, where one is made. */
  readonly loan: { readonly id: string; readonly name: string }
  /** Whether rows behind the last payment are made nothing by a condition. */
  readonly hasCondition: boolean
}

/** As few columns as a schedule can have: what is owed, and something that changes it. */
const FEWEST_COLUMNS = 2
const PERIODS = [12, 1, 2, 4, 24, 26, 52] as const

/**
 * Recognises a schedule by its figures: a loan whose rows are the block's, to the cent as a ledger rounds, or unrounded. Undefined
 * where none of the file's own figures gives them.
 */
export const recogniseSchedule = (found: Found): Schedule | undefined =>
  asLedger(found) ?? asArithmetic(found)

type Rows = Readonly<Record<Series, (k: number) => number>>

/** The columns that are a series of these rows, and whether that is a schedule. */
function columnsOf({ values }: Found, rows: Rows, near: number): Map<number, Column> | undefined {
  const columns = new Map<number, Column>()
  for (const [column, all] of values) {
    const is = (series: Series, sign: 1 | -1) =>
      all.every((value, i) => value !== undefined && Math.abs(value - sign * rows[series](i + 1)) <= near)
    const series = allSeries.find((one) => is(one, 1))
    const negative = series ? undefined : allSeries.find((one) => is(one, -1))
    if (series) columns.set(column, { series, isNegative: false })
    else if (negative) columns.set(column, { series: negative, isNegative: true })
  }
  const kinds = new Set([...columns.values()].map(({ series }) => series))
  const carries = kinds.has('closing') || kinds.has('opening')
  return carries && columns.size >= FEWEST_COLUMNS ? columns : undefined
}

/** Whether a column begins with this figure, as it is or with the other sign: most guesses end here. */
const begins = ({ values }: Found, figure: number, near: number): boolean =>
  [...values.values()].some(([first]) => first !== undefined && Math.abs(Math.abs(first) - figure) <= near)

/** The texts of a schedule's series, with the sign their columns have. */
const signed = (
  columns: Schedule['columns'],
  loan: Schedule['loan'],
  cell: (series: Series, row: number | string) => string,
  total: (series: Series) => string | undefined,
): Schedule => ({
  columns,
  loan,
  cell: ({ series, isNegative }, row) => (isNegative ? `-(${cell(series, row)})` : cell(series, row)),
  total: ({ series, isNegative }) => {
    const text = total(series)
    return text !== undefined && isNegative ? `-(${text})` : text
  },
})

const CENT = 0.005_001
/** Monthly loans to the cent: the core's own ledger. */
function asLedger(found: Found): Schedule | undefined {
  const { candidates, loan: named } = found
  const count = countOf(found)
  const rates = candidates.flatMap((one) => [one, scaled(one, 1, 100)])
  const lengths = candidates.flatMap((one) => [one, scaled(one, 12, 1)])
  for (const principal of candidates) {
    if (principal.value < 1) continue
    for (const rate of rates) {
      if (rate.value <= 0 || rate.value >= 1) continue
      const interest = (principal.value * rate.value) / 12
      if (!begins(found, Math.round(interest * 100) / 100, CENT)) continue
      for (const months of lengths) {
        // Where a condition ends the rows, they may have room for more payments than there are.
        const isTerm = months.value === count || (found.hasCondition && months.value < count)
        if (!isTerm || !Number.isInteger(months.value) || months.value < 1) continue
        const terms: LoanTerms = {
          principal: Math.round(principal.value * 100),
          annualRate: (rate.value * 100).toFixed(10),
          frequency: 'monthly',
          term: { payments: months.value },
        }
        const ledger = amortize(terms)
        if (!ledger.ok) continue
        const row = (k: number) => (k <= ledger.count ? ledger.at(k) : undefined)
        const rows: Rows = {
          opening: (k) => (k <= ledger.count + 1 ? ledger.balanceAfter(k - 1) / 100 : 0),
          closing: (k) => (k <= ledger.count ? ledger.balanceAfter(k) / 100 : 0),
          payment: (k) => (row(k)?.payment ?? 0) / 100,
          interest: (k) => (row(k)?.interest ?? 0) / 100,
          principal: (k) => (row(k)?.principal ?? 0) / 100,
          interestToDate: (k) => ledger.interestTo(Math.min(k, ledger.count)) / 100,
          principalToDate: (k) => ledger.principalTo(Math.min(k, ledger.count)) / 100,
          paidToDate: (k) =>
            (ledger.interestTo(Math.min(k, ledger.count)) + ledger.principalTo(Math.min(k, ledger.count))) /
            100,
          number: (k) => k,
        }
        const columns = columnsOf(found, rows, CENT)
        if (columns) return ledgerSchedule(columns, named, principal.code, rate.code, months.code)
      }
    }
  }
  return undefined
}

/** A figure times one number and divided by another. */
const scaled = ({ value, code }: Candidate, times: number, over: number): Candidate => ({
  value: (value * times) / over,
  code: { ...code, text: `(${code.text} * ${times} / ${over})` },
})

function ledgerSchedule(
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

const rowBefore = (row: number | string): number | string =>
  typeof row === 'number' ? row - 1 : `(${row} - 1)`

const countOf = ({ block }: Found): number => block.to - block.from + 1

/** How far an unrounded figure of the file may be from ours: doubles carry that much on over hundreds of rows. */
const NEAR = 1e-6

/** Unrounded schedules: a level payment, and interest on what is owed, in closed form. */
function asArithmetic(found: Found): Schedule | undefined {
  const { candidates } = found
  const count = countOf(found)
  const near = (size: number) => NEAR * Math.max(1, size / 1e5)
  const rates = candidates.flatMap(({ value, code }) =>
    [1, 100].flatMap((parts) =>
      PERIODS.map((periods) => ({
        value: value / parts / periods,
        text: parts * periods === 1 ? code.text : `(${code.text} / ${parts * periods})`,
      })),
    ),
  )
  for (const principal of candidates) {
    if (principal.value < 1) continue
    for (const rate of rates) {
      if (rate.value < 1e-6 || rate.value > 0.2) continue
      if (!begins(found, principal.value * rate.value, near(principal.value))) continue
      for (const given of candidates) {
        const payment = Math.abs(given.value)
        if (payment <= principal.value * rate.value || payment > principal.value * 1.2) continue
        const pay = given.value < 0 ? `(-(${given.code.text}))` : given.code.text
        const q = 1 + rate.value
        const owed = (k: number) => principal.value * q ** k - (payment * (q ** k - 1)) / rate.value
        const rows: Rows = {
          opening: (k) => owed(k - 1),
          closing: owed,
          payment: () => payment,
          interest: (k) => owed(k - 1) * rate.value,
          principal: (k) => payment - owed(k - 1) * rate.value,
          interestToDate: (k) => payment * k - (principal.value - owed(k)),
          principalToDate: (k) => principal.value - owed(k),
          paidToDate: (k) => payment * k,
          number: (k) => k,
        }
        const columns = columnsOf(found, rows, near(principal.value))
        if (columns) return arithmeticSchedule(columns, principal.code.text, rate.text, pay, count)
      }
    }
  }
  return undefined
}

function arithmeticSchedule(
  columns: Schedule['columns'],
  principal: string,
  rate: string,
  payment: string,
  count: number,
): Schedule {
  const owed = (k: number | string) =>
    k === 0
      ? principal
      : `(${principal} * (1 + ${rate}) ** ${k} - ${payment} * ((1 + ${rate}) ** ${k} - 1) / ${rate})`
  const cell = (series: Series, k: number | string): string => {
    switch (series) {
      case 'closing':
        return owed(k)
      case 'opening':
        return owed(rowBefore(k))
      case 'payment':
        return payment
      case 'interest':
        return `${owed(rowBefore(k))} * ${rate}`
      case 'principal':
        return `${payment} - ${owed(rowBefore(k))} * ${rate}`
      case 'interestToDate':
        return `${payment} * ${k} - (${principal} - ${owed(k)})`
      case 'principalToDate':
        return `${principal} - ${owed(k)}`
      case 'paidToDate':
        return `${payment} * ${k}`
      case 'number':
        return String(k)
    }
  }
  const total = (series: Series) => {
    switch (series) {
      case 'payment':
        return cell('paidToDate', count)
      case 'interest':
        return cell('interestToDate', count)
      case 'principal':
        return cell('principalToDate', count)
      default:
        return undefined
    }
  }
  return signed(columns, undefined, cell, total)
}
