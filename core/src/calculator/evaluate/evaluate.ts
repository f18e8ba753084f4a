import type { Answers, Program } from '../program'
import type { Evaluation } from '../values'
import { createEvaluatorWith, type Around, type Evaluator } from './evaluator'
import { further } from './further'

/** An evaluator of any program. */
export const createEvaluator = (program: Program): Evaluator => createEvaluatorWith(program, further)

/** Works a program out once. */
export const evaluate = (program: Program, answers: Answers, around: Around): Evaluation =>
  createEvaluator(program)(answers, around)
