import type { Request, Response } from 'express'
import { networkOf } from '../../platform/http/limits'
import type { ForWhom } from '../../platform/threads/task'

/** Work for whoever sent a request: by the key it came with, or by its address; not any more once they went away. */
export function forVisitor(req: Request, res: Response, what: string): ForWhom {
  const gone = new AbortController()
  res.once('close', () => {
    if (!res.writableFinished) gone.abort()
  })
  return { who: res.locals.keyId ?? networkOf(req), what, signal: gone.signal }
}
