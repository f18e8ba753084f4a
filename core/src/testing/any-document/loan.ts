import fc from 'fast-check'
import type { CalculatorStep } from '../../calculator/document/steps'
import {
  counts,
  dates,
  lengths,
  maybe,
  mostly,
  oftens,
  once,
  percents,
  present,
  rarely,
  recurring,
  texts,
  when,
} from './any-terms'

export const loanStep = (id: string, name: string, others: readonly string[]): fc.Arbitrary<CalculatorStep> =>
  fc
    .record({
      as: others.length > 0 ? fc.option(fc.constantFrom(...others), { freq: 1 }) : fc.constant(null),
      terms: fc
        .record({
          principal: mostly(texts('price', 'price - down', 'min(price, 90000)'), once),
          annualRate: percents,
          frequency: oftens,
          term: fc.option(lengths, { nil: undefined, freq: 9 }),
          payments: rarely(counts),
          payment: rarely(recurring),
          balloon: maybe(once),
          firstPayment: rarely(dates),
          alreadyPaid: rarely(counts),
          financedFees: maybe(once),
          feeEachPayment: rarely(recurring),
          yearlyExtraLimit: rarely(once),
          gracePayments: rarely(fc.oneof(counts, lengths)),
          gracePayment: rarely(recurring),
          insuranceAdded: rarely(percents),
          insuranceYearly: rarely(percents),
          insuranceValue: rarely(once),
          insuranceUntil: rarely(percents),
          initialRepayment: rarely(percents),
        })
        .map((terms) => present(terms)),
      options: fc
        .record({
          compounding: maybe(fc.constantFrom('perPayment' as const, 1 as const, 2 as const, 365 as const)),
          due: maybe(fc.constantFrom('end' as const, 'start' as const)),
          onExtra: maybe(fc.constantFrom('shorten' as const, 'lower' as const)),
          paymentRounding: maybe(fc.constantFrom('nearest' as const, 'up' as const, 'down' as const)),
          dayCount: rarely(
            fc.constantFrom(
              'equal' as const,
              'thirtyOver365' as const,
              'actual365' as const,
              'thirty360' as const,
            ),
          ),
          graceInterest: maybe(
            fc.constantFrom(
              'none' as const,
              'paid' as const,
              'addedSimple' as const,
              'addedCompound' as const,
            ),
          ),
          insuranceBase: maybe(fc.constantFrom('original' as const, 'balanceYearly' as const)),
        })
        .map((options) => present(options)),
      extras: fc.option(
        fc.array(
          fc.record({
            amount: fc.oneof(once, recurring),
            every: fc.constantFrom('payment' as const, 'year' as const, 'once' as const),
            at: when,
            from: fc.oneof(texts(''), when),
            until: fc.oneof(texts(''), when),
          }),
          { maxLength: 2 },
        ),
        { freq: 2 },
      ),
      rateChanges: fc.option(
        fc.array(
          fc.record({
            fromPayment: fc.oneof(counts, dates),
            annualRate: percents,
            keep: fc.constantFrom('term' as const, 'payment' as const),
          }),
          { maxLength: 2 },
        ),
        { freq: 1 },
      ),
    })
    .map((made): CalculatorStep => ({ kind: 'loan', id, name, ...made }))
