import { createHash } from 'node:crypto'
import { RateLimiterPostgres, RateLimiterRes } from 'rate-limiter-flexible'
import type { Sequelize } from 'sequelize'
import type { Person, SignIn } from '@vivid/contract'
import { AppError } from '../http/app-error'
import { tooMany } from '../http/limits'
import { createFairQueue } from '../work/fair-queue'
import { hashPassword, passwordMatches } from './password'
import type { PeopleStore } from './people-store'

/** Failed attempts that are let through before waiting: for one address of one person, and for one address in all. */
const FAILURES = { perPerson: 8, perAddress: 60, withinSeconds: 15 * 60 }

export type SignInService = Awaited<ReturnType<typeof createSignIn>>

/** Checks who signs in, and slows down guessing. Attempts are counted in the database, for all server processes. */
export async function createSignIn(people: PeopleStore, database: Sequelize) {
  const limiter = (keyPrefix: string, points: number) =>
    new Promise<RateLimiterPostgres>((resolve, reject) => {
      const options = {
        storeClient: database,
        storeType: 'sequelize',
        tableName: 'sign_in_failures',
        keyPrefix,
        points,
      }
      const made = new RateLimiterPostgres({ ...options, duration: FAILURES.withinSeconds }, (err) =>
        err ? reject(err) : resolve(made),
      )
    })
  const perPerson = await limiter('person', FAILURES.perPerson)
  const perAddress = await limiter('address', FAILURES.perAddress)
  // A hash costs a core for a while: one after the other, and addresses in turns.
  const hashing = createFairQueue({ atOnce: 1, mostWaiting: 60, mostWaitingOfOne: 5 })
  // An unknown person costs as much time as a known one.
  const nobodysHash = await hashPassword('nobody')

  return async function signIn({ email, password }: SignIn, address: string): Promise<Person> {
    const personKey = createHash('sha256').update(`${email.toLowerCase()} ${address}`).digest('hex')
    // Counted before the password is looked at, so that many guesses at once are counted as well.
    await count(perPerson, personKey)
    await count(perAddress, address)
    const found = await people.byEmail(email)
    const hash = found?.passwordHash ?? nobodysHash
    const matches = await hashing.run(address, () => passwordMatches(password, hash))
    if (matches === undefined) throw tooMany(2)
    if (!found?.passwordHash || !matches) throw new AppError('SIGN_IN_REFUSED')
    await perPerson.delete(personKey)
    await perAddress.reward(address)
    return found.person
  }
}

/** Counts an attempt; refuses it, with how long to wait, where there were too many. */
async function count(limiter: RateLimiterPostgres, key: string): Promise<void> {
  try {
    await limiter.consume(key)
  } catch (reason) {
    if (!(reason instanceof RateLimiterRes)) throw reason
    const seconds = Math.ceil(reason.msBeforeNext / 1000)
    throw new AppError('SIGN_IN_THROTTLED', {
      details: { minutes: String(Math.ceil(seconds / 60)) },
      headers: { 'retry-after': String(seconds) },
    })
  }
}
