import { keptLoan, wordedProgram, type LiveCalculator, type ShownRequest } from '@vivid/contract'
import {
  figuresFor,
  keptName,
  problemWithPlace,
  ratesSaid,
  whatIfSentence,
  type Figures,
  type KeptWhatIf,
  type PageWords,
} from '@vivid/contract/wording'
import {
  mainLanguage,
  evaluate,
  isoDate,
  readIsoDate,
  readMoment,
  textIn,
  type Answers,
  type Evaluation,
  type Ledger,
  type PlainDate,
  type Program,
  type RateSheet,
  type Readout,
} from '@vivid/core'
import { whatIf } from '@vivid/core/what-if'
import { dayOf, endOf, minuteOf } from '../../platform/clock'
import { AppError } from '../../platform/http/app-error'
import type { Live } from '../../live/live'
import { liveOrThrow, sheetsAt } from '../../live/serving'
import { languageFor } from './language-for'

/** How long a page may stay open and still be worked out for the day it was served. */
const DAYS_OPEN = 31

/** A visitor's figures as their page shows them: of the same edition, for the same day, to the same cent. */
export interface ShownFigures {
  readonly calculator: LiveCalculator
  readonly program: Program
  readonly evaluation: Evaluation
  readonly language: string
  readonly main: string
  readonly figures: Figures
  readonly words: PageWords
  /** ISO date */
  readonly on: string
  /** What the visitor keeps beside the loan, by the readout it is tried in. */
  readonly beside: ShownInput['beside']
  /** The loan whose schedule is kept: the one shown, else the first. */
  readonly ledger: Ledger | undefined
  /** What that loan is called, where the page shows several side by side; else empty. */
  readonly ledgerName: string
  /** The days the looked-up rates took effect, said with the names of their sheets. */
  readonly rates: readonly string[]
}

/** All that a page's figures follow from, as plain data: it may be sent to a worker. */
export interface ShownInput {
  readonly calculator: LiveCalculator
  readonly sheets: readonly RateSheet[]
  readonly answers: Answers
  readonly beside: Readonly<Record<string, readonly KeptWhatIf[]>>
  readonly language: string
  readonly on: string
}

/** Finds what the figures of a page follow from: its edition, and the sheets of its day. Refuses pages from another month. */
export async function shownInput(
  live: Live,
  slug: string,
  { answers, beside, language, edition, on, ratesFrom }: ShownRequest,
  now: Date,
): Promise<ShownInput> {
  const day = readIsoDate(on)
  const today = dayOf(now)
  if (!day || ageInDays(day, today) > DAYS_OPEN || ageInDays(day, today) < -1)
    throw new AppError('PAGE_OUTDATED', { field: 'on', details: { day: on } })
  const offered = liveOrThrow(live, slug)
  const calculator = offered.edition === edition ? offered : await live.edition(slug, edition)
  if (!calculator)
    throw new AppError('EDITION_UNKNOWN', { field: 'edition', details: { number: String(edition) } })
  const end = minuteOf(endOf(on, now))
  const known = ratesFrom !== undefined && ratesFrom < end ? ratesFrom : end
  const sheets = sheetsAt(live, calculator, known)
  const spoken = languageFor(calculator.content.program, language)
  return { calculator, sheets, answers, beside, language: spoken, on }
}

/** Works the figures out again, as the page did. Refuses answers that have problems, saying the first. */
export function shownFigures({
  calculator,
  sheets,
  answers,
  beside,
  language,
  on,
}: ShownInput): ShownFigures {
  const program = wordedProgram(calculator.content)
  // The sheets hold only what had begun when the page was served.
  const today = readMoment(`${on}T23:59`)
  if (!today) throw new Error(`${on} was checked to be a date`)
  const evaluation = evaluate(program, answers, { today, sheets })
  const figures = figuresFor(program, language)
  const questions = new Set(program.steps.flatMap(({ step }) => (step.kind === 'question' ? [step.id] : [])))
  const wrong = evaluation.problems.find(({ field }) => questions.has(field))
  if (wrong)
    throw new AppError('ANSWERS_INVALID', {
      field: `answers.${wrong.field}`,
      details: { what: problemWithPlace(wrong, program, figures) },
    })
  const kept = keptLoan(evaluation, program)
  const main = mainLanguage(program)
  return {
    calculator,
    program,
    evaluation,
    language,
    main,
    figures,
    words: figures.words.page,
    on,
    beside,
    ledger: kept?.ledger,
    ledgerName: kept?.label ? textIn(kept.label, language, main) : '',
    rates: ratesSaid(evaluation.readouts, program, sheets, figures),
  }
}

/** What was kept beside a loan, each with its name, its figures, and what it would do in a sentence. */
export function besideOf({ evaluation, beside, figures }: ShownFigures, readout: Readout) {
  const kept = beside[readout.id] ?? []
  const terms = readout.shows === 'whatIf' ? evaluation.terms.get(readout.loan) : undefined
  const found = terms && kept.length > 0 ? whatIf(terms, kept) : undefined
  if (!terms || !found || 'ok' in found) return undefined
  const { asItIs, changed } = found
  return {
    asItIs,
    kept: changed.flatMap((column, i) => {
      const one = kept[i]
      if (!one) return []
      const sentence = whatIfSentence(asItIs, column, terms, figures)
      return [{ name: keptName(one, terms, figures), sentence, column: 'ok' in column ? undefined : column }]
    }),
  }
}

const ageInDays = (day: PlainDate, today: PlainDate): number =>
  Math.round((Date.parse(isoDate(today)) - Date.parse(isoDate(day))) / 86_400_000)
