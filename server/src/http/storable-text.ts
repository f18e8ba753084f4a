import type { RequestHandler } from 'express'
import { AppError } from './app-error'

/** A NUL or half of a surrogate pair, as JSON writes them: PostgreSQL can store neither in text. */
const UNSTORABLE = /(?<!\\)(?:\\\\)*\\u(?:0000|d[89a-f][0-9a-f]{2})/i

export const storableTextOnly: RequestHandler = (req, _res, next) => {
  if (req.body !== undefined && UNSTORABLE.test(JSON.stringify(req.body))) {
    throw new AppError('REQUEST_INVALID', {
      details: {
        what: 'The request holds a character that is no text (a NUL or half of a character); leave it out.',
      },
    })
  }
  next()
}
