import { Stopped, type Computed, type LoanRun } from '../../formula/computed'
import { Decimal } from '../../money/decimal'
import { factsOf } from '../../rates/frequency'

/** A figure of a loan by its name in formulas; see `figuresOf.loan`. A loan of nothing has figures of nothing. */
export function loanFigure(run: LoanRun, name: string): Computed {
  const { ledger, frequency, principal, terms } = run
  const decimal = (value: number | undefined) => new Decimal(value ?? 0)
  switch (name) {
    case 'principal':
      return decimal(principal)
    case 'borrowed':
      return decimal(ledger?.borrowed)
    case 'payment':
      return decimal(ledger?.payment)
    case 'monthly payment':
      return decimal(ledger?.payment).times(factsOf(frequency).perYear).div(12)
    case 'first interest':
      return decimal(ledger?.at(ledger.firstNumber).interest)
    case 'first principal':
      return decimal(ledger?.at(ledger.firstNumber).principal)
    case 'first insurance':
      return decimal(ledger?.at(ledger.firstNumber).insurance)
    case 'last payment':
      return decimal(ledger?.lastPayment)
    case 'payments':
      return decimal(ledger?.count)
    case 'length':
      return decimal(ledger?.count)
        .times(12)
        .div(factsOf(frequency).perYear)
        .toDecimalPlaces(0, Decimal.ROUND_UP)
    case 'end date': {
      const date = ledger ? ledger.endsOn : run.agreedOn
      if (date === undefined) throw new Stopped({ code: 'NO_FIGURE', figure: name })
      return date
    }
    case 'total interest':
      return decimal(ledger?.totals.interest)
    case 'total paid':
      return decimal(ledger?.totals.paid)
    case 'total extra':
      return decimal(ledger?.totals.extra)
    case 'total insurance':
      return decimal(ledger?.totals.insurance)
    case 'total fees':
      return decimal(ledger?.totals.fees)
    case 'cost of borrowing':
      return decimal(costOf(run))
    case 'balance at end':
      return decimal(ledger?.balanceAfter(ledger.lastNumber))
    case 'rate':
      return new Decimal(String(terms?.annualRate ?? '0'))
    case 'frequency':
      return frequency
    default:
      throw new Error(`a loan has no figure ${name}`)
  }
}

/** Interest and premiums, what was added to the loan, and fees with each payment. */
export function costOf({ ledger, principal, terms }: LoanRun): number {
  if (!ledger) return 0
  const eachPayment = (terms?.fees?.eachPayment ?? 0) * ledger.count
  return ledger.totals.interest + ledger.totals.insurance + (ledger.borrowed - principal) + eachPayment
}
