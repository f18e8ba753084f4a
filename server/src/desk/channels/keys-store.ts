import type { Sequelize, Transaction } from 'sequelize'
import { asking } from '../../platform/database/asking'

/** A key as stored: by its hash. */
export interface KeyData {
  readonly id: string
  readonly name: string
  readonly start: string
  readonly hash: string
  readonly perMinute: number
  /** The addresses of the calculators it is for; null: all. */
  readonly calculators: readonly string[] | null
  /** The last day it holds, ISO. */
  readonly endsOn: string | null
  readonly madeBy: string
  readonly madeAt: Date
  readonly lastUsed: Date | null
  readonly withdrawnAt: Date | null
}

export type KeysStore = ReturnType<typeof createKeysStore>

const COLUMNS = `id, name, start, hash, per_minute AS "perMinute", made_by AS "madeBy", made_at AS "madeAt",
  last_used AS "lastUsed", calculators, to_char(ends_on, 'YYYY-MM-DD') AS "endsOn", withdrawn_at AS "withdrawnAt"`

export function createKeysStore(database: Sequelize) {
  const ask = asking(database)

  return {
    all: (): Promise<KeyData[]> => ask<KeyData>(`SELECT ${COLUMNS} FROM channel_keys ORDER BY made_at DESC`),
    async add(
      key: Pick<KeyData, 'name' | 'start' | 'hash' | 'perMinute' | 'madeBy' | 'calculators' | 'endsOn'>,
      transaction: Transaction,
    ): Promise<string> {
      const [made] = await ask<{ id: string }>(
        `INSERT INTO channel_keys (name, start, hash, per_minute, made_by, calculators, ends_on)
         VALUES (:name, :start, :hash, :perMinute, :madeBy, CAST(:calculators AS jsonb), :endsOn) RETURNING id`,
        { ...key, calculators: key.calculators && JSON.stringify(key.calculators) },
        transaction,
      )
      return made?.id ?? ''
    },
    async withdraw(id: string, transaction: Transaction): Promise<{ name: string } | undefined> {
      const [withdrawn] = await ask<{ name: string }>(
        `UPDATE channel_keys SET withdrawn_at = now() WHERE id = :id AND withdrawn_at IS NULL RETURNING name`,
        { id },
        transaction,
      )
      return withdrawn
    },
    async used(id: string, at: Date): Promise<void> {
      await ask('UPDATE channel_keys SET last_used = greatest(last_used, :at) WHERE id = :id RETURNING id', {
        id,
        at,
      })
    },
  }
}
