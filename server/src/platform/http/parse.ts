import type { z } from 'zod'
import type { FieldProblem } from '@vivid/contract'
import { AppError } from './app-error'

/** Parses a request's body by its schema, or refuses it with every field at fault. */
export function parseOrThrow<Schema extends z.ZodType>(schema: Schema, body: unknown): z.infer<Schema> {
  const parsed = schema.safeParse(body ?? {}, { reportInput: false })
  if (parsed.success) return parsed.data
  const problems = parsed.error.issues.map(toProblem)
  const [first] = problems
  throw new AppError('REQUEST_INVALID', {
    field: first?.field ?? '',
    problems: problems.slice(0, 20),
    details: {
      what: first ? `${first.field || 'The request'}: ${first.sentence}` : 'The request is not as described.',
    },
  })
}

function toProblem(issue: z.core.$ZodIssue): FieldProblem {
  const at = issue.path.join('.')
  if (issue.code !== 'unrecognized_keys')
    return { code: issue.code, field: at, sentence: `${issue.message}.` }
  const key = issue.keys[0] ?? ''
  return {
    code: issue.code,
    field: at ? `${at}.${key}` : key,
    sentence: 'There is no such field here; leave it out.',
  }
}
