import { mainLanguage } from '../document/text-in'
import { minuteText, type Moment } from '../../dates/moment'
import { isoDate } from '../../dates/plain-date'
import { Stopped, type Computed, type FigureSet, type Stop } from '../../formula/computed'
import { evaluateExpression } from '../../formula/evaluate-expression'
import { Decimal, isDecimal } from '../../money/decimal'
import { roundToMultiple } from '../../money/rounding'
import type { Frequency } from '../../rates/frequency'
import type { CalculatorStep, StepOf } from '../document/steps'
import type { Answers, Program, ProgramStep, ReadyFormula } from '../program/program'
import type { Evaluation } from '../program/evaluated'
import { valuesFor, type Around, type Context } from './context'
import type { Further } from './further'
import { evaluationOf } from './evaluation-of'
import { given } from './terms-of-loan'
import { loanState } from './loan-state'
import { questionState } from './question-state'
import { lookUp } from './look-up'
import { sourcesFor } from './readout-sources'
import { readOut } from './readouts'
import { termsReader, type TermsReader } from './terms-reader'
import { everyOf, loanAt, termsAt } from './situation'
import { kept, sameInputs, type State } from './state'
import { metered, TooMuchWork } from '../../guards/work'
import { valueOf } from './value-of'

/** A state with what it was worked out from. */
interface Remembered {
  readonly inputs: readonly unknown[]
  readonly result: State
  /** What it took, counted again each time it is used: the same answers come to the same, however they were typed. */
  readonly spent: number
}

/** The most work one evaluation may take, about a second; 200 steps of ordinary formulas take a hundredth of it. */
const MOST_WORK = 1_500_000

export type Evaluator = (answers: Answers, around: Around) => Evaluation

/**
 * Makes an evaluator for a program. It remembers: called again, it works out only the steps whose answers or inputs
 * changed. Pure otherwise: browser, worker and server get the same figures from the same arguments. Answers are
 * untrusted; what is wrong with them is in `problems`, and whatever does not depend on it is worked out all the same.
 * `further` is what some kinds of step are worked out with; a program without them does without it (`needsFurther`).
 */
export function createEvaluatorWith(program: Program, further: Further | undefined): Evaluator {
  const stepOf = new Map(program.steps.map((one) => [one.step.id, one]))
  const order = orderToWorkOut(program, stepOf)
  let before = new Map<string, Remembered>()
  return (answers, around) => {
    const now = new Map<string, Remembered>()
    const states = new Map<string, State>()
    const spentOn = new Map<string, number>()
    let left = MOST_WORK
    for (const id of order) {
      const one = stepOf.get(id)
      if (!one) continue
      const inputs = inputsOf(one, answers, around, states)
      const last = before.get(id)
      const context = { program, answers, around, states, further }
      const { result: state, spent } =
        last && sameInputs(last.inputs, inputs)
          ? last
          : metered(left, () => unbroken(one, () => kept(last?.result, workOut(one, context))))
      left -= spent
      spentOn.set(id, spent)
      if (state) {
        states.set(id, state)
        now.set(id, { inputs, result: state, spent })
      }
      if (state && left >= 0) continue
      // It has to become simpler; what would have come after it waits.
      states.set(...dearest(spentOn))
      break
    }
    before = now
    return evaluationOf(program, answers, states)
  }
}

/** The step that took most of the work: it is what stops the evaluation. */
function dearest(spentOn: ReadonlyMap<string, number>): [string, State] {
  const [field] = [...spentOn].reduce((a, b) => (b[1] > a[1] ? b : a), ['', -1])
  return [field, stopped(field, '', { code: 'TOO_MUCH_WORK' })]
}

/** The program's order with what explains the others behind them, wherever it stands on the page. */
function orderToWorkOut({ order }: Program, stepOf: ReadonlyMap<string, ProgramStep>): string[] {
  const isLast = (id: string) => {
    const step = stepOf.get(id)?.step
    return step !== undefined && explainsOthers(step)
  }
  return [...order.filter((id) => !isLast(id)), ...order.filter(isLast)]
}

const explainsOthers = (step: CalculatorStep): boolean =>
  step.kind === 'readout' && (step.shows === 'explanation' || step.shows === 'assumptions')

function inputsOf(
  { step, uses }: ProgramStep,
  answers: Answers,
  around: Around,
  states: ReadonlyMap<string, State>,
): unknown[] {
  const answer = Object.hasOwn(answers, step.id) ? answers[step.id] : undefined
  const used = explainsOthers(step) ? [...states.keys()] : uses
  return [minuteText(around.today), around.sheets, answer, ...used.map((id) => states.get(id))]
}

/** Works one step out; whatever stops it becomes its problem. */
function workOut(one: ProgramStep, context: Context): State {
  try {
    return stateOf(one, context)
  } catch (error) {
    if (!(error instanceof Stopped)) throw error
    return stopped(one.step.id, one.step.kind, error.stop)
  }
}

/** A broken promise of our own stops the line it is in and nothing else, and is its problem. */
function unbroken({ step }: ProgramStep, work: () => State): State {
  try {
    return work()
  } catch (error) {
    if (error instanceof TooMuchWork) throw error
    const reason = error instanceof Error ? error.message : String(error)
    return stopped(step.id, step.kind, { code: 'BROKEN', reason })
  }
}

function stopped(field: string, kind: string, stop: Stop): State {
  if (stop.code === 'WAITS') return {}
  if (stop.code === 'REFUSED' && kind !== 'working')
    return { problem: { code: 'LOAN_REFUSED', field, refusal: stop.refusal } }
  return { problem: { code: 'STEP_STOPPED', field, stop } }
}

function stateOf(one: ProgramStep, context: Context): State {
  const { step, formulas } = one
  const { program, around, states } = context
  const run = (path: string): { value: Computed; unit: ReadyFormula['unit'] } | undefined => {
    const ready = formulas[path]
    return ready && { value: evaluateExpression(ready.expression, valuesFor(context)), unit: ready.unit }
  }
  const terms = termsReader(run)
  const needed = (path: string) => {
    const found = run(path)
    if (!found) throw new Stopped({ code: 'WAITS' })
    return found
  }
  const figures = (set: FigureSet): State => withValue(set, one, context)
  const further = (): Further => {
    if (!context.further) throw new Error(`a ${step.kind} was to be worked out without what it needs`)
    return context.further
  }
  if (one.faulty && step.kind !== 'question') return {}
  switch (step.kind) {
    case 'section':
      return {}
    case 'question':
      return questionState(step, one, {
        ...context,
        today: around.today,
        isShown: isShown(one, context),
        run,
      })
    case 'working': {
      const { value, unit } = needed('formula')
      const rounded = step.rounding && isDecimal(value) ? roundTo(value, step.rounding, unit, program) : value
      return withValue(rounded, one, context, everyOf(one, states))
    }
    case 'lookUp':
      return lookedUp(step, one, context, needed, terms)
    case 'loan':
      return loanState(step, terms, around.today, program.minorDigits)
    case 'affordability':
      return figures(further().affordabilityFigures(step, terms))
    case 'refinance':
      return figures(further().refinanceFigures(step, terms, around.today))
    case 'equity':
      return figures(further().equityFigures(loanAt(step.loan, states), terms))
    case 'aim':
      return figures(further().aimFigures(step, termsAt(step.loan, states), terms))
    case 'ladder': {
      const { rungsOf, rungsOfAnswers, ladderFigures } = further()
      const found =
        step.over === 'answer'
          ? rungsOfAnswers(step, terms, context, workOut)
          : { rungs: rungsOf(step.over, termsAt(step.loan, states), terms) }
      return { ...figures(ladderFigures(found.rungs)), ladder: found }
    }
    case 'comparison': {
      const { comparedColumns, comparisonFigures, turnOf } = further()
      const runs = step.loans.map(({ loan }) => loanAt(loan, states))
      const stay = terms.whole('stay')
      const columns = comparedColumns(runs, stay)
      if (columns.length === 0) throw new Stopped({ code: 'WAITS' })
      const turn = turnOf(runs, stay)
      return { ...figures(comparisonFigures(step, columns, mainLanguage(program), turn)), columns, turn }
    }
    case 'payOff': {
      const listed = states.get(step.loans)?.value
      if (listed?.unit !== 'loans') throw new Stopped({ code: 'WAITS' })
      const { figures: set, plans } = further().paidOffTogether(listed.loans, terms, around.today)
      return { ...figures(set), plans }
    }
    case 'readout':
      if (!isShown(one, context)) return { hidden: true }
      return { readout: readOut(step, sourcesFor(one, context, needed)) }
  }
}

function withValue(
  computed: Computed,
  { unit, step }: ProgramStep,
  { program, further }: Context,
  every?: Frequency,
): State {
  const value = unit && valueOf(computed, unit, program.minorDigits, every, further?.figuresValue)
  if (unit && !value) return stopped(step.id, step.kind, { code: 'TOO_LARGE' })
  return { computed, ...given({ value }) }
}

function isShown({ formulas, step }: ProgramStep, context: Context): boolean {
  const ready = formulas.shownWhen
  if (ready) return evaluateExpression(ready.expression, valuesFor(context)) === true
  // A condition with a fault shows: nobody is kept from a question by a slip in a formula.
  return 'shownWhen' in step
}

function roundTo(
  value: Decimal,
  { how, to }: NonNullable<StepOf<'working'>['rounding']>,
  unit: ReadyFormula['unit'],
  { minorDigits }: Program,
): Decimal {
  const step = new Decimal(to).times(unit.is === 'money' ? 10 ** minorDigits : 1)
  return roundToMultiple(value, step, how === 'nearest' ? 'halfUp' : how)
}

function lookedUp(
  step: StepOf<'lookUp'>,
  one: ProgramStep,
  context: Context,
  needed: (path: string) => { value: Computed },
  terms: TermsReader,
): State {
  const { around, program } = context
  const sheet = around.sheets.find(({ id }) => id === step.sheet)
  if (!sheet) throw new Stopped({ code: 'NO_ROW', sheet: step.sheet, keys: [], reason: 'sheet' })
  const keys = sheet.keys.map(({ id, unit }) => {
    const { value } = needed(`keys.${id}`)
    if (!isDecimal(value)) return String(value)
    return unit === 'money' ? value.div(10 ** program.minorDigits) : value
  })
  const found = lookUp(sheet, keys, momentOfRates(terms.text('on'), around.today))
  if (!found.ok)
    throw new Stopped({
      code: 'NO_ROW',
      sheet: sheet.name,
      keys: keys.map((key) => (typeof key === 'string' ? key : key.toSignificantDigits(8).toFixed())),
      reason: found.reason,
    })
  const computed = sheet.gives === 'money' ? found.value.times(10 ** program.minorDigits) : found.value
  return { ...withValue(computed, one, context), effective: found.effective }
}

/** Now; of another day that is given, its end. */
const momentOfRates = (on: string | undefined, today: Moment): string =>
  on === undefined || on === isoDate(today) ? minuteText(today) : `${on}T23:59`
