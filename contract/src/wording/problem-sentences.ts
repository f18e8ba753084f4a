import {
  mainLanguage,
  textIn,
  type Doubt,
  type LoanCell,
  type Problem,
  type Program,
} from '@vivid/core/evaluate'
import type { Figures } from './language'

/** What is wrong with an answer and what would be right, in the visitor's words. */
export const problemSentence = <C extends Problem['code']>(
  problem: Extract<Problem, { code: C }>,
  figures: Figures,
): string => {
  const say = figures.words.problems[problem.code as C] as (p: typeof problem, f: Figures) => string
  const place = 'at' in problem && problem.at ? `${placeInList(problem.at, figures)}: ` : ''
  return place + say(problem, figures)
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
  }
}
