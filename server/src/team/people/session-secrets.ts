import { randomBytes } from 'node:crypto'
import { z } from 'zod'
import type { Sequelize, Transaction } from 'sequelize'
import { asking } from '../../platform/database/asking'
import { keptSettings } from '../../platform/database/kept-settings'
import type { Seal } from '../../platform/database/seal'
import { sharedSecret } from '../../platform/database/secrets'

/** The secrets that sign session cookies: the first signs, all of them are believed. */
export interface SessionSecrets {
  readonly list: readonly string[]
  /** Reads them anew. */
  refresh(): Promise<void>
}

const Kept = z.array(z.strictObject({ secret: z.string(), signsFrom: z.iso.datetime() }))
type Kept = z.infer<typeof Kept>

const NAME = 'session-secrets'
/** A new one is believed at once and signs only when every process has read it. */
const KNOWN_TO_ALL_AFTER_MS = 60_000
/** No session lasts longer, so that nobody is signed out by it. */
const BELIEVED_FOR_MS = 25 * 60 * 60_000

async function kept(database: Sequelize, seal: Seal, transaction?: Transaction): Promise<Kept> {
  const value = await keptSettings(database).get(NAME, transaction)
  if (value !== undefined) return Kept.parse(JSON.parse(seal.open(value, NAME)))
  const secret = await sharedSecret(database, seal, 'session-secret')
  return [{ secret, signsFrom: new Date(0).toISOString() }]
}

export async function createSessionSecrets(
  database: Sequelize,
  seal: Seal,
  now: () => Date = () => new Date(),
): Promise<SessionSecrets> {
  const list: string[] = []
  const refresh = async () => {
    const all = await kept(database, seal)
    const [waiting, signing] = [[] as string[], [] as string[]]
    for (const { secret, signsFrom } of all)
      (Date.parse(signsFrom) > now().getTime() ? waiting : signing).push(secret)
    list.splice(0, list.length, ...signing.reverse(), ...waiting)
  }
  await refresh()
  return { list, refresh }
}

/** Makes a new secret. Sessions that were signed with the one before go on; nobody is signed out. */
export const replaceSessionSecret = (database: Sequelize, seal: Seal, now = new Date()): Promise<void> =>
  database.transaction(async (transaction) => {
    await asking(database).run('SELECT pg_advisory_xact_lock(468000003)', {}, transaction)
    const all = await kept(database, seal, transaction)
    const next = {
      secret: randomBytes(32).toString('base64'),
      signsFrom: new Date(now.getTime() + KNOWN_TO_ALL_AFTER_MS).toISOString(),
    }
    const believed = all.filter(({ signsFrom }, i) => {
      const superseded = all[i + 1]?.signsFrom ?? next.signsFrom
      return Date.parse(superseded) + BELIEVED_FOR_MS > now.getTime() || Date.parse(signsFrom) > now.getTime()
    })
    const value = seal.close(JSON.stringify([...believed, next]), NAME)
    await keptSettings(database).put(NAME, value, transaction)
  })
