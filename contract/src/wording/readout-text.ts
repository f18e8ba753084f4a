import type { Readout } from '@vivid/core/evaluate'
import type { Figures } from './figures'

/** A result as the visitor reads it: a large figure and a plain sentence that says what it means. */
export interface ReadoutText {
  readonly figure: string
  readonly sentence: string
}

const NOTHING_TO_BORROW = 'There is nothing to borrow: your down payment covers the whole price.'

type Texts = { [S in Readout['shows']]: (readout: Extract<Readout, { shows: S }>, f: Figures) => ReadoutText }

const texts: Texts = {
  payment: ({ payment, frequency, first, count, last }, f) => ({
    figure: f.money(payment),
    sentence:
      count === 0
        ? NOTHING_TO_BORROW
        : count === 1
          ? `One payment of ${f.money(last)} repays it all: ${f.money(first.principal)} borrowed and ${f.money(first.interest)} interest.`
          : `${f.count(count)} payments, one ${f.every(frequency)}, the last of ${f.money(last)}. The first takes ${f.money(first.principal)} off the loan; ${f.money(first.interest)} of it is interest.`,
  }),
  totalInterest: ({ interest, paid, principal }, f) => ({
    figure: f.money(interest),
    sentence:
      principal === 0
        ? NOTHING_TO_BORROW
        : `Borrowing ${f.money(principal)} would mean paying back ${f.money(paid)} in all.`,
  }),
  endDate: ({ endsOn, count }, f) => ({
    figure: endsOn ? f.month(endsOn) : 'Today',
    sentence: endsOn
      ? `The ${count === 1 ? 'only' : 'last'} payment would fall on ${f.date(endsOn)}${count === 1 ? '' : `, after ${f.count(count)} payments`}.`
      : NOTHING_TO_BORROW,
  }),
  schedule: ({ years }, f) => ({
    figure: `${f.count(years.at(-1)?.to ?? 0)} ${years.at(-1)?.to === 1 ? 'payment' : 'payments'}`,
    sentence:
      years.length === 0
        ? NOTHING_TO_BORROW
        : 'What each year takes off the loan, and what it costs in interest.',
  }),
}

export const readoutText = (readout: Readout, figures: Figures): ReadoutText =>
  (texts[readout.shows] as (r: Readout, f: Figures) => ReadoutText)(readout, figures)
