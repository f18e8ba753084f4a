import { addDays, addMonths, isoDate, type PlainDate } from '../dates/plain-date'
import { amortize } from '../loan/amortize'
import type { Ledger } from '../loan/ledger'
import { minor, ZERO } from '../money/minor'
import { factsOf, type Frequency } from '../rates/frequency'
import { isProblem, readAnswer } from './answers'
import type { LoanOfDocument, Question, ReadoutOfDocument } from './document'
import type { Answers, Program } from './program'
import type { Problem, Readout, Value } from './values'

export interface Evaluation {
  /** The value of each question and loan that could be worked out, by step. */
  readonly values: Readonly<Record<string, Value>>
  readonly readouts: readonly Readout[]
  readonly problems: readonly Problem[]
  /** The ledger of each loan that borrows anything, by step. */
  readonly ledgers: ReadonlyMap<string, Ledger>
}

/**
 * Works a program out for a visitor's answers on a day. Pure: browser, worker and server get the same figures.
 * An unanswered question takes its default. Answers are untrusted; what is wrong with them is in `problems`,
 * and whatever does not depend on it is worked out all the same.
 *
 * The first payment falls one period after `today`.
 */
export function evaluate(program: Program, answers: Answers, today: PlainDate): Evaluation {
  const values: Record<string, Value> = {}
  const readouts: Readout[] = []
  const problems: Problem[] = []
  const ledgers = new Map<string, Ledger>()
  const questions = program.steps.filter((step) => step.kind === 'question')

  for (const id of Object.keys(answers)) {
    if (!questions.some((question) => question.id === id))
      problems.push({ code: 'ANSWER_UNKNOWN', field: id })
  }
  // A share needs the whole it is a share of, wherever on the tape that is asked.
  const sharesLast = [...questions].sort((a, b) => Number(a.asks === 'share') - Number(b.asks === 'share'))
  for (const question of sharesLast) answerQuestion(question)
  for (const step of program.steps) if (step.kind === 'loan') workOutLoan(step)
  for (const step of program.steps) if (step.kind === 'readout') readOut(step)
  return { values, readouts, problems: inOrderOf(questions, problems), ledgers }

  function answerQuestion(question: Question): void {
    const answer = Object.hasOwn(answers, question.id) ? answers[question.id] : question.default
    if (answer === null || answer === undefined) {
      problems.push({ code: 'ANSWER_MISSING', field: question.id })
      return
    }
    const whole = question.asks === 'share' ? moneyOf(question.of) : undefined
    if (question.asks === 'share' && whole === undefined) return
    const result = readAnswer(question, answer, whole)
    if (isProblem(result)) problems.push(result)
    else values[question.id] = result
  }

  function workOutLoan(step: LoanOfDocument): void {
    const price = moneyOf(step.price)
    const downPayment = moneyOf(step.downPayment)
    const [rate, term, every] = [values[step.rate], values[step.term], values[step.frequency]]
    if (price === undefined || downPayment === undefined) return
    if (rate?.unit !== 'percent' || term?.unit !== 'term' || every?.unit !== 'frequency') return
    const principal = minor(price - downPayment)
    if (principal === 0) {
      values[step.id] = { unit: 'loan', principal, payment: ZERO, count: 0 }
      return
    }
    const ledger = amortize({
      principal,
      annualRate: rate.percent,
      frequency: every.frequency,
      compounding: step.compounding,
      term: { years: term.years, months: term.months },
      minorDigits: program.minorDigits,
      firstPayment: isoDate(onePeriodAfter(today, every.frequency)),
    })
    if (!ledger.ok) {
      problems.push({ code: 'LOAN_REFUSED', field: step.id, refusal: ledger })
      return
    }
    ledgers.set(step.id, ledger)
    values[step.id] = { unit: 'loan', principal, payment: ledger.payment, count: ledger.count }
  }

  function readOut(step: ReadoutOfDocument): void {
    const loan = values[step.loan]
    if (loan?.unit !== 'loan') return
    const frequency = frequencyOf(step.loan)
    readouts.push(readoutOf(step, ledgers.get(step.loan), frequency))
  }

  function frequencyOf(loanId: string): Frequency {
    const step = program.steps.find((other) => other.id === loanId)
    const value = step?.kind === 'loan' ? values[step.frequency] : undefined
    return value?.unit === 'frequency' ? value.frequency : 'monthly'
  }

  function moneyOf(id: string) {
    const value = values[id]
    return value?.unit === 'money' || value?.unit === 'share' ? value.money : undefined
  }
}

function readoutOf(
  { id, shows, loan }: ReadoutOfDocument,
  ledger: Ledger | undefined,
  frequency: Frequency,
): Readout {
  const first = ledger?.at(1)
  switch (shows) {
    case 'payment':
      return {
        shows,
        id,
        payment: ledger?.payment ?? ZERO,
        frequency,
        first: { principal: first?.principal ?? ZERO, interest: first?.interest ?? ZERO },
        count: ledger?.count ?? 0,
        last: ledger?.lastPayment ?? ZERO,
      }
    case 'totalInterest': {
      const { interest, paid, principal } = ledger?.totals ?? { interest: ZERO, paid: ZERO, principal: ZERO }
      return { shows, id, interest, paid, principal }
    }
    case 'endDate':
      return { shows, id, endsOn: ledger?.endsOn, count: ledger?.count ?? 0 }
    case 'schedule':
      return { shows, id, loan, years: ledger?.byYear() ?? [] }
  }
}

function onePeriodAfter(today: PlainDate, frequency: Frequency): PlainDate {
  const { every } = factsOf(frequency)
  if ('days' in every) return addDays(today, every.days)
  if ('months' in every) return addMonths(today, every.months)
  return addDays(today, 15)
}

/** Problems in the order of the questions they belong to, so that the first is the first on the page. */
function inOrderOf(questions: readonly Question[], problems: readonly Problem[]): Problem[] {
  const place = (field: string) => {
    const index = questions.findIndex((question) => question.id === field)
    return index === -1 ? questions.length : index
  }
  return [...problems].sort((a, b) => place(a.field) - place(b.field))
}
