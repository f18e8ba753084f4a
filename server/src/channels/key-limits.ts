import type { RequestHandler } from 'express'
import { KEYLESS_PER_MINUTE } from '@vivid/contract'
import { AppError } from '../http/app-error'
import type { Limits } from '../http/limits'
import { hashOfSecret } from '../http/secret'

/** A key that holds. */
export interface KnownKey {
  readonly id: string
  readonly perMinute: number
}

/**
 * Bounds evaluations: by the key they come with, or by their address where they come with none. Keys are known in memory,
 * so that other channels get figures while the database is away.
 */
export function keyOrAddressLimit(
  limits: Limits,
  keyByHash: (hash: string) => KnownKey | undefined,
  used: (id: string) => void,
): RequestHandler {
  const keyless = limits.perAddress('evaluations', { points: KEYLESS_PER_MINUTE, seconds: 60 })
  return async (req, res, next) => {
    const [scheme, secret] = (req.headers.authorization ?? '').split(' ')
    if (scheme?.toLowerCase() !== 'bearer') return keyless(req, res, next)
    const key = keyByHash(hashOfSecret(secret ?? ''))
    if (!key) throw new AppError('KEY_REFUSED', { headers: { 'www-authenticate': 'Bearer' } })
    await limits.consume('key', key.id, { points: key.perMinute, seconds: 60 })
    res.locals.keyId = key.id
    used(key.id)
    next()
  }
}
