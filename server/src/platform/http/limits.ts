import { createHmac } from 'node:crypto'
import { isIPv6 } from 'node:net'
import type { Request, RequestHandler } from 'express'
import { RateLimiterMemory, RateLimiterPostgres } from 'rate-limiter-flexible'
import type { Sequelize } from 'sequelize'
import { AppError } from './app-error'

export interface Limit {
  /** How often, and within how many seconds. */
  readonly points: number
  readonly seconds: number
}

export interface Limits {
  /** Bounds how often one address may ask for something that costs work. `name` tells the things apart. */
  perAddress(name: string, limit: Limit): RequestHandler
  /** Counts one more of a kind under a key; refuses it where there were too many. */
  consume(name: string, key: string, limit: Limit): Promise<void>
}

const TABLE = 'rate_limits'

/**
 * Limits that hold for all server processes together: counted in PostgreSQL, under keys that say nothing about an address
 * to whoever does not know the secret, and forgotten with the time they were counted for. While the database is away each
 * process counts for itself.
 */
export function createLimits(database: Sequelize, secret: string): Limits {
  const made = new Map<string, RateLimiterPostgres>()
  function limiterOf(name: string, { points, seconds }: Limit): RateLimiterPostgres {
    const keyPrefix = `${name} ${points} ${seconds}`
    const known =
      made.get(keyPrefix) ??
      new RateLimiterPostgres({
        storeClient: database,
        storeType: 'sequelize',
        tableName: TABLE,
        tableCreated: true,
        keyPrefix,
        points,
        duration: seconds,
        // Whoever is over the limit costs no more questions.
        inMemoryBlockOnConsumed: points,
        insuranceLimiter: new RateLimiterMemory({ keyPrefix, points, duration: seconds }),
      })
    made.set(keyPrefix, known)
    return known
  }
  async function consume(name: string, key: string, limit: Limit): Promise<void> {
    const hidden = createHmac('sha256', secret).update(key).digest('base64url')
    await limiterOf(name, limit)
      .consume(hidden)
      .catch((refused: unknown) => refuseOften(refused, limit.seconds))
  }
  return {
    consume,
    perAddress: (name, limit) => async (req, _res, next) => {
      await consume(name, networkOf(req), limit)
      next()
    },
  }
}

/** Who an address belongs to: itself, or of IPv6 the network of 64 bits that one subscriber has. */
export function networkOf({ ip = '' }: Pick<Request, 'ip'>): string {
  const plain = ip.replace(/^::ffff:(?=\d+\.)/, '')
  if (!isIPv6(plain)) return plain
  const [head = '', tail] = plain.split('%')[0]?.split('::') ?? []
  const left = head.split(':').filter(Boolean)
  const right = tail?.split(':').filter(Boolean) ?? []
  const zeros = Array.from({ length: Math.max(0, 8 - left.length - right.length) }, () => '0')
  const groups = tail === undefined ? left : [...left, ...zeros, ...right]
  return `${groups
    .slice(0, 4)
    .map((group) => parseInt(group, 16).toString(16))
    .join(':')}::/64`
}

/** Refuses what a limiter did not let through, and says when to come again. */
function refuseOften(refused: unknown, seconds: number): never {
  const left =
    typeof refused === 'object' && refused !== null && 'msBeforeNext' in refused
      ? Math.max(1, Math.ceil(Number(refused.msBeforeNext) / 1000))
      : seconds
  throw tooMany(left)
}

/** Refuses something for now. */
export const tooMany = (seconds: number): AppError =>
  new AppError('TOO_MANY_REQUESTS', {
    details: { seconds: String(seconds) },
    headers: { 'retry-after': String(seconds) },
  })
