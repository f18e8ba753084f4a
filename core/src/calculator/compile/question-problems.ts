import { minor } from '../../money/minor'
import { isProblem } from '../answers/read-answer'
import { readAnswer } from '../answers/read-loans'
import type { Question } from '../document/questions'
import type { CompileFault, CompileProblem } from './compile-problem'

/** A whole to try shares on, large enough that rounding to its minor unit does not matter. */
const TRIAL_WHOLE = minor(1_000_000_000)

/** Whether a question's bounds, step, default and options make sense together. */
export function questionProblems(question: Question): CompileProblem[] {
  const problem = (fault: CompileFault, field: string): CompileProblem => ({
    ...fault,
    step: question.id,
    field,
  })
  const problems: CompileProblem[] = []
  if (question.asks === 'choice') problems.push(...optionProblems(question))
  if (boundsAreReversed(question))
    problems.push(problem({ code: 'LEAST_ABOVE_MOST' }, question.asks === 'loans' ? 'fewestLoans' : 'least'))
  if (stepIsZero(question)) problems.push(problem({ code: 'STEP_ZERO' }, 'step'))
  if (problems.length > 0) return problems
  if (question.default === null) {
    const canBeSkipped = question.shownWhen.trim() !== '' || !question.required
    const hasNothing = question.asks === 'choice' || question.asks === 'date' || question.asks === 'frequency'
    return canBeSkipped && hasNothing ? [problem({ code: 'DEFAULT_NEEDED' }, 'default')] : []
  }
  if (question.asks === 'share' && mixesUnits(question.least, question.default)) return []
  const answer = question.default === 'today' && question.asks === 'date' ? '2000-01-01' : question.default
  const trial =
    question.asks === 'date' && question.default === 'today'
      ? { ...question, least: null, most: null }
      : question
  return isProblem(readAnswer(trial, answer, TRIAL_WHOLE))
    ? [problem({ code: 'DEFAULT_OUT_OF_RANGE' }, 'default')]
    : []
}

function optionProblems(question: Extract<Question, { asks: 'choice' }>): CompileProblem[] {
  const { options, gives, id } = question
  return options.flatMap((option, i): CompileProblem[] => {
    const first = options.findIndex((one) => one.name.toLowerCase() === option.name.toLowerCase())
    const at = { step: id, field: `options.${i}`, option: option.name }
    if (first !== i) return [{ code: 'OPTION_TWICE', ...at }]
    return gives !== 'name' && !fitsUnit(option.value, gives) ? [{ code: 'OPTION_VALUE_MISSING', ...at }] : []
  })
}

type OptionValue = Extract<Question, { asks: 'choice' }>['options'][number]['value']

function fitsUnit(value: OptionValue, gives: 'money' | 'percent' | 'number' | 'term'): boolean {
  switch (gives) {
    case 'money':
      return typeof value === 'number' && value >= 0
    case 'number':
      return typeof value === 'number'
    case 'percent':
      return typeof value === 'string'
    case 'term':
      return typeof value === 'object' && value !== null
  }
}

const mixesUnits = (a: object, b: object) => Object.keys(a)[0] !== Object.keys(b)[0]
const months = ({ years, months: rest }: { years: number; months: number }) => years * 12 + rest

function boundsAreReversed(question: Question): boolean {
  switch (question.asks) {
    case 'money':
    case 'number':
      return question.least > question.most
    case 'percent':
      return Number(question.least) > Number(question.most)
    case 'share':
      return (
        !mixesUnits(question.least, question.most) &&
        Number(Object.values(question.least)[0]) > Number(Object.values(question.most)[0])
      )
    case 'term':
      return months(question.least) > months(question.most)
    case 'date':
      return question.least !== null && question.most !== null && question.least > question.most
    case 'loans':
      return question.fewestLoans > question.mostLoans
    case 'choice':
    case 'yesNo':
    case 'frequency':
      return false
  }
}

function stepIsZero(question: Question): boolean {
  switch (question.asks) {
    case 'percent':
      return Number(question.step) === 0
    case 'share':
      return Number(Object.values(question.step)[0]) === 0
    case 'term':
      return months(question.step) === 0
    case 'money':
    case 'number':
    case 'choice':
    case 'yesNo':
    case 'date':
    case 'frequency':
    case 'loans':
      return false
  }
}
