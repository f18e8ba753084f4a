import { randomUUID } from 'node:crypto'
import type { ErrorRequestHandler, RequestHandler } from 'express'
import type { Logger } from 'pino'
import { BaseError, ConnectionError, DatabaseError } from 'sequelize'
import { errorTable, type ErrorBody } from '@vivid/contract'
import { AppError } from './app-error'

/** Gives each request an id that stands in its answer's errors and in the log. */
export const requestId: RequestHandler = (_req, res, next) => {
  res.locals.requestId = randomUUID()
  next()
}

/** The one place that turns errors into responses: the client gets a code, a sentence and a request id, the log the rest. */
export const sendError =
  (log: Logger): ErrorRequestHandler =>
  (err, req, res, next) => {
    if (res.headersSent) return next(err)
    const error = toAppError(err)
    const { status } = errorTable[error.code]
    const requestId = String(res.locals.requestId ?? '')
    const level = status >= 500 ? 'error' : 'info'
    log[level](
      {
        err: status >= 500 ? err : undefined,
        code: error.code,
        method: req.method,
        path: req.path,
        requestId,
      },
      'refused',
    )
    const { field, problems, body, headers } = error.extras
    const answer: ErrorBody = {
      ...body,
      code: error.code,
      sentence: error.message,
      requestId,
      ...(field === undefined ? {} : { field }),
      ...(problems === undefined ? {} : { problems: [...problems] }),
    }
    // What is left of a body that is too large is not waited for.
    if (error.code === 'BODY_TOO_LARGE') {
      res.set('connection', 'close')
      res.once('finish', () => req.socket.destroySoon())
    }
    res
      .status(status)
      .set(headers ?? {})
      .json(answer)
  }

function toAppError(err: unknown): AppError {
  if (err instanceof AppError) return err
  if (isDatabaseAway(err)) return new AppError('DATABASE_AWAY', { cause: err })
  if (err instanceof BaseError) return new AppError('INTERNAL', { cause: err })
  switch ((err as { type?: unknown } | null)?.type) {
    case 'entity.too.large':
      return new AppError('BODY_TOO_LARGE', {
        details: { limit: sizeText((err as { limit?: number }).limit) },
      })
    case 'entity.parse.failed':
    case 'encoding.unsupported':
    case 'charset.unsupported':
    case 'request.size.invalid':
    case 'request.aborted':
      return new AppError('BODY_UNREADABLE', { cause: err })
  }
  if (err instanceof URIError) return new AppError('ADDRESS_UNKNOWN')
  return new AppError('INTERNAL', { cause: err })
}

const sizeText = (bytes = 0) => `${Math.round(bytes / 1024)} KB`

/** PostgreSQL's codes for "shutting down", "starting up" and "connection lost", and the driver's own words for it. */
function isDatabaseAway(err: unknown): boolean {
  if (err instanceof ConnectionError) return true
  const parent =
    err instanceof DatabaseError
      ? (err.parent as Error & { code?: string })
      : (err as { code?: string; message?: string } | null)
  if (/^(57P0[123]|08\w{3}|ECONNREFUSED|ECONNRESET|EPIPE)$/.test(parent?.code ?? '')) return true
  return /Connection terminated|ConnectionManager\.getConnection|connection is closed/i.test(
    parent?.message ?? '',
  )
}
