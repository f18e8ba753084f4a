import type { Sequelize, Transaction } from 'sequelize'
import type { Role } from '@vivid/contract'
import { asking } from '../../platform/database/asking'

/** Something a keeper asked for that a second one has to confirm. */
export interface RequestData {
  readonly id: string
  readonly personId: string
  readonly kind: 'role' | 'reset' | 'invitation' | 'return' | 'factors'
  /** The role asked for; null where none is. */
  readonly role: Role | null
  readonly askedBy: string
  readonly askedAt: Date
}

export type RequestsStore = ReturnType<typeof createRequestsStore>

const COLUMNS = `id, person_id AS "personId", kind, role, asked_by AS "askedBy", asked_at AS "askedAt"`

export function createRequestsStore(database: Sequelize) {
  const ask = asking(database)
  return {
    all: (): Promise<RequestData[]> =>
      ask<RequestData>(`SELECT ${COLUMNS} FROM people_requests ORDER BY asked_at`),
    /** Asks; what was asked of the same kind before is replaced. */
    async add(
      request: Pick<RequestData, 'personId' | 'kind' | 'role' | 'askedBy'>,
      transaction: Transaction,
    ): Promise<void> {
      await ask(
        `INSERT INTO people_requests (person_id, kind, role, asked_by) VALUES (:personId, :kind, :role, :askedBy)
         ON CONFLICT (person_id, kind) DO UPDATE SET role = :role, asked_by = :askedBy, asked_at = now() RETURNING id`,
        request,
        transaction,
      )
    },
    /** Takes a request out, whatever becomes of it. */
    async take(id: string, transaction: Transaction): Promise<RequestData | undefined> {
      const [taken] = await ask<RequestData>(
        `DELETE FROM people_requests WHERE id = :id RETURNING ${COLUMNS}`,
        { id },
        transaction,
      )
      return taken
    },
    async ofPersonGone(personId: string, transaction: Transaction): Promise<void> {
      await ask(
        'DELETE FROM people_requests WHERE person_id = :personId RETURNING id',
        { personId },
        transaction,
      )
    },
  }
}
