import type { Sequelize } from 'sequelize'
import { z } from 'zod'
import { asking } from '../../platform/database/asking'
import { jsonb, table } from '../../platform/database/table'

/** What is handed over to the lender's people: who wants to be reached, and the figures they saw. */
const HandOverBody = z.object({
  calculator: z.string(),
  title: z.string(),
  edition: z.number(),
  language: z.string(),
  /** ISO date the figures are for. */
  on: z.string(),
  name: z.string(),
  reach: z.string(),
  message: z.string(),
  answers: z.array(z.object({ question: z.string(), answer: z.string() })).readonly(),
  figures: z.array(z.object({ label: z.string(), figure: z.string(), sentence: z.string() })).readonly(),
})
export type HandOverBody = z.output<typeof HandOverBody>

const columns = {
  id: z.string(),
  calculator: z.string(),
  edition: z.number(),
  /** Null once it is delivered. */
  body: jsonb(HandOverBody.nullable()),
  attempts: z.number(),
  nextAttemptAt: z.date(),
  lastFailure: z.string().nullable(),
  deliveredAt: z.date().nullable(),
}

const Claimed = z.object({ id: columns.id, body: HandOverBody, attempts: columns.attempts })
export type Claimed = z.output<typeof Claimed>

export type HandOversStore = ReturnType<typeof createHandOversStore>

export function createHandOversStore(database: Sequelize) {
  const ask = asking(database)
  const handOvers = table(database, 'hand_overs', columns)

  return {
    async add(id: string, body: HandOverBody): Promise<void> {
      const { calculator, edition } = body
      await handOvers.add({ id, calculator, edition, body })
    },
    /**
     * Claims the hand-over that waits longest, for so many seconds: whoever claims it delivers it, and if that process
     * dies it is there again afterwards. Any number of server processes may ask at once; each gets another.
     */
    claim: (seconds: number): Promise<Claimed | undefined> =>
      ask.first(
        Claimed,
        `UPDATE hand_overs
            SET attempts = attempts + 1, next_attempt_at = now() + make_interval(secs => :seconds)
          WHERE id = (SELECT id FROM hand_overs
                       WHERE delivered_at IS NULL AND next_attempt_at <= now()
                       ORDER BY next_attempt_at LIMIT 1
                       FOR UPDATE SKIP LOCKED)
        RETURNING id, body, attempts`,
        { seconds },
      ),
    /** Delivered: what was personal about it is gone from here. */
    async delivered(id: string): Promise<void> {
      await handOvers.change({ body: null, deliveredAt: new Date(), lastFailure: null }, { id })
    },
    /** Forgets what was delivered longer ago than so many days. */
    async forgetDelivered(days: number): Promise<void> {
      await ask.run('DELETE FROM hand_overs WHERE delivered_at < now() - make_interval(days => :days)', {
        days,
      })
    },
    /** How many are not delivered yet. */
    waiting: () => handOvers.count('WHERE delivered_at IS NULL'),
    async failed(id: string, failure: string, nextAttemptAt: Date): Promise<void> {
      await ask.run(
        `UPDATE hand_overs SET last_failure = :failure, next_attempt_at = :nextAttemptAt
          WHERE id = :id AND delivered_at IS NULL`,
        { id, failure, nextAttemptAt },
      )
    },
  }
}
