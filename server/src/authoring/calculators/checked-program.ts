import { compileSentenceWithPlace, trialSentence } from '@vivid/contract'
import { compile, runProofs, stoppingProblems, tryOut, type Program } from '@vivid/core'
import { AppError } from '../../platform/http/app-error'
import type { DraftAsked } from './draft-asked'

/** The program of a draft that is fit to go live: it compiles, works out for its sample visitors, and its proofs agree. */
export function checkedProgram({ draft, today, sheets }: DraftAsked): Program {
  const compiled = compile(draft, sheets)
  const { program } = compiled
  const [problem] = stoppingProblems(compiled)
  if (problem) {
    const what = compileSentenceWithPlace(problem, draft)
    throw new AppError('DRAFT_HAS_PROBLEMS', { details: { what }, field: problem.step ?? '' })
  }
  for (const { trial, failure, stops } of tryOut(draft, program, { today, sheets })) {
    if (!stops && trial.changed !== undefined) continue
    const what = trialSentence({ trial, failure }, draft)
    throw new AppError('DRAFT_HAS_PROBLEMS', { details: { what }, field: failure.field })
  }
  for (const result of runProofs(compiled, sheets)) {
    const line = result.lines.find(({ agrees }) => !agrees)
    if (!line) continue
    const place = line.list ? ` (figure ${line.list.place} of ${line.list.count})` : ''
    const what = `the proof “${result.name}” expects ${line.expected} for “${line.of}”${place} and gets ${line.got ?? 'no value'}.`
    throw new AppError('PROOFS_DIFFER', { details: { what }, field: `proofs.${result.id}` })
  }
  return program
}
