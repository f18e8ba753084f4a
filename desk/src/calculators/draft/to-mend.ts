import { isGentle, type CalculatorDocument, type Compiled, type Evaluation, type Sample } from '@vivid/core'
import { compileSentence } from '@vivid/contract'
import { PAGE_LINE } from './tape-store'

/** Something to be mended before the calculator can go live, or a question about it; where it is. */
export interface ToMend {
  readonly step: string | undefined
  readonly field: string | undefined
  readonly name: string
  readonly sentence: string
  readonly stops: boolean
}

const PAGE_FIELDS = ['title', 'introduction', 'disclosure', 'contact', 'nextSteps', 'meanings']

/** What stops a draft, then what asks, in the order of the tape. */
export function toMend(
  document: CalculatorDocument,
  compiled: Compiled,
  evaluation: Evaluation | undefined,
  sample: Sample | undefined,
): ToMend[] {
  const nameOf = (id: string | undefined) => document.steps.find((step) => step.id === id)?.name ?? ''
  const found = compiled.problems.map((problem): ToMend => {
    const isPage = problem.step === undefined && PAGE_FIELDS.includes(problem.field)
    return {
      step: isPage ? PAGE_LINE : problem.step,
      field: problem.field,
      name: isPage ? 'Title, languages and words' : nameOf(problem.step),
      sentence: compileSentence(problem),
      stops: !isGentle(problem),
    }
  })
  if (found.some(({ stops }) => stops)) return found
  const unfit = (evaluation?.problems ?? []).map(({ field }): ToMend => ({
    step: field,
    field: undefined,
    name: nameOf(field),
    sentence: `${sample?.name ?? 'The sample visitor'} does not fit here.`,
    stops: true,
  }))
  return [...unfit, ...found]
}
