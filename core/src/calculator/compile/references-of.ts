import { loanReference } from '../document/loan-reference'
import type { CalculatorStep, ReadoutOf } from '../document/steps'

/** A step named by another as such, outside any formula. */
export interface Reference {
  readonly field: string
  readonly id: string
  readonly fits: (step: CalculatorStep) => boolean
}

const isKind =
  (kind: CalculatorStep['kind']) =>
  (step: CalculatorStep): boolean =>
    step.kind === kind

const isLoan = isKind('loan')

/** The steps a step names as such. */
export function referencesOf(step: CalculatorStep): Reference[] {
  const found: Reference[] = []
  mapReferences(step, (reference) => {
    found.push(reference)
    return reference.id
  })
  return found
}

/** The step with other steps named where it names some: the one place that knows where they stand. */
export function mapReferences(step: CalculatorStep, to: (reference: Reference) => string): CalculatorStep {
  const loan = (id: string, field = 'loan') => {
    const { step: of, which } = loanReference(id)
    const fits = which ? isKind('refinance') : isLoan
    const target = to({ field, id: of, fits })
    return which ? `${target}.${which}` : target
  }
  const loans = <L extends { loan: string }>(all: readonly L[]) =>
    all.map((one, i) => ({ ...one, loan: loan(one.loan, `loans.${i}`) }))
  const ladder = (id: string) => to({ field: 'ladder', id, fits: isKind('ladder') })
  switch (step.kind) {
    case 'question':
      return step.asks === 'share' ? { ...step, of: to({ field: 'of', id: step.of, fits: isAmount }) } : step
    case 'loan':
      return step.as === null ? step : { ...step, as: loan(step.as, 'as') }
    case 'equity':
    case 'aim':
      return { ...step, loan: loan(step.loan) }
    case 'ladder':
      return step.over === 'answer'
        ? {
            ...step,
            loan: loan(step.loan),
            question: to({ field: 'question', id: step.question ?? '', fits: isOneAnswer }),
          }
        : { ...step, loan: loan(step.loan) }
    case 'comparison':
      return { ...step, loans: loans(step.loans) }
    case 'payOff':
      return { ...step, loans: to({ field: 'loans', id: step.loans, fits: isLoanList }) }
    case 'readout':
      return mapOfReadout(step)
    case 'section':
    case 'working':
    case 'lookUp':
    case 'affordability':
    case 'refinance':
      return step
  }

  function mapOfChart(chart: ReadoutOf<'chart'>): CalculatorStep {
    switch (chart.chart) {
      case 'ladder':
        return { ...chart, ladder: ladder(chart.ladder ?? '') || null }
      case 'balance':
      case 'yearly':
        return { ...chart, loans: loans(chart.loans) }
      case 'refinance':
      case 'limits': {
        const fits = isKind(chart.chart === 'refinance' ? 'refinance' : 'affordability')
        return { ...chart, of: to({ field: 'of', id: chart.of ?? '', fits }) }
      }
    }
  }

  /** By the names of its fields: a new kind of readout that uses them as others do has nothing to say here. */
  function mapOfReadout(readout: Extract<CalculatorStep, { kind: 'readout' }>): CalculatorStep {
    if (readout.shows === 'chart') return mapOfChart(readout)
    return {
      ...readout,
      ...('loan' in readout && { loan: loan(readout.loan) }),
      ...('ladder' in readout && { ladder: ladder(readout.ladder) }),
      ...('payOff' in readout && {
        payOff: to({ field: 'payOff', id: readout.payOff, fits: isKind('payOff') }),
      }),
      ...('comparison' in readout && {
        comparison: to({ field: 'comparison', id: readout.comparison, fits: isKind('comparison') }),
      }),
    }
  }
}

const isLoanList = (other: CalculatorStep) => other.kind === 'question' && other.asks === 'loans'
const isOneAnswer = (other: CalculatorStep) => other.kind === 'question' && other.asks !== 'loans'
const isAmount = (other: CalculatorStep) => other.kind === 'question' && other.asks === 'money'
