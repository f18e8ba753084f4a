import { Stopped, type Computed, type LoanRun } from '../../formula/computed'
import { Decimal } from '../../money/decimal'
import { roundWhole } from '../../money/rounding'
import { factsOf, type Frequency } from '../../rates/frequency'

/** A figure of a loan by its name in formulas; see `figuresOf.loan`. A loan of nothing has figures of nothing. */
export function loanFigure(run: LoanRun, name: string): Computed {
  const { ledger, frequency, principal, terms, paidAtStart = 0 } = run
  const decimal = (value: number | undefined) => new Decimal(value ?? 0)
  const next = ledger?.nextRegular
  switch (name) {
    case 'principal':
      return decimal(principal)
    case 'borrowed':
      return decimal(ledger?.borrowed)
    case 'payment':
      return decimal(ledger?.nextPayment)
    case 'monthly payment':
      return decimal(ledger?.nextPayment).times(factsOf(frequency).perYear).div(12)
    case 'first interest':
      return decimal(next?.interest)
    case 'first principal':
      return decimal(next && next.principal - next.extra)
    case 'first insurance':
      return decimal(next?.insurance)
    case 'last payment':
      return decimal(ledger?.lastPayment)
    case 'payments':
      return decimal(ledger?.count)
    case 'length':
      return lengthOf(ledger?.count ?? 0, frequency)
    case 'end date': {
      const date = ledger ? ledger.endsOn : run.agreedOn
      if (date === undefined) throw new Stopped({ code: 'NO_FIGURE', figure: name })
      return date
    }
    case 'total interest':
      return decimal(ledger?.totals.interest)
    case 'total payments':
      return decimal(ledger?.totals.paid)
    case 'total paid':
      return decimal(ledger && ledger.totals.paidInAll + paidAtStart)
    case 'total extra':
      return decimal(ledger?.totals.extra)
    case 'extras not paid':
      return decimal(ledger?.extrasCutByLimit)
    case 'total insurance':
      return decimal(ledger?.totals.insurance)
    case 'total fees':
      return decimal(ledger && ledger.totals.fees + paidAtStart)
    case 'cost of borrowing':
      return decimal(ledger && ledger.totals.cost + paidAtStart)
    case 'balance today':
      return decimal(ledger?.owedToday)
    case 'balance at end':
      return decimal(ledger?.totals.balloon)
    case 'payments made':
      return decimal(ledger?.soFar.payments)
    case 'paid so far':
      return decimal(ledger?.soFar.paidInAll)
    case 'interest so far':
      return decimal(ledger?.soFar.interest)
    case 'principal so far':
      return decimal(ledger?.soFar.principal)
    case 'insurance so far':
      return decimal(ledger?.soFar.insurance)
    case 'rate':
      return new Decimal(String(terms?.annualRate ?? '0'))
    case 'frequency':
      return frequency
    default:
      throw new Error(`a loan has no figure ${name}`)
  }
}

/** So many payments as a length of time, whole months begun. */
export const lengthOf = (payments: number, frequency: Frequency): Decimal =>
  roundWhole(new Decimal(payments).times(12).div(factsOf(frequency).perYear), 'up')
