import {
  mainLanguage,
  textIn,
  type AnswerKind,
  type Doubt,
  type LoanCell,
  type Problem,
  type Program,
  type Refusal,
  type Stop,
  type Value,
} from '@vivid/core/evaluate'
import type { Figures, Language } from './language'

/** What is wrong with an answer and what would be right, in the visitor's words. */
export function problemSentence(problem: Problem, figures: Figures): string {
  const place = 'at' in problem && problem.at ? `${placeInList(problem.at, figures)}: ` : ''
  return place + said(problem, figures)
}

function said(problem: Problem, f: Figures): string {
  const { problems } = f.words
  switch (problem.code) {
    case 'ANSWER_UNKNOWN':
      return problems.unknown(problem.field)
    case 'ANSWER_MISSING':
      return problems.missing
    case 'ANSWER_UNREADABLE':
      return problems.unreadable(exampleOf(problem.wanted, f))
    case 'ANSWER_BELOW_LEAST':
      return problems.belowLeast(
        boundSaid(problem.least, f),
        problem.missing === undefined ? '' : f.value(problem.missing),
      )
    case 'ANSWER_ABOVE_MOST':
      return problems.aboveMost(boundSaid(problem.most, f))
    case 'ANSWER_NOT_AN_OPTION': {
      const options = problem.options.map((option) => f.option(problem.field, option))
      return problems.notAnOption(options.join(f.locale.startsWith('fr') ? ' ; ' : '; '))
    }
    case 'SHARE_ABOVE_WHOLE':
      return problems.aboveWhole(f.value(problem.whole))
    case 'LOANS_TOO_FEW':
      return problems.loansTooFew(f.count(problem.count))
    case 'LOANS_TOO_MANY':
      return problems.loansTooMany(f.count(problem.count))
    case 'LOAN_NEVER_REPAID':
      return problems.neverRepaid(f.value(problem.least))
    case 'LOAN_REFUSED':
      return refusalSaid(problem.refusal, f)
    case 'STEP_STOPPED':
      return stopSaid(problem.stop, f)
  }
}

/** A bound in full: a share both as money and as a percentage. */
export const boundSaid = (value: Value, f: Figures): string =>
  value.unit === 'share'
    ? f.words.shareInFull(f.moneyShort(value.money), f.percent(value.percent))
    : f.value(value)

function exampleOf(kind: AnswerKind, f: Figures): string {
  const { examples } = f.words
  const money = (amount: number) => f.moneyShort(amount * 10 ** f.digits)
  switch (kind) {
    case 'money':
      return examples.money(money(250_000))
    case 'percent':
      return examples.percent(f.percent('4.64'))
    case 'share':
      return examples.share(money(60_000), f.percent('15'))
    case 'term':
      return examples.term(f.term({ years: 25, months: 0 }))
    default:
      return examples[kind]
  }
}

function refusalSaid({ code, field, details: { least, most, reason } }: Refusal, f: Figures): string {
  const { refusals } = f.words
  if (code === 'PAYMENT_TOO_SMALL' && typeof least === 'number')
    return refusals.paymentTooSmall(f.money(least))
  if (reason === 'REPAYS_TOO_LITTLE' && typeof least === 'number')
    return refusals.repaysTooLittle(f.money(least))
  if (reason === 'REPAID_AT_ONCE' && typeof most === 'number') return refusals.repaidAtOnce(f.money(most))
  if (reason === 'ABOVE_ALL_BANDS') return refusals.aboveAllBands(f.percent(String(most)))
  const why = code === 'NO_ANSWER' ? reason : code === 'AMOUNT_NEGATIVE' ? 'AMOUNT_NOT_POSITIVE' : code
  if (isPlain(why, refusals)) return refusals[why]
  if (field.startsWith('rateChanges')) return refusals.rateChangeOutside
  return field.startsWith('extras') ? refusals.extraUnfit : refusals.noLoan
}

type Refusals = Language['refusals']
type PlainRefusal = { [R in keyof Refusals]: Refusals[R] extends string ? R : never }[keyof Refusals]
const isPlain = (why: unknown, refusals: Refusals): why is PlainRefusal =>
  typeof why === 'string' && typeof refusals[why as keyof Refusals] === 'string'

function stopSaid(stop: Stop, f: Figures): string {
  const { stops } = f.words
  switch (stop.code) {
    case 'NO_ROW':
      return stop.reason === 'key' ? stops.noRateFor(stop.keys.join(', ')) : stops.noRatesYet
    case 'REFUSED':
      return refusalSaid(stop.refusal, f)
    case 'NO_FIGURE':
      return stops.noFigure(stop.figure)
    case 'NOT_WHOLE':
      return stops.notWhole(stop.what)
    default:
      return stops[stop.code]
  }
}

/** "Card, rate": which of several loans, and what of it. */
function placeInList({ loan, name, of }: LoanCell, { words, count }: Figures): string {
  const { one, columns } = words.page.loans
  return `${name.trim() || one(count(loan + 1))}, ${columns[of]}`
}

/** The same with the question named, for where it does not stand beside its question. */
export function problemWithPlace(problem: Problem, program: Program, figures: Figures): string {
  const step = program.steps.find((one) => one.step.id === problem.field)?.step
  const sentence = problemSentence(problem, figures)
  return step?.kind === 'question'
    ? `${textIn(step.label, figures.locale, mainLanguage(program))}: ${sentence}`
    : sentence
}

/** A gentle question about an answer that looks like a slip, or what has to be said about a loan. */
export function doubtSentence(doubt: Doubt, figures: Figures): string {
  const value = figures.value(doubt.value)
  switch (doubt.code) {
    case 'PERIOD_DOUBTED':
      return figures.words.periodDoubted(value, figures.per(doubt.per), figures.per(doubt.fits))
    case 'EXTRAS_CUT':
      return figures.words.extrasCut(value)
    case 'LAST_PAYMENT_LARGE':
      return figures.words.lastPaymentLarge(value)
  }
}
