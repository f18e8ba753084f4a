import type { RequestHandler } from 'express'
import { AppError } from './app-error'

const readOnly = new Set(['GET', 'HEAD', 'OPTIONS'])

/**
 * Refuses a change that a browser sends on behalf of another site. Browsers name the origin of every request
 * that changes something; another program, which names none, carries no one's cookie by itself. Bodies must be
 * JSON, which a form of another site cannot send.
 */
export const sameOriginOnly: RequestHandler = (req, _res, next) => {
  if (readOnly.has(req.method)) return next()
  const { origin, host } = req.headers
  const site = req.headers['sec-fetch-site']
  const foreignOrigin = origin !== undefined && (!URL.canParse(origin) || new URL(origin).host !== host)
  const foreignSite = site !== undefined && site !== 'same-origin' && site !== 'none'
  if (foreignOrigin || foreignSite) throw new AppError('ORIGIN_REFUSED')
  next()
}

export const jsonOnly: RequestHandler = (req, _res, next) => {
  const hasBody =
    req.headers['content-length'] !== '0' &&
    (req.headers['content-length'] ?? req.headers['transfer-encoding'])
  if (hasBody && !readOnly.has(req.method) && !req.is('application/json')) throw new AppError('BODY_NOT_JSON')
  next()
}
