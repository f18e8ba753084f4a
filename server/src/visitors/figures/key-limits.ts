import type { RequestHandler } from 'express'
import { KEYLESS_PER_MINUTE } from '@vivid/contract'
import type { KnownKey } from '../../live/live-keys'
import { AppError } from '../../platform/http/app-error'
import { param } from '../../platform/http/routing'
import type { Limits } from '../../platform/http/limits'
import { hashOfSecret } from '../../platform/http/secret'

/**
 * Bounds evaluations: by the key they come with, or by their address where they come with none. Keys are known in memory,
 * so that other channels get figures while the database is away.
 */
export function keyOrAddressLimit(
  limits: Limits,
  keyByHash: (hash: string) => KnownKey | undefined,
  used: (id: string) => void,
  today: () => string,
): RequestHandler {
  const keyless = limits.perAddress('evaluations', { points: KEYLESS_PER_MINUTE, seconds: 60 })
  return async (req, res, next) => {
    const [scheme, secret] = (req.headers.authorization ?? '').split(' ')
    if (scheme?.toLowerCase() !== 'bearer') return keyless(req, res, next)
    const key = keyByHash(hashOfSecret(secret ?? ''))
    if (!key || (key.endsOn !== null && key.endsOn < today()))
      throw new AppError('KEY_REFUSED', { headers: { 'www-authenticate': 'Bearer' } })
    const slug = param(req, 'slug')
    if (key.calculators && !key.calculators.includes(slug))
      throw new AppError('KEY_NOT_FOR', { details: { calculator: slug.slice(0, 80) } })
    await limits.consume('key', key.id, { points: key.perMinute, seconds: 60 })
    res.locals.keyId = key.id
    used(key.id)
    next()
  }
}
