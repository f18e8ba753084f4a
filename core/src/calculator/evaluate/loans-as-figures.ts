import { EACH_LOAN, type FigureSet } from '../../formula/computed'
import { Decimal, greatestOf } from '../../money/decimal'
import type { OwedLoanAnswer } from '../document/document-shapes'

/** A list of loans: its columns as lists, what they come to, and the loans one by one for a formula that goes through them. */
export function loansAsFigures(loans: readonly OwedLoanAnswer[]): FigureSet {
  const column = (of: 'owed' | 'rate' | 'payment') => loans.map((loan) => new Decimal(loan[of]))
  const sum = (amounts: readonly Decimal[]) => amounts.reduce((a, b) => a.plus(b), new Decimal(0))
  const [owed, rates, payments] = [column('owed'), column('rate'), column('payment')]
  const each = loans.map(({ name }, at): FigureSet => {
    const figures = { name, owed: owed[at], rate: rates[at], payment: payments[at] }
    return { kind: 'figures', figures }
  })
  return {
    kind: 'figures',
    figures: {
      owed,
      rates,
      payments,
      count: new Decimal(loans.length),
      'total owed': sum(owed),
      'total payments': sum(payments),
      'highest rate': greatestOf(new Decimal(0), ...rates),
      [EACH_LOAN]: each,
    },
  }
}
