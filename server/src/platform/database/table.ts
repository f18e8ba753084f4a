import { QueryTypes, type Sequelize, type Transaction } from 'sequelize'
import { z } from 'zod'
import { asking } from './asking'

/** A column of JSON, read by a schema. */
export const jsonb = <Schema extends z.ZodType>(schema: Schema): Schema => schema.meta({ column: 'jsonb' })

/** What a table's rows are, each column under its name in code: `lastEditedAt` is `last_edited_at`. */
type Columns = Readonly<Record<string, z.ZodType>>
export type RowOf<Shape extends Columns> = { readonly [Name in keyof Shape]: z.output<Shape[Name]> }

export interface Table<Shape extends Columns> {
  /** All columns, for a statement of one's own; `of` is what it calls the table. */
  columns(of?: string): string
  /** Reads one row of such a statement. */
  readonly row: z.ZodObject<Shape>
  /** `rest` is what follows FROM, like "WHERE id = :id FOR UPDATE". */
  find(rest?: string, values?: object, transaction?: Transaction): Promise<RowOf<Shape>[]>
  first(rest: string, values?: object, transaction?: Transaction): Promise<RowOf<Shape> | undefined>
  /** Some columns only, where the others may be long. */
  pick<Name extends keyof Shape & string>(
    names: readonly Name[],
    rest?: string,
    values?: object,
    transaction?: Transaction,
  ): Promise<Pick<RowOf<Shape>, Name>[]>
  add(fields: Partial<RowOf<Shape>>, transaction?: Transaction): Promise<RowOf<Shape>>
  /** Adds a row unless its key is taken; whether it was added. */
  addUnlessTaken(fields: Partial<RowOf<Shape>>, transaction?: Transaction): Promise<boolean>
  /** Changes the rows that are as said; how many. */
  change(
    fields: Partial<RowOf<Shape>>,
    where: Partial<RowOf<Shape>>,
    transaction?: Transaction,
  ): Promise<number>
  remove(where: Partial<RowOf<Shape>>, transaction?: Transaction): Promise<number>
  count(rest?: string, values?: object): Promise<number>
}

/** One table of the database. The schemas of its columns are the one place that says what is in it. */
export function table<Shape extends Columns>(database: Sequelize, name: string, shape: Shape): Table<Shape> {
  const ask = asking(database)
  const row = z.object(shape)
  // The compiler cannot see that what an object of schemas reads is an object of what each of them reads.
  const reads = row as unknown as z.ZodType<RowOf<Shape>>
  const column = (field: string) => `"${field.replace(/[A-Z]/g, (capital) => `_${capital.toLowerCase()}`)}"`
  const said = (fields: readonly string[], of = '') =>
    fields.map((field) => `${of && `${of}.`}${column(field)} AS "${field}"`).join(', ')
  const all = Object.keys(shape)
  const isJson = (field: string) => (shape[field] as z.ZodType | undefined)?.meta()?.column === 'jsonb'

  /** Values for a statement, each under a name of its own. What is undefined is left out. */
  function given(fields: object, prefix: string) {
    const entries = Object.entries(fields).filter(([, value]) => value !== undefined)
    return {
      names: entries.map(([field]) => field),
      places: entries.map(([field]) => `$${prefix}${field}`),
      bind: Object.fromEntries(
        entries.map(([field, value]) => [
          `${prefix}${field}`,
          isJson(field) && value !== null ? JSON.stringify(value) : (value as unknown),
        ]),
      ),
    }
  }
  /** A condition on what columns are; on nothing at all it is no statement, so that no table is emptied by mistake. */
  const matching = (where: object) => {
    const { names, places, bind } = given(where, 'is_')
    const sql = names.map((field, at) =>
      bind[`is_${field}`] === null
        ? `${column(field)} IS NOT DISTINCT FROM ${places[at]}`
        : `${column(field)} = ${places[at]}`,
    )
    return { sql: sql.join(' AND '), bind }
  }
  const query = (sql: string, bind: Record<string, unknown>, transaction?: Transaction) =>
    database.query(sql, { bind, type: QueryTypes.SELECT, transaction })
  const insert = (fields: object, rest: string, transaction?: Transaction) => {
    const { names, places, bind } = given(fields, '')
    const sql = `INSERT INTO ${name} (${names.map(column).join(', ')}) VALUES (${places.join(', ')}) ${rest}`
    return query(sql, bind, transaction)
  }

  const find: Table<Shape>['find'] = (rest = '', values, transaction) =>
    ask.rows(reads, `SELECT ${said(all)} FROM ${name} ${rest}`, values, transaction)
  return {
    columns: (of) => said(all, of),
    row,
    find,
    first: async (rest, values, transaction) => (await find(rest, values, transaction))[0],
    pick: async (names, rest = '', values, transaction) => {
      const picked = z.object(
        Object.fromEntries(names.map((field) => [field, shape[field]])) as Columns,
      ) as unknown as z.ZodType<Pick<RowOf<Shape>, (typeof names)[number]>>
      return ask.rows(picked, `SELECT ${said(names)} FROM ${name} ${rest}`, values, transaction)
    },
    async add(fields, transaction) {
      const [added] = await insert(fields, `RETURNING ${said(all)}`, transaction)
      return reads.parse(added)
    },
    addUnlessTaken: async (fields, transaction) =>
      (await insert(fields, 'ON CONFLICT DO NOTHING RETURNING 1', transaction)).length === 1,
    async change(fields, where, transaction) {
      const { names, places, bind } = given(fields, '')
      const which = matching(where)
      const sql = `UPDATE ${name} SET ${names.map((field, at) => `${column(field)} = ${places[at]}`).join(', ')}
         WHERE ${which.sql} RETURNING 1`
      return names.length === 0 ? 0 : (await query(sql, { ...bind, ...which.bind }, transaction)).length
    },
    async remove(where, transaction) {
      const which = matching(where)
      return (await query(`DELETE FROM ${name} WHERE ${which.sql} RETURNING 1`, which.bind, transaction))
        .length
    },
    async count(rest = '', values) {
      const counted = await ask.first(
        z.object({ count: z.coerce.number() }),
        `SELECT count(*) AS count FROM ${name} ${rest}`,
        values,
      )
      return counted?.count ?? 0
    },
  }
}
