import type { ErrorCode, FieldProblem } from '@vivid/contract'
import { errorSentence } from '@vivid/contract'

export interface ErrorExtras {
  readonly details?: Readonly<Record<string, string>>
  readonly field?: string
  readonly problems?: readonly FieldProblem[]
  /** More of the answer's body, for callers that can use it. */
  readonly body?: object
  readonly headers?: Readonly<Record<string, string>>
  readonly cause?: unknown
}

/** A refusal on its way to the client; `http/send-error` turns it into the response. */
export class AppError extends Error {
  constructor(
    readonly code: ErrorCode,
    readonly extras: ErrorExtras = {},
  ) {
    super(errorSentence(code, extras.details), { cause: extras.cause })
  }
}
