import { levelPaymentOf, partOf, paymentsOf, paymentsText } from '../loans/annuity'
import { asPercent, frequencyText, inMoney } from '../loans/rate-of'
import {
  begins,
  columnsOf,
  countOf,
  paymentsAmong,
  paymentsAYear,
  rowBefore,
  signed,
  type About,
  type Candidate,
  type Found,
  type Rows,
  type Schedule,
  type Series,
} from './schedule'

/** Rates of a period that are one; what lies outside is some other figure. */
const [LOWEST_RATE, HIGHEST_RATE] = [1e-6, 0.2]
/** How far an unrounded figure of the file may be from ours: doubles carry that much on over hundreds of rows. */
const NEAR = 1e-6

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
        const of = { principal: principal.value, rate: rate.value, payment: payment.value }
        for (const ends of [false, true]) {
          const columns = columnsOf(found, rowsOf(of, ends), near, ends ? lastOf(of) : Infinity)
          if (!columns) continue
          const own = { principal: principal.code.text, rate: rate.text, payment: payment.text }
          const about = { ...of, text: own.principal, terms: termsOf(own, of, rate, countOf(found), near) }
          yield { ...scheduleOf(columns, named(found, own, ends), countOf(found)), about }
        }
      }
    }
}

/** However a rate is written: the interest of the first row over what is owed then. */
const ratesOfFirst = ({ firsts }: Found, principal: Candidate): PeriodRate[] =>
  firsts
    .map(({ value, code }) => ({
      value: value / principal.value,
      text: `((${code.text}) / ${principal.code.text})`,
      perYear: undefined,
      annualRate: '',
    }))
    .filter(({ value }) => value > LOWEST_RATE && value < HIGHEST_RATE)

interface PeriodRate {
  readonly value: number
  readonly text: string
  /** Undefined: nothing divides it, and it may be any period's. */
  readonly perYear: { readonly value: number; readonly text: string } | undefined
  readonly annualRate: string
}

/** Figures that may be the rate of a period: what something divides first, by a figure of the file or by a number. */
function ratesAmong(candidates: readonly Candidate[]): PeriodRate[] {
  const perYears = [...paymentsAYear(candidates), undefined]
  return perYears
    .flatMap((perYear) =>
      candidates.flatMap(({ value, code }) =>
        ([1, 100] as const).map((parts): PeriodRate => {
          const over = [perYear?.text, parts === 1 ? undefined : '100'].filter((one) => one !== undefined)
          return {
            value: value / parts / (perYear?.value ?? 1),
            text: over.length === 0 ? code.text : `(${[code.text, ...over].join(' / ')})`,
            perYear,
            annualRate: asPercent(code, parts),
          }
        }),
      ),
    )
    .filter(({ value }) => value > LOWEST_RATE && value < HIGHEST_RATE)
}

type Of = Omit<About, 'terms' | 'text'>

/** The payment that brings what is owed to nothing. */
const lastOf = ({ principal, rate, payment }: Of): number =>
  Math.ceil(paymentsOf(principal, rate, payment, 0) - 1e-9)

/** `ends`: nothing is paid behind the payment that brings what is owed to nothing, which is smaller. */
function rowsOf(of: Of, ends: boolean): Rows {
  const last = ends ? lastOf(of) : Infinity
  const part = { ...of, count: 0, left: 0 }
  const owed = (k: number) => (k === 0 ? of.principal : k >= last ? 0 : partOf('owed', part, k))
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

interface Texts {
  readonly principal: string
  readonly rate: string
  readonly payment: string
  /** How many payments there are, where rows may lie behind the last. */
  readonly last?: string
}

/** The figures a schedule rests on, each with a name where it has none. */
function named({ working }: Found, { principal, rate, payment }: Texts, ends: boolean): Texts {
  const texts = {
    principal: working('amount of the schedule', principal),
    rate: working('rate of the schedule', rate),
    payment: working('payment of the schedule', payment),
  }
  if (!ends) return texts
  const count = paymentsText(texts.principal, texts.rate, texts.payment, '0')
  return { ...texts, last: working('payments of the schedule', `round up(${count}, 1)`) }
}

function termsOf(
  { principal, payment }: Texts,
  of: Of,
  { perYear, annualRate }: PeriodRate,
  rows: number,
  near: number,
): About['terms'] {
  if (!perYear) return undefined
  const level = levelPaymentOf({ ...of, count: rows, left: 0, isAtStart: false })
  return {
    principal: inMoney(principal),
    annualRate,
    frequency: frequencyText(perYear),
    ...(Math.abs(level - of.payment) <= near ? { payments: String(rows) } : { payment: inMoney(payment) }),
  }
}

function scheduleOf(
  columns: Schedule['columns'],
  { principal, rate, payment, last }: Texts,
  count: number,
): Schedule {
  const grown = (k: number | string) =>
    `(${principal} * (1 + ${rate}) ** ${k} - ${payment} * ((1 + ${rate}) ** ${k} - 1) / ${rate})`
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
