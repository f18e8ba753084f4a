import { QueryTypes, type Sequelize } from 'sequelize'
import type { Logger } from 'pino'

/** Where reads go that may be a moment old and disturb nobody: a streaming replica while it keeps up, else the primary. */
export interface Reader {
  read<Result>(ask: (database: Sequelize) => Promise<Result>): Promise<Result>
  close(): Promise<void>
}

/** A replica further behind than this is not read from. */
const MOST_BEHIND_SECONDS = 10
/** How long a replica that failed is left alone. */
const REST_MS = 5_000

/** Seconds a replica is behind; 0 where it has replayed everything it was sent. */
const BEHIND = `SELECT CASE WHEN NOT pg_is_in_recovery() OR pg_last_wal_receive_lsn() = pg_last_wal_replay_lsn() THEN 0
  ELSE extract(epoch FROM now() - pg_last_xact_replay_timestamp()) END AS behind`

/**
 * Reads from the replicas in turn. One that cannot be reached, or is too far behind, is left out for a while and the next
 * is asked; in the end the primary answers.
 */
export function createReader(primary: Sequelize, replicas: readonly Sequelize[], log: Logger): Reader {
  const restsUntil = new Map<Sequelize, number>()
  let turn = 0

  async function keepsUp(replica: Sequelize): Promise<boolean> {
    const [row] = await replica.query<{ behind: string | null }>(BEHIND, { type: QueryTypes.SELECT })
    return Number(row?.behind ?? Infinity) <= MOST_BEHIND_SECONDS
  }

  return {
    async read(ask) {
      turn++
      for (let i = 0; i < replicas.length; i++) {
        const replica = replicas[(turn + i) % replicas.length]
        if (!replica || (restsUntil.get(replica) ?? 0) > Date.now()) continue
        try {
          if (await keepsUp(replica)) return await ask(replica)
          log.warn('a replica is too far behind; the primary answers')
        } catch (err) {
          log.warn({ err }, 'a replica does not answer; the primary does')
        }
        restsUntil.set(replica, Date.now() + REST_MS)
      }
      return ask(primary)
    },
    async close() {
      await Promise.all(replicas.map((replica) => replica.close()))
    },
  }
}
