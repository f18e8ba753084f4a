import { dequal as equal } from 'dequal/lite'
import { Stopped, type Computed, type LoanRun } from '../../formula/computed'
import { asDecimal } from '../../formula/evaluate-expression'
import type { Unit } from '../../formula/unit'
import type { MinorDigits } from '../../money/currencies'
import { ZERO } from '../../money/minor'
import { roundWhole } from '../../money/rounding'
import { refuse } from '../../guards/refusal'
import { MOST_RUNGS } from '../../search/ladder'
import { loanReference } from '../document/loan-reference'
import type { Question } from '../document/questions'
import { answersOfLadder } from '../document/ladder-lists'
import type { StepOf } from '../document/steps'
import { lengthOfMonths } from '../program/length-of-months'
import type { ProgramStep } from '../program/program'
import type { LadderFigures, RefusedRung, Rung, Value } from '../program/evaluated'
import { figuresOfRung } from './side-by-side'
import { loanAt, waits, type Situation } from './situation'
import type { State } from './state'
import { percentText, type TermsReader } from './terms-reader'
import { valueOf } from './value-of'

type OneAnswer = Exclude<Question, { asks: 'loans' }>

/**
 * A loan with one question answered otherwise on each rung, everything else as answered: whatever lies between the two is worked
 * out anew, by `workOut`. An answer that is not possible here is told, and the others stand.
 */
export function rungsOfAnswers<Within extends Situation>(
  step: StepOf<'ladder'>,
  terms: TermsReader,
  context: Within,
  workOut: (one: ProgramStep, context: Within) => State,
): Required<Pick<LadderFigures, 'asked' | 'rungs' | 'refused'>> {
  const { program, states, answers } = context
  const stepOf = new Map(program.steps.map((one) => [one.step.id, one]))
  const question = stepOf.get(step.question ?? '')?.step
  if (question?.kind !== 'question' || question.asks === 'loans') return waits()
  // An answer that is not asked for now makes no difference.
  if (states.get(question.id)?.hidden) return waits()
  const own = states.get(question.id)?.value
  const between = stepsBetween(question.id, loanReference(step.loan).step)
  const listed = answersListed(question, terms, program.minorDigits)
  if (listed.length > MOST_RUNGS) {
    const refusal = refuse('OUT_OF_RANGE', 'rungs', { least: 0, most: MOST_RUNGS })
    throw new Stopped({ code: 'REFUSED', refusal })
  }
  const rungs: Rung[] = []
  const refused: RefusedRung[] = []
  for (const { answer, said } of listed) {
    const now = new Map(states)
    const inner = { ...context, states: now, answers: { ...answers, [question.id]: answer } }
    for (const one of between) now.set(one.step.id, workOut(one, inner))
    const problem = between.map(({ step: { id } }) => now.get(id)?.problem).find((one) => one !== undefined)
    if (problem) refused.push({ answer: said, problem })
    else
      rungs.push({
        ...figuresOfRun(loanAt(step.loan, now)),
        rate: undefined,
        length: undefined,
        amount: undefined,
        answer: said,
        isOwn: equal(now.get(question.id)?.value, own),
      })
  }
  return { asked: question.label, rungs, refused }

  /** From the question to the loan, in the order they are worked out. */
  function stepsBetween(from: string, to: string): ProgramStep[] {
    const changes = new Set([from])
    const onTheWay = program.order.flatMap((id) => {
      const one = stepOf.get(id)
      if (!one || (id !== from && !one.uses.some((used) => changes.has(used)))) return []
      changes.add(id)
      return [one]
    })
    const leads = new Set([to])
    return onTheWay
      .reverse()
      .filter(({ step: { id }, uses }) => {
        if (!leads.has(id)) return false
        uses.forEach((used) => leads.add(used))
        return true
      })
      .reverse()
  }
}

const figuresOfRun = ({ ledger }: LoanRun) =>
  ledger ? figuresOfRung(ledger) : { payment: ZERO, payments: 0, endDate: undefined, totalInterest: ZERO }

/** An answer as visitors give it, and what it is said as. */
interface ListedAnswer {
  readonly answer: unknown
  readonly said: Value
}

/** Every answer of the list; of a question with a few answers all that it has. */
function answersListed(question: OneAnswer, terms: TermsReader, digits: MinorDigits): ListedAnswer[] {
  switch (question.asks) {
    case 'choice':
      return question.options.map(({ name }) => ({
        answer: name,
        said: { unit: 'text', text: name, option: question.id },
      }))
    case 'frequency':
      return question.options.map((frequency) => ({
        answer: frequency,
        said: { unit: 'frequency', frequency },
      }))
    case 'yesNo':
      return [true, false].map((yes) => ({ answer: yes, said: { unit: 'yesNo', yes } }))
    case 'money':
    case 'percent':
    case 'share':
    case 'term':
    case 'number':
    case 'date': {
      const term = answersOfLadder(question)
      const list = term && terms.raw(`terms.${term}`)
      if (list?.unit.is !== 'list') return waits()
      const { of } = list.unit
      return (list.value as readonly Computed[]).flatMap((one) => {
        const said = valueOf(one, of, digits)
        return said ? [{ said, answer: answerOfItem(question.asks, one, of) }] : []
      })
    }
  }
}

function answerOfItem(asks: Question['asks'], item: Computed, { is }: Unit): unknown {
  if (asks === 'date') return item
  const inPercent = () => percentText(asDecimal(item))
  const whole = () => roundWhole(asDecimal(item)).toNumber()
  switch (asks) {
    case 'percent':
      return inPercent()
    case 'share':
      return is === 'percent' ? { percent: inPercent() } : { money: whole() }
    case 'term':
      return lengthOfMonths(whole())
    default:
      return whole()
  }
}
