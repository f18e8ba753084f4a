import { createEvaluatorWith } from '@vivid/core/evaluate'
import { figuresFor } from '@vivid/contract/wording'
import { nextTask } from '../taking-over/in-turn'
import { momentOf } from './moment-of'
import type { CalculatorSource } from './calculator-source'

/**
 * What is used for the first time is slowest by far: formats and arithmetic get a task each before the page takes over, so
 * that a slow telephone answers in between.
 */
export async function warmUp({ program, language, further, today, sheets }: CalculatorSource): Promise<void> {
  await nextTask()
  figuresFor(program, language).money(0)
  await nextTask()
  const defaults = program.steps.flatMap(({ step }) =>
    step.kind === 'question' ? [[step.id, step.default] as const] : [],
  )
  createEvaluatorWith(program, further)(Object.fromEntries(defaults), { today: momentOf(today), sheets })
  await nextTask()
}
