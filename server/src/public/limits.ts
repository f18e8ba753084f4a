import type { RequestHandler } from 'express'
import { RateLimiterMemory } from 'rate-limiter-flexible'
import { AppError } from '../http/app-error'

/**
 * Bounds how often one address may ask for something that costs work, in this process; where none was kept before,
 * nothing is kept after: the address is forgotten with the time it was counted for.
 */
export function limitedTo({ points, seconds }: { points: number; seconds: number }): RequestHandler {
  const limiter = new RateLimiterMemory({ points, duration: seconds })
  return async (req, _res, next) => {
    await limiter.consume(req.ip ?? '').catch((refused: unknown) => refuseOften(refused, seconds))
    next()
  }
}

/** Refuses what a limiter did not let through, and says when to come again. */
export function refuseOften(refused: unknown, seconds: number): never {
  const left =
    typeof refused === 'object' && refused !== null && 'msBeforeNext' in refused
      ? Math.ceil(Number(refused.msBeforeNext) / 1000)
      : seconds
  throw new AppError('TOO_MANY_REQUESTS', {
    details: { seconds: String(left) },
    headers: { 'retry-after': String(left) },
  })
}
