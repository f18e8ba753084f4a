import type { Sequelize } from 'sequelize'
import { z } from 'zod'
import { jsonb, table, type RowOf } from '../../platform/database/table'

const columns = {
  /** The credential's id, base64url. */
  id: z.string(),
  personId: z.string(),
  /** COSE, base64url. */
  publicKey: z.string(),
  counter: z.string(),
  transports: jsonb(z.array(z.string()).readonly()),
  name: z.string(),
  madeAt: z.date(),
  lastUsed: z.date().nullable(),
}
export type PasskeyData = RowOf<typeof columns>

export type PasskeysStore = ReturnType<typeof createPasskeysStore>

export function createPasskeysStore(database: Sequelize) {
  const passkeys = table(database, 'passkeys', columns)
  return {
    of: (personId: string) => passkeys.find('WHERE person_id = :personId ORDER BY made_at', { personId }),
    byId: (id: string) => passkeys.first('WHERE id = :id', { id }),
    async add(
      key: Pick<PasskeyData, 'id' | 'personId' | 'publicKey' | 'counter' | 'transports' | 'name'>,
    ): Promise<void> {
      await passkeys.add(key)
    },
    async used(id: string, counter: number): Promise<void> {
      await passkeys.change({ counter: String(counter), lastUsed: new Date() }, { id })
    },
    remove: async (id: string, personId: string) => (await passkeys.remove({ id, personId })) === 1,
  }
}
