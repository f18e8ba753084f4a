import { createEvaluatorWith, type Evaluator } from '@vivid/core/evaluate'
import { figuresFor, readTyped, textOfAnswer, unitOf } from '@vivid/contract/wording'
import { nextTask } from '../taking-over/in-turn'
import { beginsWith } from './begins-with'
import { momentOf } from './moment-of'
import type { CalculatorSource } from './calculator-source'

/**
 * What is used for the first time is slowest by far: formats, reading and arithmetic get a task each before the page takes over, so
 * that a slow telephone answers in between. What evaluates goes on being used: it knows the page as it begins.
 */
export async function warmUp(source: CalculatorSource): Promise<Evaluator> {
  const { program, language, further, today, sheets } = source
  const questions = program.steps.flatMap(({ step }) => (step.kind === 'question' ? [step] : []))
  await nextTask()
  const figures = figuresFor(program, language)
  figures.money(0)
  await nextTask()
  const typedIn = { locale: language, currency: program.currency, own: program.words }
  const answers = questions.map((question) => {
    const answer = beginsWith(question, source)
    const unit = question.asks === 'share' ? unitOf(answer) : 'percent'
    return [question.id, readTyped(question, textOfAnswer(question, answer, figures), unit, typedIn)] as const
  })
  await nextTask()
  const evaluate = createEvaluatorWith(program, further)
  evaluate(Object.fromEntries(answers), { today: momentOf(today), sheets })
  await nextTask()
  return evaluate
}
