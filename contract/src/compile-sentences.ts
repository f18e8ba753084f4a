import type { CalculatorDocument, CompileProblem } from '@vivid/core'

const sentences: Record<CompileProblem['code'], string> = {
  ID_TAKEN: 'Another step has the same identifier.',
  NAME_TAKEN: 'Another step has this name already; give it one of its own.',
  REFERENCE_UNKNOWN: 'This step takes a value from one that is no longer there.',
  REFERENCE_OF_WRONG_KIND: 'This step takes a value from one of another kind.',
  LEAST_ABOVE_MOST: 'The least is above the most; lower the one or raise the other.',
  DEFAULT_OUT_OF_RANGE: 'The default lies outside of what the question allows.',
  STEP_ZERO: 'The step must be above zero.',
  NO_QUESTION: 'A calculator needs at least one question.',
  NO_READOUT: 'A calculator needs at least one readout.',
}

/** What keeps a draft from going live, in the author's words, for where it stands beside its step. */
export const compileSentence = ({ code }: CompileProblem): string => sentences[code]

/** The same with the step named. */
export function compileSentenceWithPlace(problem: CompileProblem, document: CalculatorDocument): string {
  const name = document.steps.find(({ id }) => id === problem.step)?.name
  return name === undefined ? compileSentence(problem) : `${name}: ${compileSentence(problem)}`
}
