import type { Sequelize, Transaction } from 'sequelize'
import { z } from 'zod'
import { Person } from '@vivid/contract'
import { asking } from '../../platform/database/asking'
import { table, type RowOf } from '../../platform/database/table'

/** Something a keeper asked for that a second one has to confirm. */
const columns = {
  id: z.string(),
  personId: z.string(),
  kind: z.enum(['role', 'reset', 'invitation', 'return', 'factors']),
  /** The role asked for; null where none is. */
  role: Person.shape.role.nullable(),
  askedBy: z.string(),
  askedAt: z.date(),
}
export type RequestData = RowOf<typeof columns>

export type RequestsStore = ReturnType<typeof createRequestsStore>

export function createRequestsStore(database: Sequelize) {
  const ask = asking(database)
  const requests = table(database, 'people_requests', columns)
  return {
    all: () => requests.find('ORDER BY asked_at'),
    /** Asks; what was asked of the same kind before is replaced. */
    async add(
      request: Pick<RequestData, 'personId' | 'kind' | 'role' | 'askedBy'>,
      transaction: Transaction,
    ): Promise<void> {
      await ask.run(
        `INSERT INTO people_requests (person_id, kind, role, asked_by) VALUES (:personId, :kind, :role, :askedBy)
         ON CONFLICT (person_id, kind) DO UPDATE SET role = :role, asked_by = :askedBy, asked_at = now()`,
        request,
        transaction,
      )
    },
    /** Takes a request out, whatever becomes of it. */
    take: (id: string, transaction: Transaction) =>
      ask.first(
        requests.row,
        `DELETE FROM people_requests WHERE id = :id RETURNING ${requests.columns()}`,
        { id },
        transaction,
      ),
    async ofPersonGone(personId: string, transaction: Transaction): Promise<void> {
      await requests.remove({ personId }, transaction)
    },
  }
}
