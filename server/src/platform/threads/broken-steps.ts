import type { Logger } from 'pino'
import type { Evaluation } from '@vivid/core'

export type Problems = Evaluation['problems']
/** Where a step was worked out: for the log. */
export type TellBroken = (where: string, evaluation: { readonly problems: Problems }) => void

/** Writes every broken promise of an evaluation to the log: it stopped one line for a visitor, and is ours to mend. */
export const tellBrokenTo =
  (log: Logger): TellBroken =>
  (where, { problems }) => {
    for (const problem of problems) {
      if (problem.code !== 'STEP_STOPPED' || problem.stop.code !== 'BROKEN') continue
      log.error({ where, step: problem.field, reason: problem.stop.reason }, 'a step could not be worked out')
    }
  }
