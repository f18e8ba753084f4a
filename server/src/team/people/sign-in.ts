import { createHash } from 'node:crypto'
import { RateLimiterPostgres, RateLimiterRes } from 'rate-limiter-flexible'
import type { Sequelize } from 'sequelize'
import type { Person, SignIn } from '@vivid/contract'
import { AppError } from '../../platform/http/app-error'
import { tooMany } from '../../platform/http/limits'
import { doorChanged } from '../../platform/mail/letters'
import type { Mailer } from '../../platform/mail/mailer'
import { createFairQueue } from '../../platform/threads/fair-queue'
import { hashPassword, passwordMatches } from './password'
import type { DoorRecord } from './door-record'
import type { PeopleStore } from './people-store'

const QUARTER = 15 * 60
/**
 * Failed attempts that are let through before waiting: for one network of one person, for one network in all, and for one
 * person wherever they come from: then the way by password is locked for a while, and the person is told.
 */
const FAILURES = {
  person: { points: 8, duration: QUARTER },
  address: { points: 60, duration: QUARTER },
  account: { points: 15, duration: 60 * 60, blockDuration: 30 * 60 },
}

export interface SignInDeps {
  readonly database: Sequelize
  readonly people: PeopleStore
  readonly door: DoorRecord
  readonly mail: Mailer | undefined
  readonly lender: string
}

export type SignInService = Awaited<ReturnType<typeof createSignIn>>

/** Checks who signs in, and slows down guessing. Attempts are counted in the database, for all server processes. */
export async function createSignIn({ database, people, door, mail, lender }: SignInDeps) {
  const limiter = (keyPrefix: keyof typeof FAILURES) =>
    new Promise<RateLimiterPostgres>((resolve, reject) => {
      const options = {
        storeClient: database,
        storeType: 'sequelize',
        tableName: 'sign_in_failures',
        keyPrefix,
        ...FAILURES[keyPrefix],
      }
      const made = new RateLimiterPostgres(options, (err) => (err ? reject(err) : resolve(made)))
    })
  const perPerson = await limiter('person')
  const perAddress = await limiter('address')
  const perAccount = await limiter('account')
  // A hash costs a core for a while: one after the other, and addresses in turns.
  const hashing = createFairQueue({ atOnce: 1, mostWaiting: 60, mostWaitingOfOne: 5 })
  // An unknown person costs as much time as a known one.
  const nobodysHash = await hashPassword('nobody')
  const hidden = (text: string) => createHash('sha256').update(text).digest('hex')

  /** Told once, when it begins. */
  async function tellLocked(person: Person): Promise<void> {
    await door.note('accountLocked', person)
    const what = `After ${FAILURES.account.points} wrong passwords in an hour the way in by password is closed for ${FAILURES.account.blockDuration / 60} minutes.`
    await mail?.(doorChanged(person, what, lender)).catch(() => undefined)
  }

  return async function signIn({ email, password }: SignIn, network: string): Promise<Person> {
    const account = hidden(email.toLowerCase())
    const personKey = hidden(`${email.toLowerCase()} ${network}`)
    // Counted before the password is looked at, so that many guesses at once are counted as well.
    await count(perPerson, personKey)
    await count(perAddress, hidden(network))
    const found = await people.byEmail(email)
    await count(perAccount, account, async (isFirst) => {
      if (found && isFirst) await tellLocked(found.person)
    })
    const hash = found?.passwordHash ?? nobodysHash
    const matches = await hashing.run(network, () => passwordMatches(password, hash))
    if (matches === undefined) throw tooMany(2)
    if (!found?.passwordHash || !matches) {
      if (found) await door.note('signInFailed', found.person)
      throw new AppError('SIGN_IN_REFUSED')
    }
    await perPerson.delete(personKey)
    await perAccount.delete(account)
    await perAddress.reward(hidden(network))
    return found.person
  }
}

/** Counts an attempt; refuses it, with how long to wait, where there were too many. */
async function count(
  limiter: RateLimiterPostgres,
  key: string,
  onRefused: (isFirst: boolean) => Promise<void> = async () => undefined,
): Promise<void> {
  try {
    await limiter.consume(key)
  } catch (reason) {
    if (!(reason instanceof RateLimiterRes)) throw reason
    await onRefused(reason.consumedPoints === limiter.points + 1)
    const seconds = Math.ceil(reason.msBeforeNext / 1000)
    throw new AppError('SIGN_IN_THROTTLED', {
      details: { minutes: String(Math.ceil(seconds / 60)) },
      headers: { 'retry-after': String(seconds) },
    })
  }
}
