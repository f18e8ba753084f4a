import { createHash } from 'node:crypto'
import type { Sequelize, Transaction } from 'sequelize'
import { z } from 'zod'
import { asking } from '../../platform/database/asking'
import type { SessionListed } from '@vivid/contract'

export type SessionsStore = ReturnType<typeof createSessionsStore>

/** What names a session to its own person; the session's id itself is a secret. */
export const nameOfSession = (sid: string): string =>
  createHash('sha256').update(sid).digest('hex').slice(0, 16)

/** The sessions of people, beside what the session middleware does with them. */
export function createSessionsStore(database: Sequelize) {
  const ask = asking(database)

  return {
    /** A person's open sessions, the last used first. */
    async of(personId: string, ownSid: string): Promise<SessionListed[]> {
      const rows = await ask.rows(
        z.object({ sid: z.string(), agent: z.string(), createdAt: z.date(), updatedAt: z.date() }),
        `SELECT sid, agent, "createdAt", "updatedAt" FROM sessions
          WHERE "personId" = :personId AND expires > now() ORDER BY "updatedAt" DESC`,
        { personId },
      )
      return rows.map(({ sid, agent, createdAt, updatedAt }) => ({
        name: nameOfSession(sid),
        browser: agent,
        began: createdAt.toISOString(),
        lastUsed: updatedAt.toISOString(),
        isThis: sid === ownSid,
      }))
    },
    /** Ends one session of a person by its name. */
    async end(personId: string, name: string): Promise<void> {
      const rows = await ask.rows(
        z.object({ sid: z.string() }),
        'SELECT sid FROM sessions WHERE "personId" = :personId',
        { personId },
      )
      const sid = rows.map((row) => row.sid).find((one) => nameOfSession(one) === name)
      if (sid) await ask.run('DELETE FROM sessions WHERE sid = :sid', { sid })
    },
    /** Ends all sessions of a person, but for one where it is given. */
    async endAll(personId: string, butSid = '', transaction?: Transaction): Promise<void> {
      const sql = 'DELETE FROM sessions WHERE "personId" = :personId AND sid <> :butSid'
      await ask.run(sql, { personId, butSid }, transaction)
    },
    /** Ends the sessions that live by a session at the provider, or all of somebody it knows. */
    async endOfProvider(subject: string | undefined, session: string | undefined): Promise<void> {
      await ask.run(
        `DELETE FROM sessions WHERE (CAST(:session AS text) IS NOT NULL AND provider_session = :session)
            OR (CAST(:session AS text) IS NULL AND "personId" IN (SELECT id FROM people WHERE subject = :subject))`,
        { subject: subject ?? null, session: session ?? null },
      )
    },
    /** When each person was last here. */
    async lastSeen(): Promise<(personId: string) => string | null> {
      const rows = await ask.rows(
        z.object({ personId: z.string(), at: z.date() }),
        'SELECT "personId", max("updatedAt") AS at FROM sessions WHERE "personId" IS NOT NULL GROUP BY 1',
      )
      const seen = new Map(rows.map(({ personId, at }) => [personId, at.toISOString()]))
      return (personId) => seen.get(personId) ?? null
    },
  }
}

/** "Firefox on Linux": enough for somebody to know their own sessions by. */
export function browserOf(userAgent: string | undefined): string {
  const text = userAgent ?? ''
  const find = (known: readonly (readonly [RegExp, string])[]) =>
    known.find(([pattern]) => pattern.test(text))?.[1]
  const browser = find([
    [/Edg\//, 'Edge'],
    [/OPR\//, 'Opera'],
    [/Firefox\//, 'Firefox'],
    [/Chrome\//, 'Chrome'],
    [/Safari\//, 'Safari'],
  ])
  const system = find([
    [/Android/, 'Android'],
    [/iPhone|iPad/, 'iOS'],
    [/Windows/, 'Windows'],
    [/Mac OS/, 'macOS'],
    [/Linux/, 'Linux'],
  ])
  return [browser ?? 'a program', system && `on ${system}`].filter(Boolean).join(' ')
}
