import { QueryTypes, type Sequelize, type Transaction } from 'sequelize'
import { z } from 'zod'

/** Statements, with values given by name (`:name`), never pasted into them. */
export interface Ask {
  /** Rows of a statement, each read by a schema. One that does not fit is a fault of ours. */
  rows<Row extends z.ZodType>(
    row: Row,
    sql: string,
    values?: object,
    transaction?: Transaction,
  ): Promise<z.output<Row>[]>
  /** The first of them, if there is one. */
  first<Row extends z.ZodType>(
    row: Row,
    sql: string,
    values?: object,
    transaction?: Transaction,
  ): Promise<z.output<Row> | undefined>
  /** Does something; how many rows it touched. */
  run(sql: string, values?: object, transaction?: Transaction): Promise<number>
}

export function asking(database: Sequelize): Ask {
  const rows: Ask['rows'] = async (row, sql, values = {}, transaction) =>
    z
      .array(row)
      .parse(await database.query(sql, { replacements: { ...values }, type: QueryTypes.SELECT, transaction }))
  return {
    rows,
    first: async (row, sql, values, transaction) => (await rows(row, sql, values, transaction))[0],
    async run(sql, values = {}, transaction) {
      const [, done] = await database.query(sql, { replacements: { ...values }, transaction })
      return (done as { rowCount: number | null }).rowCount ?? 0
    },
  }
}
