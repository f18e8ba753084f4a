import type { ErrorBody } from '@vivid/contract'

/** A refusal by the server, or no answer at all (`OFFLINE`). `sentence` can be shown as it is. */
export class ApiError extends Error {
  constructor(
    readonly code: string,
    readonly sentence: string,
    readonly body?: ErrorBody,
  ) {
    super(sentence)
  }
}

export const isApiError = (error: unknown, code?: string): error is ApiError =>
  error instanceof ApiError && (code === undefined || error.code === code)

/** What to tell a person about anything that went wrong. */
export const sentenceOf = (error: unknown): string =>
  error instanceof ApiError
    ? error.sentence
    : 'Something went wrong in this page. Load it again; nothing saved is lost.'
