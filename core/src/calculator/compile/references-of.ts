import type { CalculatorStep } from '../document/steps'

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
  switch (step.kind) {
    case 'question':
      return step.asks === 'share'
        ? [{ field: 'of', id: step.of, fits: (other) => other.kind === 'question' && other.asks === 'money' }]
        : []
    case 'loan':
      return step.as === null ? [] : [{ field: 'as', id: step.as, fits: isLoan }]
    case 'equity':
    case 'aim':
    case 'ladder':
      return [{ field: 'loan', id: step.loan, fits: isLoan }]
    case 'comparison':
      return loansOf(step.loans)
    case 'readout':
      return referencesOfReadout(step)
    case 'section':
    case 'working':
    case 'lookUp':
    case 'affordability':
    case 'refinance':
      return []
  }
}

const loansOf = (loans: readonly { loan: string }[]): Reference[] =>
  loans.map(({ loan }, i) => ({ field: `loans.${i}`, id: loan, fits: isLoan }))

function referencesOfReadout(step: Extract<CalculatorStep, { kind: 'readout' }>): Reference[] {
  switch (step.shows) {
    case 'chart':
      return step.chart === 'ladder'
        ? [{ field: 'ladder', id: step.ladder ?? '', fits: isKind('ladder') }]
        : loansOf(step.loans)
    case 'schedule':
    case 'payment':
    case 'whatIf':
      return [{ field: 'loan', id: step.loan, fits: isLoan }]
    case 'ladder':
      return [{ field: 'ladder', id: step.ladder, fits: isKind('ladder') }]
    case 'comparison':
      return [{ field: 'comparison', id: step.comparison, fits: isKind('comparison') }]
    case 'figure':
    case 'meter':
    case 'sentence':
    case 'explanation':
    case 'assumptions':
    case 'actions':
      return []
  }
}
