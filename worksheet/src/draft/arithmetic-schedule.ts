import {
  begins,
  columnsOf,
  countOf,
  rowBefore,
  signed,
  type Found,
  type Rows,
  type Schedule,
  type Series,
} from './schedule'

const PERIODS = [12, 1, 2, 4, 24, 26, 52] as const
/** Rates of a period that are one; what lies outside is some other figure. */
const [LOWEST_RATE, HIGHEST_RATE] = [1e-6, 0.2]
/** How far an unrounded figure of the file may be from ours: doubles carry that much on over hundreds of rows. */
const NEAR = 1e-6

/** An unrounded schedule: a level payment, and interest on what is owed, in closed form. */
export function asArithmetic(found: Found): Schedule | undefined {
  const { candidates } = found
  const count = countOf(found)
  const rates = candidates.flatMap(({ value, code }) =>
    [1, 100].flatMap((parts) =>
      PERIODS.map((periods) => ({
        value: value / parts / periods,
        text: parts * periods === 1 ? code.text : `(${code.text} / ${parts * periods})`,
      })),
    ),
  )
  for (const principal of candidates.filter(({ value }) => value >= 1))
    for (const rate of rates.filter(({ value }) => value > LOWEST_RATE && value < HIGHEST_RATE)) {
      const interest = principal.value * rate.value
      const near = NEAR * Math.max(1, principal.value / 1e5)
      if (!begins(found, interest, near)) continue
      for (const { value, code } of candidates) {
        const payment = Math.abs(value)
        if (payment <= interest) continue
        const columns = columnsOf(found, rowsOf(principal.value, rate.value, payment), near)
        const paid = value < 0 ? `(-(${code.text}))` : code.text
        if (columns) return scheduleOf(columns, principal.code.text, rate.text, paid, count)
      }
    }
  return undefined
}

function rowsOf(principal: number, rate: number, payment: number): Rows {
  const owed = (k: number) => principal * (1 + rate) ** k - (payment * ((1 + rate) ** k - 1)) / rate
  return {
    opening: (k) => owed(k - 1),
    closing: owed,
    payment: () => payment,
    interest: (k) => owed(k - 1) * rate,
    principal: (k) => payment - owed(k - 1) * rate,
    interestToDate: (k) => payment * k - (principal - owed(k)),
    principalToDate: (k) => principal - owed(k),
    paidToDate: (k) => payment * k,
    number: (k) => k,
  }
}

function scheduleOf(
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
