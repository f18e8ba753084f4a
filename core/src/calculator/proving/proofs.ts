import { readMoment } from '../../dates/moment'
import { Decimal } from '../../money/decimal'
import type { MinorDigits } from '../../money/currencies'
import type { Compiled, ReadyProof } from '../compile/compile'
import type { Proof } from '../document/document'
import type { Question } from '../document/questions'
import type { RateSheet } from '../document/sheets'
import { askFormulas } from './ask-formulas'
import type { Answers, Program } from '../program/program'
import type { Problem, Value } from '../program/evaluated'

/**
 * One figure of a proof: what was expected and what came out. `got` is undefined where there is no such value. Of a list one
 * figure is said: the first that differs, or the last.
 */
export interface ProofLine {
  readonly of: string
  /** Of a list: how many figures are expected, and the place of the one that is said, counted from 1. */
  readonly list: { readonly count: number; readonly place: number } | undefined
  readonly expected: string
  readonly got: string | undefined
  readonly unit: Value['unit'] | undefined
  /** Got less expected, where both are numbers. */
  readonly difference: string | undefined
  readonly agrees: boolean
  /** The steps between the answers and the figure, in the order they are worked out, with their values. */
  readonly between: readonly { readonly step: string; readonly value: Value }[]
}

export interface ProofResult {
  readonly id: string
  readonly name: string
  readonly agrees: boolean
  readonly lines: readonly ProofLine[]
  /** What stood in the way: answers that are refused, steps that could not be worked out. */
  readonly problems: readonly Problem[]
}

/** Runs every proof of a document, one after the other, so that a run can be watched and stopped between them. */
export function* runProofs(
  { program, proofs, uses }: Pick<Compiled, 'program' | 'proofs' | 'uses'>,
  sheets: readonly RateSheet[],
): Generator<ProofResult> {
  for (const ready of proofs) yield runProof(program, ready, sheets, uses)
}

function runProof(
  program: Program,
  { proof, formulas }: ReadyProof,
  sheets: readonly RateSheet[],
  uses: Compiled['uses'],
): ProofResult {
  const today = readMoment(proof.on)
  if (!today) throw new Error(`a proof's day is checked by its schema: ${proof.on}`)
  const asked = askFormulas(program, formulas, proof.answers, { today, sheets })
  const { evaluation } = asked
  const lines = proof.expected.map(({ of, figure, tolerance }, i): ProofLine => {
    const value = asked.values[i]
    const compared = Array.isArray(figure)
      ? comparedList(figure, value, tolerance, program.minorDigits)
      : { ...comparedOne(figure, value, tolerance, program.minorDigits), list: undefined }
    return {
      of,
      ...compared,
      between: stepsBetween(formulas[i]?.uses ?? [], uses, program).flatMap((step) => {
        const one = evaluation.values[step]
        return one ? [{ step, value: one }] : []
      }),
    }
  })
  const { problems } = evaluation
  return { id: proof.id, name: proof.name, agrees: lines.every((line) => line.agrees), lines, problems }
}

type ComparedOne = Pick<ProofLine, 'expected' | 'got' | 'unit' | 'difference' | 'agrees'>

function comparedOne(
  expected: string,
  value: Value | undefined,
  tolerance: string,
  digits: MinorDigits,
): ComparedOne {
  const got = value && plainOf(value, digits)
  const difference = got === undefined ? undefined : differenceOf(got, expected)
  const agrees =
    got !== undefined &&
    (difference ? difference.abs().lessThanOrEqualTo(tolerance) : got === expected.trim())
  return { expected, got, unit: value?.unit, difference: difference?.toFixed(), agrees }
}

/** A list agrees where it has as many figures as expected, and each agrees. */
function comparedList(
  expected: readonly string[],
  value: Value | undefined,
  tolerance: string,
  digits: MinorDigits,
): ComparedOne & Pick<ProofLine, 'list'> {
  const items = value?.unit === 'list' ? value.items : []
  const one = (at: number) => comparedOne(expected[at] ?? '', items[at], tolerance, digits)
  const most = Math.max(expected.length, items.length)
  const differing = Array.from({ length: most }, (_, at) => at).find((at) => !one(at).agrees)
  const at = differing ?? expected.length - 1
  return { ...one(at), list: { count: expected.length, place: at + 1 } }
}

/** The steps a figure rests on, without the questions. */
function stepsBetween(from: readonly string[], uses: Compiled['uses'], program: Program): string[] {
  const reached = new Set<string>()
  const left = [...from]
  for (let id = left.pop(); id !== undefined; id = left.pop()) {
    if (reached.has(id)) continue
    reached.add(id)
    left.push(...(uses.get(id) ?? []))
  }
  const isQuestion = new Set(
    program.steps.filter(({ step }) => step.kind === 'question').map(({ step }) => step.id),
  )
  return program.order.filter((id) => reached.has(id) && !isQuestion.has(id))
}

const NUMBER = /^-?\d{1,40}(\.\d{1,80})?$/

function differenceOf(got: string, expected: string): Decimal | undefined {
  const wanted = expected.trim()
  return NUMBER.test(got) && NUMBER.test(wanted) ? new Decimal(got).minus(wanted) : undefined
}

const inUnits = (amount: number, digits: MinorDigits) => new Decimal(amount).div(10 ** digits).toFixed(digits)

/** A value as plain text in its own unit, as proofs and files have it: "931.64", "4.64", "300", "2051-10-25", "yes". */
export function plainOf(value: Value, digits: MinorDigits): string {
  switch (value.unit) {
    case 'money':
      return value.exact ?? new Decimal(value.money).div(10 ** digits).toFixed(digits)
    case 'share':
      return new Decimal(value.money).div(10 ** digits).toFixed(digits)
    case 'percent':
      return value.percent
    case 'number':
      return value.number
    case 'count':
      return value.count
    case 'term':
      return String(value.years * 12 + value.months)
    case 'date':
      return value.date
    case 'yesNo':
      return value.yes ? 'yes' : 'no'
    case 'text':
      return value.text
    case 'frequency':
      return value.frequency
    case 'loans':
      return value.loans
        .map(({ name, owed, rate, payment }) =>
          [name, inUnits(owed, digits), rate, inUnits(payment, digits)].join('; '),
        )
        .join('\n')
    case 'list':
      return value.items.map((item) => plainOf(item, digits)).join('; ')
    case 'loan':
      return new Decimal(value.payment).div(10 ** digits).toFixed(digits)
    case 'figures':
      return value.main ? plainOf(value.main, digits) : ''
  }
}

/** Every answer a proof rests on, the defaults too, so that it says the same when a default changes. */
function pinned({ steps }: Program, answers: Answers, on: string): Answers {
  const questions = steps.flatMap(({ step }) => (step.kind === 'question' ? [step] : []))
  const defaultOf = (question: Question) =>
    question.asks === 'date' && question.default === 'today' ? on.slice(0, 10) : question.default
  return Object.fromEntries(
    questions.map((question) => [
      question.id,
      Object.hasOwn(answers, question.id) ? answers[question.id] : defaultOf(question),
    ]),
  )
}

/** A proof from what is worked out now: all answers, and the values of these formulas, to the last digit. */
export function proofFromNow(
  compiled: Pick<Compiled, 'program' | 'uses'>,
  ready: ReadyProof['formulas'],
  made: {
    readonly id: string
    readonly name: string
    readonly answers: Answers
    readonly of: readonly string[]
    readonly on: string
  },
  sheets: readonly RateSheet[],
): Proof {
  const blank: Proof = {
    id: made.id,
    name: made.name,
    answers: pinned(compiled.program, made.answers, made.on) as Proof['answers'],
    on: made.on,
    expected: made.of.map((of) => ({ of, figure: '', tolerance: '0' })),
  }
  const { lines } = runProof(compiled.program, { proof: blank, formulas: ready }, sheets, compiled.uses)
  return {
    ...blank,
    expected: lines.flatMap(({ of, got }) =>
      got === undefined ? [] : [{ of, figure: got, tolerance: '0' }],
    ),
  }
}
