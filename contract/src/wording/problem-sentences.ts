import type { Problem, Program, Refusal, Value } from '@vivid/core/evaluate'
import type { Figures } from './figures'

type Sentences = {
  [C in Problem['code']]: (problem: Extract<Problem, { code: C }>, figures: Figures) => string
}

const examples: Record<Value['unit'], (figures: Figures) => string> = {
  money: (f) => `an amount, like ${f.moneyShort(250_000_00)}`,
  percent: (f) => `a percentage, like ${f.percent('4.64')}`,
  share: (f) => `an amount or a percentage, like ${f.moneyShort(60_000_00)} or ${f.percent('15')}`,
  term: (f) => `a length of time, like ${f.term({ years: 25, months: 0 })}`,
  frequency: () => 'one of the choices',
  loan: () => 'a loan',
}

/** A bound said in full: a share both as money and as a percentage. */
const bound = (value: Value, figures: Figures): string =>
  value.unit === 'share'
    ? `${figures.moneyShort(value.money)}, which is ${figures.percent(value.percent)} of the price`
    : figures.value(value)

const sentences: Sentences = {
  ANSWER_UNKNOWN: ({ field }) => `This calculator asks nothing called “${field}”.`,
  ANSWER_MISSING: () => 'This is needed to work out the payment.',
  ANSWER_UNREADABLE: ({ wanted }, f) => `Type ${examples[wanted](f)}.`,
  ANSWER_BELOW_LEAST: ({ least }, f) => `This can be no less than ${bound(least, f)}.`,
  ANSWER_ABOVE_MOST: ({ most }, f) => `This can be no more than ${bound(most, f)}.`,
  ANSWER_NOT_AN_OPTION: ({ options }, f) =>
    `Choose one of: ${options.map((option) => f.every(option)).join('; ')}.`,
  SHARE_ABOVE_WHOLE: ({ whole }, f) => `This can be no more than the price itself, ${f.value(whole)}.`,
  LOAN_REFUSED: ({ refusal }, f) => refusalSentence(refusal, f),
}

/** What is wrong with an answer and what would be right, in the visitor's words. */
export const problemSentence = <C extends Problem['code']>(
  problem: Extract<Problem, { code: C }>,
  figures: Figures,
): string => (sentences[problem.code as C] as (p: typeof problem, f: Figures) => string)(problem, figures)

/** The same with the question named, for where it does not stand beside its question. */
export function problemWithPlace(problem: Problem, program: Program, figures: Figures): string {
  const step = program.steps.find(({ id }) => id === problem.field)
  const sentence = problemSentence(problem, figures)
  return step?.kind === 'question' ? `${step.label}: ${sentence}` : sentence
}

function refusalSentence({ code, details }: Refusal, figures: Figures): string {
  if (code === 'PAYMENT_TOO_SMALL' && typeof details.least === 'number') {
    return `So small a payment never repays the loan: it takes at least ${figures.money(details.least)}.`
  }
  if (code === 'TERM_TOO_LONG') return 'These payments would go on for more than a hundred years.'
  return 'No loan can be worked out from these answers.'
}
