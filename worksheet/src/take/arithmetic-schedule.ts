import { partOf, paymentsOf, paymentsText } from '../loans/annuity'
import type { Figure } from '../loans/figure'
import { isPeriodRate, paymentsAYear } from '../loans/rate-of'
import {
  begins,
  columnsOf,
  countOf,
  NEAR,
  paymentsAmong,
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

/** Unrounded schedules: the same payment each period and interest on what is owed, in closed form. The likelier come first. */
export function* asArithmetic(found: Found): Generator<Schedule> {
  const candidates = [...found.candidates, ...found.firsts]
  const rates = ratesAmong(found.candidates)
  for (const principal of candidates.filter(({ value }) => value >= 1))
    for (const rate of [...rates, ...ratesOfFirst(found, principal)]) {
      const interest = principal.value * rate.value
      const near = NEAR * Math.max(1, principal.value / 1e5)
      if (!begins(found, interest, near)) continue
      for (const payment of paymentsAmong(candidates, interest)) {
        const owed = principal.value + interest - payment.value
        if (!begins(found, owed, near) && !begins(found, principal.value, near)) continue
        const rests = { principal, rate, payment }
        for (const ends of found.hasCondition ? [true, false] : [false, true]) {
          const last = ends ? lastOf(rests) : Infinity
          const columns = columnsOf(found, rowsOf(rests, last), near, last)
          if (!columns) continue
          const about = { ...rests, rows: countOf(found), among: found.candidates }
          yield { columns, about, write: (names) => written(named(names, rests, ends), countOf(found)) }
        }
      }
    }
}

/** However a rate is written: the interest of the first row over what is owed then. */
const ratesOfFirst = ({ firsts }: Found, principal: Figure): Figure[] =>
  firsts
    .map(({ value, text }) => ({
      value: value / principal.value,
      text: `((${text}) / ${principal.text})`,
    }))
    .filter(({ value }) => isPeriodRate(value))

/** Figures that may be the rate of a period: what something divides first, by a figure of the file or by a number. */
function ratesAmong(candidates: readonly Figure[]): Figure[] {
  return [...paymentsAYear(candidates), undefined]
    .flatMap((perYear) =>
      candidates.flatMap(({ value, text }) =>
        ([1, 100] as const).map((parts): Figure => {
          const over = [perYear?.text, parts === 1 ? undefined : '100'].filter((one) => one !== undefined)
          return {
            value: value / parts / (perYear?.value ?? 1),
            text: over.length === 0 ? text : `(${[text, ...over].join(' / ')})`,
          }
        }),
      ),
    )
    .filter(({ value }) => isPeriodRate(value))
}

interface RestsOn<T> {
  readonly principal: T
  readonly rate: T
  readonly payment: T
}

/** The payment that brings what is owed to nothing. */
const lastOf = ({ principal, rate, payment }: RestsOn<Figure>): number =>
  Math.ceil(paymentsOf(principal.value, rate.value, payment.value, 0) - 1e-9)

/** `last`: behind this payment nothing is paid, and it is smaller, as it brings what is owed to nothing. */
function rowsOf(rests: RestsOn<Figure>, last: number): Rows {
  const of = {
    ...{ principal: rests.principal.value, rate: rests.rate.value, payment: rests.payment.value },
    ...{ count: 0, left: 0 },
  }
  const owed = (k: number) => (k === 0 ? of.principal : k >= last ? 0 : partOf('owed', of, k))
  const paid = (k: number) => (k > last ? 0 : k === last ? owed(k - 1) * (1 + of.rate) : of.payment)
  const paidTo = (k: number) => (k >= last ? of.payment * (last - 1) + paid(last) : of.payment * k)
  return {
    opening: (k) => owed(k - 1),
    closing: owed,
    payment: paid,
    interest: (k) => owed(k - 1) * of.rate,
    principal: (k) => owed(k - 1) - owed(k),
    interestToDate: (k) => paidTo(k) - (of.principal - owed(k)),
    principalToDate: (k) => of.principal - owed(k),
    paidToDate: paidTo,
    number: (k) => k,
  }
}

interface Texts extends RestsOn<string> {
  /** The amount whose interest the payment is: what is owed less than that shrinks, with one power a row. */
  readonly perpetuity: string
  /** How many payments there are, where rows may lie behind the last. */
  readonly last?: string
}

/** The figures a schedule rests on, each with a name where it has none. */
function named({ working }: Names, { principal, rate, payment }: RestsOn<Figure>, ends: boolean): Texts {
  const texts = {
    principal: working('amount of the schedule', principal.text),
    rate: working('rate of the schedule', rate.text),
    payment: working('payment of the schedule', payment.text),
  }
  const rests = {
    ...texts,
    perpetuity: working('perpetuity of the schedule', `${texts.payment} / ${texts.rate}`),
  }
  if (!ends) return rests
  const count = paymentsText(texts.principal, texts.rate, texts.payment, '0')
  return { ...rests, last: working('payments of the schedule', `round up(${count}, 1)`) }
}

function written({ principal, rate, payment, perpetuity, last }: Texts, count: number): Written {
  const grown = (k: number | string) =>
    `(${perpetuity} - (${perpetuity} - ${principal}) * (1 + ${rate}) ** ${k})`
  const owed = (k: number | string) => (k === 0 ? principal : last ? `max(0, ${grown(k)})` : grown(k))
  const interest = (k: number | string) => `${owed(rowBefore(k))} * ${rate}`
  const paid = (k: number | string) =>
    last ? `min(${payment}, ${owed(rowBefore(k))} * (1 + ${rate}))` : payment
  const paidTo = (k: number | string) => {
    if (!last) return `${payment} * ${k}`
    const until = `min(${k}, ${last})`
    return `(${payment} * ${until} + min(0, ${grown(until)}))`
  }
  const cell = (series: Series, k: number | string): string => {
    switch (series) {
      case 'closing':
        return owed(k)
      case 'opening':
        return owed(rowBefore(k))
      case 'payment':
        return paid(k)
      case 'interest':
        return interest(k)
      case 'principal':
        return `${paid(k)} - ${interest(k)}`
      case 'interestToDate':
        return `${paidTo(k)} - (${principal} - ${owed(k)})`
      case 'principalToDate':
        return `${principal} - ${owed(k)}`
      case 'paidToDate':
        return paidTo(k)
      case 'number':
        return String(k)
    }
  }
  return signed(cell, totalTo(cell, count))
}
