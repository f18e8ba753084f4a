import {
  frequencies,
  type ComparedColumn,
  type LoanTerms,
  type TermLength,
  type WhatIf,
} from '@vivid/core/evaluate'
import { counted, type Figures, type PageWords } from '@vivid/contract/wording'

/** How many of a visitor's what-ifs stand beside the loan as it is. */
export const MOST_BESIDE = 4

/** When a lump sum may be paid: now, or after so many years. */
export const lumpYears = [0, 1, 2, 3, 5, 10, 15, 20] as const

/** The payment a lump sum goes with after so many years; 0 is today. */
export const paymentAfter = (years: number, { frequency }: LoanTerms): number =>
  years * frequencies[frequency].perYear

/** The name a what-if stands under, in the page's words. */
export function nameOf(change: WhatIf, terms: LoanTerms, figures: Figures, words: PageWords): string {
  const { named } = words.whatIf
  switch (change.kind) {
    case 'extra':
      return named.extra(figures.moneyShort(change.amount))
    case 'lumpSum':
      return named.lumpSum(
        figures.moneyShort(change.amount),
        whenOf(change.withPayment / frequencies[terms.frequency].perYear, figures, words),
      )
    case 'rate':
      return named.rate(figures.percent(change.annualRate))
    case 'payment':
      return named.payment(figures.moneyShort(change.payment))
  }
}

export const whenOf = (years: number, figures: Figures, { whatIf: words }: PageWords): string =>
  years === 0 ? words.now : words.inYears(figures.term({ years, months: 0 }))

/** What one change would do, in a sentence: how much sooner, and how much less interest. */
export function sentenceOf(
  asItIs: ComparedColumn,
  changed: ComparedColumn,
  { frequency }: LoanTerms,
  figures: Figures,
  words: PageWords,
): string {
  const payments = changed.payments - asItIs.payments
  const interest = changed.totalInterest - asItIs.totalInterest
  const cut = changed.extrasNotPaid - asItIs.extrasNotPaid
  const said = words.whatIf.says({
    payment: changed.payment === asItIs.payment ? '' : figures.money(changed.payment),
    time: payments === 0 ? '' : timeOf(Math.abs(payments), frequencies[frequency].perYear, figures),
    isSooner: payments < 0,
    money: figures.money(Math.abs(interest)),
    isLess: interest <= 0,
  })
  return cut > 0 ? `${said} ${figures.words.extrasCut(figures.money(cut))}` : said
}

/** So many payments as a time: whole months where they make some, else payments. */
function timeOf(payments: number, perYear: number, figures: Figures): string {
  const months = Math.floor((payments * 12) / perYear)
  if (months === 0) return counted(payments, figures.words.payments, figures.locale)
  const length: TermLength = { years: Math.floor(months / 12), months: months % 12 }
  return figures.term(length)
}
