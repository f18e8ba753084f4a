import type { Answers, Program } from '../program/program'
import type { Evaluation } from '../program/evaluated'
import type { Around } from './context'
import { createEvaluatorWith, type Evaluator } from './evaluator'
import { further } from './further'

/** An evaluator of any program. */
export const createEvaluator = (program: Program): Evaluator => createEvaluatorWith(program, further)

/** Works a program out once. */
export const evaluate = (program: Program, answers: Answers, around: Around): Evaluation =>
  createEvaluator(program)(answers, around)
