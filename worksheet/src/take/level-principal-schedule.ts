import { isPeriodRate } from '../loans/rate-of'
import {
  begins,
  columnsOf,
  countOf,
  NEAR,
  rowBefore,
  signed,
  totalTo,
  type Found,
  type Names,
  type Rows,
  type Schedule,
  type Series,
  type Written,
} from './schedule'

/**
 * Unrounded schedules whose principal is the same each period, so that interest and payments fall: what is owed after k payments is
 * P − c k. No loan of ours is repaid so; the columns are taken over as the sums they are.
 */
export function* asLevelPrincipal(found: Found): Generator<Schedule> {
  const known = [...found.candidates, ...found.firsts]
  const amounts = known.filter(({ value }) => value >= 1)
  for (const principal of amounts)
    for (const part of amounts) {
      const near = NEAR * Math.max(1, principal.value / 1e5)
      if (part.value >= principal.value || !begins(found, principal.value - part.value, near)) continue
      for (const interest of found.firsts) {
        const rate = interest.value / principal.value
        if (!isPeriodRate(rate) || !begins(found, interest.value, near)) continue
        const columns = columnsOf(found, rowsOf(principal.value, rate, part.value), near, Infinity)
        if (!columns) continue
        const write = ({ working }: Names) => {
          const texts = {
            principal: working('amount of the schedule', principal.text),
            part: working('principal of each payment', part.text),
          }
          const period = `((${interest.text}) / ${texts.principal})`
          return written({ ...texts, rate: working('rate of the schedule', period) }, countOf(found))
        }
        yield { columns, write }
      }
    }
}

function rowsOf(principal: number, rate: number, part: number): Rows {
  const owed = (k: number) => principal - part * k
  const interest = (k: number) => owed(k - 1) * rate
  const interestTo = (k: number) => rate * (principal * k - (part * k * (k - 1)) / 2)
  return {
    opening: (k) => owed(k - 1),
    closing: owed,
    payment: (k) => part + interest(k),
    interest,
    principal: () => part,
    interestToDate: interestTo,
    principalToDate: (k) => part * k,
    paidToDate: (k) => part * k + interestTo(k),
    number: (k) => k,
  }
}

function written(
  { principal, rate, part }: { readonly principal: string; readonly rate: string; readonly part: string },
  count: number,
): Written {
  const owed = (k: number | string) => `(${principal} - ${part} * ${k})`
  const interest = (k: number | string) => `${owed(rowBefore(k))} * ${rate}`
  const interestTo = (k: number | string) =>
    `${rate} * (${principal} * ${k} - ${part} * ${k} * (${k} - 1) / 2)`
  const cell = (series: Series, k: number | string): string => {
    switch (series) {
      case 'closing':
        return owed(k)
      case 'opening':
        return owed(rowBefore(k))
      case 'payment':
        return `${part} + ${interest(k)}`
      case 'interest':
        return interest(k)
      case 'principal':
        return part
      case 'interestToDate':
        return interestTo(k)
      case 'principalToDate':
        return `${part} * ${k}`
      case 'paidToDate':
        return `${part} * ${k} + ${interestTo(k)}`
      case 'number':
        return String(k)
    }
  }
  return signed(cell, totalTo(cell, count))
}
