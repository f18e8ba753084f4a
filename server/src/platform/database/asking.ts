import { QueryTypes, type Sequelize, type Transaction } from 'sequelize'

/** Rows of a statement whose values are given by name, never pasted into it. */
export type Ask = <Row extends object>(
  sql: string,
  values?: object,
  transaction?: Transaction,
) => Promise<Row[]>

export const asking =
  (database: Sequelize): Ask =>
  (sql, values = {}, transaction) =>
    database.query(sql, { replacements: { ...values }, type: QueryTypes.SELECT, transaction })
