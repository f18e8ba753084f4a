import { createHash } from 'node:crypto'
import { RateLimiterPostgres, RateLimiterRes } from 'rate-limiter-flexible'
import type { Sequelize } from 'sequelize'
import type { Person, SignIn } from '@vivid/contract'
import { AppError } from '../http/app-error'
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
  // An unknown person costs as much time as a known one.
  const nobodysHash = await hashPassword('nobody')

  return async function signIn({ email, password }: SignIn, address: string): Promise<Person> {
    const personKey = createHash('sha256').update(`${email.toLowerCase()} ${address}`).digest('hex')
    await refuseIfTooMany(await perPerson.get(personKey), FAILURES.perPerson)
    await refuseIfTooMany(await perAddress.get(address), FAILURES.perAddress)
    const found = await people.byEmail(email)
    const matches = await passwordMatches(password, found?.passwordHash ?? nobodysHash)
    if (found && matches) {
      await perPerson.delete(personKey)
      return found.person
    }
    await count(perPerson, personKey)
    await count(perAddress, address)
    throw new AppError('SIGN_IN_REFUSED')
  }
}

async function count(limiter: RateLimiterPostgres, key: string): Promise<void> {
  await limiter.consume(key).catch((reason: unknown) => {
    if (!(reason instanceof RateLimiterRes)) throw reason
  })
}

function refuseIfTooMany(state: RateLimiterRes | null, most: number): void {
  if (!state || state.consumedPoints < most) return
  const seconds = Math.ceil(state.msBeforeNext / 1000)
  throw new AppError('SIGN_IN_THROTTLED', {
    details: { minutes: String(Math.ceil(seconds / 60)) },
    headers: { 'retry-after': String(seconds) },
  })
}
