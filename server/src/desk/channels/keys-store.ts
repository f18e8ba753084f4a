import type { Sequelize, Transaction } from 'sequelize'
import { z } from 'zod'
import { asking } from '../../platform/database/asking'
import { jsonb, table, type RowOf } from '../../platform/database/table'

/** A key as stored: by its hash. */
const columns = {
  id: z.string(),
  name: z.string(),
  start: z.string(),
  hash: z.string(),
  perMinute: z.number(),
  /** The addresses of the calculators it is for; null: all. */
  calculators: jsonb(z.array(z.string()).readonly().nullable()),
  /** The last day it holds, ISO. */
  endsOn: z.string().nullable(),
  madeBy: z.string(),
  madeAt: z.date(),
  lastUsed: z.date().nullable(),
  withdrawnAt: z.date().nullable(),
}
export type KeyData = RowOf<typeof columns>

export type KeysStore = ReturnType<typeof createKeysStore>

export function createKeysStore(database: Sequelize) {
  const ask = asking(database)
  const keys = table(database, 'channel_keys', columns)

  return {
    all: () => keys.find('ORDER BY made_at DESC'),
    add: async (
      key: Pick<KeyData, 'name' | 'start' | 'hash' | 'perMinute' | 'madeBy' | 'calculators' | 'endsOn'>,
      transaction: Transaction,
    ): Promise<string> => (await keys.add(key, transaction)).id,
    withdraw: (id: string, transaction: Transaction): Promise<{ name: string } | undefined> =>
      ask.first(
        z.object({ name: columns.name }),
        'UPDATE channel_keys SET withdrawn_at = now() WHERE id = :id AND withdrawn_at IS NULL RETURNING name',
        { id },
        transaction,
      ),
    async used(id: string, at: Date): Promise<void> {
      await ask.run('UPDATE channel_keys SET last_used = greatest(last_used, :at) WHERE id = :id', { id, at })
    },
  }
}
