import { DatabaseError } from 'sequelize'

/** PostgreSQL's classes for "this value cannot be kept": out of range, against a rule, or too large for an index. */
const OF_THE_ROW = /^(22|23|54)/

/** Whether the database refuses what is in a row, and will for ever: trying again does not help. */
export const isRowsFault = (error: unknown): boolean =>
  error instanceof DatabaseError && OF_THE_ROW.test((error.parent as { code?: string }).code ?? '')

/** Keeps each of some rows; one that cannot be kept is told and left out, and holds up no other. */
export async function keepEach<Row>(
  rows: readonly Row[],
  keep: (row: Row) => Promise<void>,
  leftOut: (row: Row, error: unknown) => void,
): Promise<void> {
  for (const row of rows) {
    try {
      await keep(row)
    } catch (error) {
      if (!isRowsFault(error)) throw error
      leftOut(row, error)
    }
  }
}
