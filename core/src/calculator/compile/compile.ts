import { dequal as equal } from 'dequal/lite'
import { checkFormula } from '../../formula/check'
import type { Scope } from '../../formula/checking'
import { nameFault, plainName, type FormulaReader, type ParsedBefore } from '../../formula/syntax'
import { minorDigitsOf } from '../../money/currencies'
import type { CalculatorDocument, Proof } from '../document/document'
import { loanReference } from '../document/loan-reference'
import type { RateSheet } from '../document/sheets'
import type { CalculatorStep } from '../document/steps'
import type { Program, ProgramStep, ReadyFormula } from '../program/program'
import { isGentle, type CompileProblem } from './compile-problem'
import { effectiveLoan } from './effective-loan'
import { formulasOf } from './formulas-of'
import { orderOf } from './order'
import { questionProblems } from './question-problems'
import { referencesOf } from './references-of'
import { structureProblems } from './structure-problems'
import { textProblems } from './text-problems'
import { hasValue, readerOf, scopeOf, usesOfSteps } from './units-of-steps'

export interface Compiled {
  /** The document as it stands. It can always be evaluated; it can go live only without problems that stop it. */
  readonly program: Program
  readonly problems: readonly CompileProblem[]
  /** For each step, the steps it takes values from. */
  readonly uses: ReadonlyMap<string, readonly string[]>
  readonly proofs: readonly ReadyProof[]
  /** The names formulas may use, with their units. */
  readonly scope: Scope
}

/** A proof with the formulas of its figures ready; one with a fault is undefined. */
export interface ReadyProof {
  readonly proof: Proof
  readonly formulas: readonly ((ReadyFormula & { readonly uses: readonly string[] }) | undefined)[]
}

export type Compiler = (document: CalculatorDocument, sheets?: readonly RateSheet[]) => Compiled

/**
 * Makes a compiler for a document that is being edited: it remembers how formulas were parsed, so that of many only
 * the one that is typed in has to be parsed again. What it gives depends on its arguments alone.
 */
export function createCompiler(): Compiler {
  const before: ParsedBefore = new Map()
  let reader: FormulaReader | undefined
  return (document, sheets = []) => {
    const now = readerOf(document.steps, before)
    reader = reader && isSameNames(reader, now) ? reader : now
    return compileWith(document, sheets, reader)
  }
}

const isSameNames = (a: FormulaReader, b: FormulaReader) => equal(a.names, b.names)

/** Checks a document's steps against each other and turns it into a program. Pure, and bounded by the document's size. */
export const compile: Compiler = (document, sheets) => createCompiler()(document, sheets)

function compileWith(
  document: CalculatorDocument,
  sheets: readonly RateSheet[],
  reader: FormulaReader,
): Compiled {
  const { steps } = document
  const minorDigits = minorDigitsOf[document.currency]
  const uses = usesOfSteps(steps, reader)
  const { order, circles } = orderOf(uses)
  const inCircles = new Set(circles.flat())
  const scope = scopeOf(steps, order, sheets, minorDigits, inCircles, reader)
  const ready = steps.map((step) => readyStep(step, { steps, sheets, scope, inCircles, uses }))
  const proofs = document.proofs.map((proof) => readyProof(proof, scope))
  const problems = [
    ...repeated(steps, ({ id }) => id, 'ID_TAKEN', 'id'),
    ...repeated(steps.filter(hasValue), ({ name }) => plainName(name), 'NAME_TAKEN', 'name'),
    ...steps.flatMap(nameProblems),
    ...steps.flatMap((step) => referenceProblems(step, steps)),
    ...steps.flatMap((step) => (step.kind === 'question' ? questionProblems(step) : [])),
    ...steps.flatMap((step) => structureProblems(step, steps, sheets, inCircles)),
    ...circles.map((circle) => circleProblem(circle, steps)),
    ...ready.flatMap((one) => one.problems),
    ...proofs.flatMap((one) => one.problems),
    ...(steps.some(({ kind }) => kind === 'question') ? [] : [missing('NO_QUESTION')]),
    ...(steps.some(({ kind }) => kind === 'readout') ? [] : [missing('NO_READOUT')]),
    ...textProblems(document),
  ]
  const withFault = new Set(problems.filter((problem) => !isGentle(problem)).map(({ step }) => step))
  const told = problems.filter((problem) => !isEcho(problem, withFault, scope))
  return {
    program: {
      version: 2,
      title: document.title,
      currency: document.currency,
      minorDigits,
      languages: document.languages,
      lender: document.lender,
      results: document.results,
      introduction: document.introduction,
      disclosure: document.disclosure,
      ...(document.contact && { contact: document.contact }),
      ...(document.nextSteps && { nextSteps: document.nextSteps }),
      ...(document.meanings?.length && { meanings: document.meanings }),
      steps: ready.map(({ programStep }) => programStep),
      order,
      sheets: [
        ...new Set(
          steps.flatMap((step) => (step.kind === 'lookUp' && step.sheet !== '' ? [step.sheet] : [])),
        ),
      ],
    },
    problems: [
      ...told,
      ...unusedProblems(steps, uses),
      ...hiddenProblems(steps, uses),
      ...alikeProblems(steps, uses),
    ].sort(byPlace(steps)),
    uses,
    proofs: proofs.map(({ proof, formulas }) => ({ proof, formulas })),
    scope,
  }
}

/** The problems that keep a document from going live. */
export const stoppingProblems = ({ problems }: Pick<Compiled, 'problems'>): CompileProblem[] =>
  problems.filter((problem) => !isGentle(problem))

/** "This value has none" beside the step that says why: told once, where it can be mended. */
function isEcho(problem: CompileProblem, withFault: ReadonlySet<string | undefined>, scope: Scope): boolean {
  if (problem.code !== 'NAME_HAS_NO_VALUE') return false
  return withFault.has(scope.steps.get(plainName(problem.name))?.id)
}

interface Surroundings {
  readonly steps: readonly CalculatorStep[]
  readonly sheets: readonly RateSheet[]
  readonly scope: Scope
  readonly inCircles: ReadonlySet<string>
  readonly uses: ReadonlyMap<string, readonly string[]>
}

function readyStep(
  step: CalculatorStep,
  { steps, sheets, scope, inCircles, uses }: Surroundings,
): { programStep: ProgramStep; problems: CompileProblem[] } {
  const effective = effectiveStep(step, steps, inCircles)
  const own = new Set(formulasOf(step).map(({ path }) => path))
  const formulas: Record<string, ReadyFormula> = {}
  const problems: CompileProblem[] = []
  const used = new Set(uses.get(step.id))
  // Its rungs are worked out from the beginning, with another answer each.
  if (step.kind === 'ladder' && step.over === 'answer')
    reachedFrom([step], uses).forEach((id) => id !== step.id && used.add(id))
  let faulty = false
  for (const { path, text, takes, required } of formulasOf(effective, sheets)) {
    if (text.trim() === '' && !required) continue
    const checked = checkFormula(text, takes, scope)
    if (checked.formula) {
      formulas[path] = { expression: checked.formula.expression, unit: checked.formula.unit }
      checked.formula.uses.forEach((id) => used.add(id))
    } else if (path !== 'shownWhen') faulty = true
    if (own.has(path))
      problems.push(
        ...checked.problems.map((fault): CompileProblem => ({ ...fault, step: step.id, field: path })),
      )
  }
  if (
    problems.length === 0 &&
    formulas.shownWhen?.expression.op === 'yesNo' &&
    !formulas.shownWhen.expression.value
  )
    problems.push({ code: 'NEVER_SHOWN', step: step.id, field: 'shownWhen' })
  const unit = hasValue(step) ? scope.steps.get(plainName(step.name))?.unit : undefined
  return {
    programStep: {
      step: effective,
      formulas,
      uses: [...used],
      ...(unit ? { unit } : {}),
      ...(faulty ? { faulty } : {}),
    },
    problems,
  }
}

/** The step with what it leaves to others or to custom said. */
function effectiveStep(
  step: CalculatorStep,
  steps: readonly CalculatorStep[],
  inCircles: ReadonlySet<string>,
): CalculatorStep {
  if (step.kind === 'loan') return effectiveLoan(step, steps, inCircles)
  const isHideable = step.kind === 'question' && step.shownWhen.trim() !== ''
  return isHideable ? { ...step, whenHidden: step.whenHidden ?? 'default' } : step
}

const LIST_OF_FIGURES = { is: 'list', of: { is: 'amount' } } as const

function readyProof(proof: Proof, scope: Scope): ReadyProof & { problems: CompileProblem[] } {
  const checked = proof.expected.map(({ of, figure }) =>
    checkFormula(of, Array.isArray(figure) ? LIST_OF_FIGURES : { is: 'shown' }, scope),
  )
  return {
    proof,
    formulas: checked.map(({ formula }) => formula),
    problems: checked.flatMap(({ problems }, i) =>
      problems.map((fault): CompileProblem => ({
        ...fault,
        step: undefined,
        field: `proofs.${proof.id}.${i}`,
      })),
    ),
  }
}

const missing = (code: 'NO_QUESTION' | 'NO_READOUT'): CompileProblem => ({
  code,
  step: undefined,
  field: 'steps',
})

function repeated(
  steps: readonly CalculatorStep[],
  key: (step: CalculatorStep) => string,
  code: 'ID_TAKEN' | 'NAME_TAKEN',
  field: string,
): CompileProblem[] {
  const seen = new Set<string>()
  return steps.flatMap((step): CompileProblem[] => {
    const isFirst = !seen.has(key(step))
    seen.add(key(step))
    return isFirst ? [] : [{ code, step: step.id, field }]
  })
}

function nameProblems(step: CalculatorStep): CompileProblem[] {
  const fault = hasValue(step) ? nameFault(step.name) : undefined
  return fault ? [{ code: 'NAME_NOT_USABLE', ...fault, step: step.id, field: 'name' }] : []
}

function referenceProblems(step: CalculatorStep, steps: readonly CalculatorStep[]): CompileProblem[] {
  return referencesOf(step).flatMap(({ field, id, fits }): CompileProblem[] => {
    const target = steps.find((other) => other.id === id)
    if (!target) return [{ code: 'REFERENCE_UNKNOWN', step: step.id, field }]
    return fits(target) ? [] : [{ code: 'REFERENCE_OF_WRONG_KIND', step: step.id, field }]
  })
}

function circleProblem(circle: readonly string[], steps: readonly CalculatorStep[]): CompileProblem {
  const names = circle.map((id) => steps.find((step) => step.id === id)?.name ?? id)
  return { code: 'CIRCLE', names, step: circle[0], field: 'formula' }
}

/** Values nothing takes: perhaps a step was forgotten. A working shown to visitors is of use as it is. */
function unusedProblems(
  steps: readonly CalculatorStep[],
  uses: ReadonlyMap<string, readonly string[]>,
): CompileProblem[] {
  const used = new Set([...uses.values()].flat())
  const isShown = (step: CalculatorStep) => step.kind === 'readout' || (step.kind === 'working' && step.shown)
  const reached = reachedFrom(steps.filter(isShown), uses)
  return steps.flatMap((step): CompileProblem[] => {
    if (!hasValue(step) || isShown(step)) return []
    if (!used.has(step.id)) return [{ code: 'NOT_USED', step: step.id, field: 'name' }]
    return step.kind === 'question' && !reached.has(step.id)
      ? [{ code: 'CHANGES_NOTHING', step: step.id, field: 'name' }]
      : []
  })
}

/** The steps that these take values from, and so on to the beginning. */
function reachedFrom(
  from: readonly CalculatorStep[],
  uses: ReadonlyMap<string, readonly string[]>,
): ReadonlySet<string> {
  const reached = new Set<string>()
  const left = from.map(({ id }) => id)
  for (let id = left.pop(); id !== undefined; id = left.pop()) {
    if (reached.has(id)) continue
    reached.add(id)
    left.push(...(uses.get(id) ?? []))
  }
  return reached
}

/** Hidden answers that a loan rests on and whose author has not said what they count as. */
function hiddenProblems(
  steps: readonly CalculatorStep[],
  uses: ReadonlyMap<string, readonly string[]>,
): CompileProblem[] {
  const reached = reachedFrom(
    steps.filter(({ kind }) => RESTS_ON_LOANS.has(kind)),
    uses,
  )
  return steps.flatMap((step): CompileProblem[] => {
    const isUndecided =
      step.kind === 'question' && step.shownWhen.trim() !== '' && step.whenHidden === undefined
    return isUndecided && reached.has(step.id)
      ? [{ code: 'HIDDEN_COUNTS', step: step.id, field: 'whenHidden' }]
      : []
  })
}

/** Ladders over answers to a question that their loan does not rest on. */
function alikeProblems(
  steps: readonly CalculatorStep[],
  uses: ReadonlyMap<string, readonly string[]>,
): CompileProblem[] {
  return steps.flatMap((step): CompileProblem[] => {
    const question = step.kind === 'ladder' && step.over === 'answer' && step.question
    const loan = steps.find(({ id }) => step.kind === 'ladder' && id === loanReference(step.loan).step)
    return question && loan && !reachedFrom([loan], uses).has(question)
      ? [{ code: 'RUNGS_ALIKE', step: step.id, field: 'question' }]
      : []
  })
}

const RESTS_ON_LOANS: ReadonlySet<CalculatorStep['kind']> = new Set([
  'loan',
  'affordability',
  'refinance',
  'payOff',
])

/** Problems in the order of the steps, the document's own last; what stops before what asks. */
function byPlace(steps: readonly CalculatorStep[]): (a: CompileProblem, b: CompileProblem) => number {
  const place = new Map<string | undefined, number>(steps.map(({ id }, i) => [id, i]))
  const of = ({ step }: CompileProblem) => place.get(step) ?? steps.length
  return (a, b) => Number(isGentle(a)) - Number(isGentle(b)) || of(a) - of(b)
}
