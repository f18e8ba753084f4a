import type { Sequelize } from 'sequelize'
import { asking } from '../../platform/database/asking'

export interface PasskeyData {
  /** The credential's id, base64url. */
  readonly id: string
  readonly personId: string
  /** COSE, base64url. */
  readonly publicKey: string
  readonly counter: string
  readonly transports: readonly string[]
  readonly name: string
  readonly madeAt: Date
  readonly lastUsed: Date | null
}

export type PasskeysStore = ReturnType<typeof createPasskeysStore>

const COLUMNS = `id, person_id AS "personId", public_key AS "publicKey", counter, transports, name,
  made_at AS "madeAt", last_used AS "lastUsed"`

export function createPasskeysStore(database: Sequelize) {
  const ask = asking(database)
  return {
    of: (personId: string): Promise<PasskeyData[]> =>
      ask<PasskeyData>(`SELECT ${COLUMNS} FROM passkeys WHERE person_id = :personId ORDER BY made_at`, {
        personId,
      }),
    async byId(id: string): Promise<PasskeyData | undefined> {
      return (await ask<PasskeyData>(`SELECT ${COLUMNS} FROM passkeys WHERE id = :id`, { id }))[0]
    },
    async add(
      key: Pick<PasskeyData, 'id' | 'personId' | 'publicKey' | 'counter' | 'transports' | 'name'>,
    ): Promise<void> {
      await ask(
        `INSERT INTO passkeys (id, person_id, public_key, counter, transports, name)
         VALUES (:id, :personId, :publicKey, :counter, CAST(:transports AS jsonb), :name) RETURNING id`,
        { ...key, transports: JSON.stringify(key.transports) },
      )
    },
    async used(id: string, counter: number): Promise<void> {
      await ask('UPDATE passkeys SET counter = :counter, last_used = now() WHERE id = :id RETURNING id', {
        id,
        counter,
      })
    },
    async remove(id: string, personId: string): Promise<boolean> {
      const removed = await ask(
        'DELETE FROM passkeys WHERE id = :id AND person_id = :personId RETURNING id',
        { id, personId },
      )
      return removed.length === 1
    },
  }
}
