import { checkFormula, namesInScope } from '../../formula/check'
import type { Scope } from '../../formula/checking'
import { createReader, namesIn, plainName, type FormulaReader, type ParsedBefore } from '../../formula/syntax'
import {
  COUNT,
  DATE,
  FREQUENCY,
  MONEY,
  NUMBER,
  PERCENT,
  TERM,
  YES_NO,
  type FigureSource,
  type Unit,
} from '../../formula/unit'
import type { MinorDigits } from '../../money/currencies'
import type { Question } from '../document/questions'
import { unitOfSheet, type RateSheet } from '../document/sheets'
import type { CalculatorStep } from '../document/steps'
import { formulasOf } from './formulas-of'
import { referencesOf } from './references-of'

/** The unit a question's answer has. */
export function unitOfQuestion(question: Question): Unit {
  switch (question.asks) {
    case 'money':
      return question.per === null ? MONEY : { is: 'money', per: question.per }
    case 'percent':
      return PERCENT
    case 'share':
      return MONEY
    case 'number':
      return question.counts === 'payments' ? COUNT : NUMBER
    case 'term':
      return TERM
    case 'choice':
      return question.gives === 'name'
        ? { is: 'text', options: question.options.map(({ name }) => name) }
        : { is: question.gives }
    case 'yesNo':
      return YES_NO
    case 'date':
      return DATE
    case 'frequency':
      return FREQUENCY
    case 'loans':
      return { is: 'figures', of: 'loans' }
  }
}

/** Whether a step has a value that formulas can name. */
export const hasValue = ({ kind }: CalculatorStep): boolean => kind !== 'readout' && kind !== 'section'

/**
 * The names of a document's steps with their units. A working's unit follows from its formula, so they are worked out in
 * the order of use (`order`): each finds those it uses ready, however long a chain of them is.
 */
export function scopeOf(
  steps: readonly CalculatorStep[],
  order: readonly string[],
  sheets: readonly RateSheet[],
  minorDigits: MinorDigits,
  inCircles: ReadonlySet<string>,
  reader: FormulaReader,
): Scope {
  const entries = new Map<string, { readonly id: string; unit: Unit | undefined }>()
  const scope: Scope = { steps: entries, minorDigits, reader }
  const named = new Map<string, CalculatorStep>()
  for (const step of steps) {
    if (!hasValue(step) || entries.has(plainName(step.name))) continue
    named.set(step.id, step)
    entries.set(plainName(step.name), { id: step.id, unit: undefined })
  }
  for (const id of order) {
    const step = named.get(id)
    const entry = step && entries.get(plainName(step.name))
    if (step && entry) entry.unit = inCircles.has(id) ? undefined : unitOf(step)
  }
  return scope

  function unitOf(step: CalculatorStep): Unit | undefined {
    switch (step.kind) {
      case 'question':
        return unitOfQuestion(step)
      case 'working': {
        const [place] = formulasOf(step)
        return place && checkFormula(place.text, place.takes, scope).formula?.unit
      }
      case 'lookUp': {
        const sheet = sheets.find(({ id }) => id === step.sheet)
        return sheet && unitOfSheet(sheet)
      }
      case 'loan':
      case 'affordability':
      case 'refinance':
      case 'equity':
      case 'aim':
      case 'ladder':
      case 'comparison':
      case 'payOff':
        return { is: 'figures', of: step.kind }
      case 'section':
      case 'readout':
        return undefined
    }
  }
}

/** Reads formulas among the names of a document's steps, whatever is wrong with those steps. */
export const readerOf = (steps: readonly CalculatorStep[], before?: ParsedBefore): FormulaReader =>
  createReader(
    namesInScope(steps.filter(hasValue).map((step) => [plainName(step.name), figureSourceOf(step)])),
    before,
  )

/** For each step, the steps it takes values from: by name in its formulas, and as such. Works on faulty formulas too. */
export function usesOfSteps(
  steps: readonly CalculatorStep[],
  reader: FormulaReader = readerOf(steps),
): Map<string, readonly string[]> {
  const idOf = new Map(steps.filter(hasValue).map((step) => [plainName(step.name), step.id]))
  return new Map(
    steps.map((step) => {
      const named = formulasOf(step).flatMap(({ text }) =>
        namesIn(text, reader).map(({ name }) => idOf.get(name)),
      )
      const all = [...named, ...referencesOf(step).map(({ id }) => id)]
      return [step.id, [...new Set(all.filter((id): id is string => id !== undefined))]]
    }),
  )
}

/** Which figures a step has, where it has any. */
function figureSourceOf(step: CalculatorStep): FigureSource | undefined {
  if (step.kind === 'question') return step.asks === 'loans' ? 'loans' : undefined
  return isComposite(step) ? step.kind : undefined
}

type Composite = Extract<
  CalculatorStep,
  { kind: 'loan' | 'affordability' | 'refinance' | 'equity' | 'aim' | 'ladder' | 'comparison' | 'payOff' }
>
const isComposite = (step: CalculatorStep): step is Composite =>
  hasValue(step) && step.kind !== 'question' && step.kind !== 'working' && step.kind !== 'lookUp'
