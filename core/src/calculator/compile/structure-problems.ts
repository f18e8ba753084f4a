import type { RateSheet } from '../document/sheets'
import { answersOfLadder } from '../document/ladder-lists'
import type { CalculatorStep, ComparisonRow, ReadoutStep, StepOf } from '../document/steps'
import type { CompileFault, CompileProblem } from './compile-problem'
import { effectiveLoan } from './effective-loan'
import { loanMixProblems } from './loan-mix'

/** What a kind of step needs besides its formulas. */
export function structureProblems(
  step: CalculatorStep,
  steps: readonly CalculatorStep[],
  sheets: readonly RateSheet[],
  inCircles: ReadonlySet<string>,
): CompileProblem[] {
  const problem = (fault: CompileFault, field: string): CompileProblem[] => [
    { ...fault, step: step.id, field },
  ]
  switch (step.kind) {
    case 'lookUp': {
      if (step.sheet === '') return problem({ code: 'SHEET_NOT_CHOSEN' }, 'sheet')
      const sheet = sheets.find(({ id }) => id === step.sheet)
      if (!sheet) return problem({ code: 'SHEET_UNKNOWN' }, 'sheet')
      return sheet.keys
        .filter(({ id }) => !(id in step.keys))
        .flatMap(({ id, name }) => problem({ code: 'SHEET_KEY_MISSING', key: name }, `keys.${id}`))
    }
    case 'loan': {
      const effective = effectiveLoan(step, steps, inCircles)
      const { term, payments, payment, initialRepayment } = effective.terms
      const lengths = [term, payments].filter((text) => text !== undefined)
      const given = [payment, initialRepayment].filter((text) => text !== undefined)
      if (lengths.length === 0 && given.length === 0) return problem({ code: 'LENGTH_NEEDED' }, 'terms.term')
      return [
        ...(lengths.length > 0 && given.length > 0
          ? problem({ code: 'TERM_AND_PAYMENT' }, 'terms.payment')
          : []),
        ...loanMixProblems(effective),
      ]
    }
    case 'comparison':
      return step.loans.length < 2 ? problem({ code: 'TOO_FEW_LOANS' }, 'loans') : []
    case 'ladder': {
      const term = neededAnswers(step, steps)
      return term && !step.terms[term]?.trim()
        ? problem({ code: 'FORMULA_EMPTY', from: 0, to: 0 }, `terms.${term}`)
        : []
    }
    case 'readout':
      if (needsLoans(step)) return problem({ code: 'TOO_FEW_LOANS' }, 'loans')
      return needsStay(step, steps) ? problem({ code: 'STAY_NEEDED' }, 'rows') : []
    case 'section':
    case 'question':
    case 'working':
    case 'affordability':
    case 'refinance':
    case 'equity':
    case 'aim':
    case 'payOff':
      return []
  }
}

/** The list a ladder over a question's answers cannot do without. */
function neededAnswers({ over, question }: StepOf<'ladder'>, steps: readonly CalculatorStep[]) {
  const asked = over === 'answer' ? steps.find(({ id }) => id === question) : undefined
  return asked?.kind === 'question' ? answersOfLadder(asked) : undefined
}

const needsLoans = (step: ReadoutStep): boolean =>
  step.shows === 'chart' && (step.chart === 'balance' || step.chart === 'yearly') && step.loans.length === 0

const untilLeaving: readonly ComparisonRow[] = ['paidUntilLeaving', 'owedAtLeaving', 'costUntilLeaving']

/** Rows until the visitor leaves, of a comparison that does not say when that is. */
const needsStay = (step: ReadoutStep, steps: readonly CalculatorStep[]): boolean =>
  step.shows === 'comparison' &&
  step.rows.some((row) => untilLeaving.includes(row)) &&
  steps.some((one) => one.kind === 'comparison' && one.id === step.comparison && !one.stay?.trim())
