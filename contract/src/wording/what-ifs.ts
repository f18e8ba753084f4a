import {
  lengthOfMonths,
  frequencies,
  type ComparedColumn,
  type Ledger,
  type LoanTerms,
  type Refusal,
  type WhatIf,
} from '@vivid/core/evaluate'
import type { Figures } from './language'
import { counted } from './languages'
import { problemSentence } from './problem-sentences'

/** What a visitor keeps beside a loan as it is, under a name of their own or, where that is empty, under what it changes. */
export interface KeptWhatIf extends WhatIf {
  readonly name: string
}

/** How many of a visitor's what-ifs stand beside the loan as it is. */
export const MOST_BESIDE = 4

/** How much of a kept what-if is let in, wherever it comes from: a request, a link, a page that was left. */
export const keptLimits = {
  /** Letters of its name. */
  name: 60,
  /** In minor units. */
  amount: 1e13,
  /** The number of a payment. */
  withPayment: 6000,
  /** In percent, as it is typed. */
  annualRate: /^\d{1,6}(\.\d{1,12})?$/,
} as const

/** When a lump sum may be paid: now, or after so many years. */
export const lumpYears = [0, 1, 2, 3, 5, 10, 15, 20] as const

type Frequent = Pick<LoanTerms, 'frequency'>

/** The payment a lump sum goes with after so many years; 0 is today. */
export const paymentAfter = (years: number, { frequency }: Frequent): number =>
  years * frequencies[frequency].perYear

/** What a what-if changes, in a few words: "$250 extra each time, at 5.2%". */
export function whatIfName(
  { extra, yearlyExtra, lumpSum, annualRate, payment }: WhatIf,
  { frequency }: Frequent,
  figures: Figures,
): string {
  const { named } = figures.words.page.whatIf
  const years = (lumpSum?.withPayment ?? 0) / frequencies[frequency].perYear
  return [
    payment === undefined ? '' : named.payment(figures.moneyShort(payment)),
    annualRate === undefined ? '' : named.rate(figures.percent(annualRate)),
    extra === undefined ? '' : named.extra(figures.moneyShort(extra)),
    yearlyExtra === undefined ? '' : named.yearlyExtra(figures.moneyShort(yearlyExtra)),
    lumpSum === undefined ? '' : named.lumpSum(figures.moneyShort(lumpSum.amount), whenOf(years, figures)),
  ]
    .filter(Boolean)
    .join(', ')
}

export const keptName = (kept: KeptWhatIf, terms: Frequent, figures: Figures): string =>
  kept.name.trim() || whatIfName(kept, terms, figures)

export const whenOf = (years: number, figures: Figures): string => {
  const { now, inYears } = figures.words.page.whatIf
  return years === 0 ? now : inYears(figures.term({ years, months: 0 }))
}

/** What changes would do, in a sentence: how much sooner, and how much less interest; or why they cannot be. */
export function whatIfSentence(
  asItIs: ComparedColumn,
  changed: ComparedColumn | Refusal,
  { frequency }: Frequent,
  figures: Figures,
): string {
  if ('ok' in changed) return problemSentence({ code: 'LOAN_REFUSED', field: '', refusal: changed }, figures)
  const payments = changed.payments - asItIs.payments
  const interest = changed.totalInterest - asItIs.totalInterest
  const cut = changed.extrasNotPaid - asItIs.extrasNotPaid
  const isRepaid = changed.payments === 0
  const said = figures.words.page.whatIf.says({
    payment: changed.payment === asItIs.payment || isRepaid ? '' : figures.money(changed.payment),
    time: payments === 0 ? '' : timeOf(Math.abs(payments), frequencies[frequency].perYear, figures),
    isSooner: payments < 0,
    money: interest === 0 ? '' : figures.money(Math.abs(interest)),
    isLess: interest < 0,
    isRepaid,
  })
  const last = changed.largeLastPayment
  return [
    said,
    ...(cut > 0 ? [figures.words.extrasCut(figures.money(cut))] : []),
    ...(last > 0 && last !== asItIs.largeLastPayment
      ? [figures.words.lastPaymentLarge(figures.money(last))]
      : []),
  ].join(' ')
}

/** How much sooner or later a loan ends, in words; empty where it does not. */
export function gapSaid(
  asItIs: Pick<Ledger, 'count'>,
  changed: Pick<Ledger, 'count'>,
  { frequency }: Frequent,
  figures: Figures,
): string {
  const payments = changed.count - asItIs.count
  if (payments === 0) return ''
  const time = timeOf(Math.abs(payments), frequencies[frequency].perYear, figures)
  return figures.words.page.whatIf.gap(time, payments < 0)
}

/** So many payments as a time: whole months where they make some, else payments. */
function timeOf(payments: number, perYear: number, figures: Figures): string {
  const months = Math.floor((payments * 12) / perYear)
  if (months === 0) return counted(payments, figures.words.payments, figures.locale)
  const length = lengthOfMonths(months)
  return figures.term(length)
}
