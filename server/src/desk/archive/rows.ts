import type { Sequelize, Transaction } from 'sequelize'
import type { Rows } from './read-archive'
import { tableNamed } from './tables'

/** Puts rows of an archive into a table, but for the columns that point forward. Those that are there already stay as they are where `orLeave`. */
export async function insertRows(
  database: Sequelize,
  name: string,
  rows: Rows,
  transaction: Transaction,
  orLeave = false,
): Promise<void> {
  if (rows.length === 0) return
  const { columns, later = [] } = tableNamed(name)
  // A column that an older archive does not have yet begins as the database has it begin.
  const given = new Set(Object.keys(rows[0] ?? {}))
  const now = columns
    .filter((column) => !later.includes(column) && given.has(column.replaceAll('"', '')))
    .join(', ')
  await database.query(
    `INSERT INTO ${name} (${now}) SELECT ${now} FROM json_populate_recordset(NULL::public.${name}, :rows)
       ${orLeave ? 'ON CONFLICT DO NOTHING' : ''}`,
    { replacements: { rows: JSON.stringify(rows) }, transaction },
  )
}

/** Fills the columns that point forward, once what they point to is there. */
export async function fillLater(
  database: Sequelize,
  name: string,
  rows: Rows,
  transaction: Transaction,
): Promise<void> {
  const { later = [] } = tableNamed(name)
  if (later.length === 0) return
  await database.query(
    `UPDATE ${name} AS t SET ${later.map((column) => `${column} = r.${column}`).join(', ')}
       FROM json_populate_recordset(NULL::public.${name}, :rows) AS r WHERE t.id = r.id`,
    { replacements: { rows: JSON.stringify(rows) }, transaction },
  )
}
