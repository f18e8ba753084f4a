import type { RequestHandler } from 'express'
import { RateLimiterMemory } from 'rate-limiter-flexible'
import { KEYLESS_PER_MINUTE } from '@vivid/contract'
import { AppError } from '../http/app-error'
import { hashOfSecret } from '../http/secret'
import { limitedTo, refuseOften } from '../public/limits'

/** A key that holds. */
export interface KnownKey {
  readonly id: string
  readonly perMinute: number
}

/**
 * Bounds evaluations: by the key they come with, or by their address where they come with none. Keys are known in memory,
 * so that other channels get figures while the database is away; each server process counts for itself.
 */
export function keyOrAddressLimit(
  keyByHash: (hash: string) => KnownKey | undefined,
  used: (id: string) => void,
): RequestHandler {
  const keyless = limitedTo({ points: KEYLESS_PER_MINUTE, seconds: 60 })
  const limiters = new Map<string, RateLimiterMemory>()
  return async (req, res, next) => {
    const [scheme, secret] = (req.headers.authorization ?? '').split(' ')
    if (scheme?.toLowerCase() !== 'bearer') return keyless(req, res, next)
    const key = keyByHash(hashOfSecret(secret ?? ''))
    if (!key) throw new AppError('KEY_REFUSED', { headers: { 'www-authenticate': 'Bearer' } })
    const name = `${key.id} ${key.perMinute}`
    const limiter = limiters.get(name) ?? new RateLimiterMemory({ points: key.perMinute, duration: 60 })
    limiters.set(name, limiter)
    await limiter.consume(key.id).catch((refused: unknown) => refuseOften(refused, 60))
    used(key.id)
    next()
  }
}
