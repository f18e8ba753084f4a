import { QueryTypes, type Sequelize, type Transaction } from 'sequelize'

export type Insert = ReturnType<typeof inserter>

type Table =
  | 'people'
  | 'calculators'
  | 'editions'
  | 'rate_sheets'
  | 'sheet_editions'
  | 'sites'
  | 'placements'
  | 'sightings'
  | 'channel_keys'

/** Inserts a row of the demo and returns its id, if the table has one. */
export const inserter =
  (database: Sequelize, transaction: Transaction) =>
  async (table: Table, row: Record<string, unknown>): Promise<string> => {
    const columns = Object.keys(row)
    const [made] = await database.query<Record<string, string>>(
      `INSERT INTO ${table} (${columns.join(', ')}) VALUES (${columns.map((c) => `:${c}`).join(', ')}) RETURNING *`,
      { replacements: row, type: QueryTypes.SELECT, transaction },
    )
    return made?.id ?? ''
  }
