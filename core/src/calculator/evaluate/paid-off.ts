import type { PlainDate } from '../../dates/plain-date'
import { Stopped, type FigureSet } from '../../formula/computed'
import { refuse } from '../../guards/refusal'
import { payOff, payOffOrders, type PaidOff, type PayOff, type PayOffOrder } from '../../lending/pay-off'
import { Decimal } from '../../money/decimal'
import { minor } from '../../money/minor'
import type { OwedLoanAnswer } from '../document/document-shapes'
import type { PayOffFigures, PayOffPlan } from '../program/evaluated'
import { firstPaymentFrom } from './terms-of-loan'
import type { TermsReader } from './terms-reader'

/** Several loans paid off together, as figures and as what readouts show of them. */
export interface PaidOffTogether {
  readonly figures: FigureSet
  readonly plans: Omit<PayOffFigures, 'payOff'>
}

/** All are paid a month from today first, on one day. No loans: waits. */
export function paidOffTogether(
  loans: readonly OwedLoanAnswer[],
  terms: TermsReader,
  today: PlainDate,
): PaidOffTogether {
  if (loans.length === 0) throw new Stopped({ code: 'WAITS' })
  const order = orderOf(terms.text('terms.order') || 'dearest')
  const extra = terms.whole('terms.extra') ?? 0
  const result = payOff({
    loans: loans.map(({ owed, rate, payment }) => ({ owed, annualRate: rate, payment })),
    extra,
    ...firstPaymentFrom(today, 'monthly', 1),
  })
  if (!result.ok) throw new Stopped({ code: 'REFUSED', refusal: result })
  const names = loans.map(({ name }) => name)
  return {
    figures: { kind: 'figures', figures: figuresOf(result, order, names, extra, loans) },
    plans: {
      names,
      order,
      best: result.best,
      plans: [
        planOf('asAgreed', result.asAgreed, result.asAgreed),
        ...payOffOrders.map((by) => planOf(by, result.by[by], result.asAgreed)),
      ],
    },
  }
}

function orderOf(text: string): PayOffOrder {
  const order = payOffOrders.find((one) => one === text)
  if (!order)
    throw new Stopped({
      code: 'REFUSED',
      refusal: refuse('OPTION_UNKNOWN', 'order', { options: payOffOrders.join(', ') }),
    })
  return order
}

const planOf = (by: PayOffPlan['by'], paid: PaidOff, asAgreed: PaidOff): PayOffPlan => ({
  by,
  months: paid.months,
  endsOn: paid.endsOn,
  interest: paid.interest,
  paid: paid.paid,
  saved: minor(asAgreed.interest - paid.interest),
  ends: paid.loans.map(({ months, endsOn }) => ({ months, endsOn })),
})

function figuresOf(
  { asAgreed, by, best, order: orders }: PayOff,
  order: PayOffOrder,
  names: readonly string[],
  extra: number,
  loans: readonly OwedLoanAnswer[],
): FigureSet['figures'] {
  const chosen = by[order]
  const amount = (value: number) => new Decimal(value)
  return {
    'total owed': amount(chosen.owed[0] ?? 0),
    'paid a month': amount(loans.reduce((sum, { payment }) => sum + payment, extra)),
    'end date': chosen.endsOn,
    length: amount(chosen.months),
    'total interest': amount(chosen.interest),
    'total paid': amount(chosen.paid),
    'interest saved': amount(asAgreed.interest - chosen.interest),
    'time saved': amount(asAgreed.months - chosen.months),
    'interest as agreed': amount(asAgreed.interest),
    'end date as agreed': asAgreed.endsOn,
    'first loan': names[orders[order][0] ?? 0] || undefined,
    'best order': best,
    'least interest': amount(by[best].interest),
    'interest dearest first': amount(by.dearest.interest),
    'interest smallest first': amount(by.smallest.interest),
    'interest in own order': amount(by.own.interest),
  }
}
