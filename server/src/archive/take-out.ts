import { strToU8, zipSync } from 'fflate'
import { QueryTypes, Transaction, type Sequelize } from 'sequelize'
import { calculatorJsonSchema } from '@vivid/contract'
import { writeCsv, type CsvCell } from '@vivid/contract/formats'
import { RateSheet, startOf } from '@vivid/core'
import { archivedTables } from './tables'

export const ARCHIVE_FORMAT = 'vivid-meter/archive'
/** 2: with who contributed, what was sent and which editions were live. Older ones are brought back too. */
export const ARCHIVE_VERSION = 2

/** The same content gives the same bytes whenever it is taken out: no file in it has a time of its own. */
const NO_TIME = new Date(1980, 0, 1)

type Row = Readonly<Record<string, unknown>>

/**
 * Everything that is kept, as one zip archive: `data/` has each table as JSON and is what is brought back; beside it, for
 * people and spreadsheets, each calculator as a file of its own, each version of a rate sheet and the record as CSV.
 */
export async function takeOut(database: Sequelize): Promise<Uint8Array> {
  const tables = await allTables(database)
  const rowsOf = (name: string) => tables.get(name) ?? []
  const files: Record<string, string> = {
    'archive.json': json({ format: ARCHIVE_FORMAT, version: ARCHIVE_VERSION }),
    'README.txt': README,
    'calculator.schema.json': json(calculatorJsonSchema()),
    'record.csv': csv(rowsOf('record')),
    'audience.csv': csv(rowsOf('audience_counts')),
  }
  for (const [name, rows] of tables) files[`data/${name}.json`] = json(rows)
  for (const { slug, draft } of rowsOf('calculators')) files[`calculators/${String(slug)}.json`] = json(draft)
  for (const { id, choices } of rowsOf('house_styles'))
    files[`house-styles/${String(id)}.json`] = json(choices)
  for (const { draft } of rowsOf('rate_sheets')) {
    const sheet = RateSheet.parse(draft)
    for (const version of sheet.versions) {
      const start = startOf(version).replace('T00:00', '').replace(':', '')
      files[`rate-sheets/${sheet.id}/${start}.csv`] = writeCsv([
        [...sheet.keys.map(({ name }) => name), 'value'],
        ...version.rows.map(({ keys, value }) => [...keys, value]),
      ])
    }
  }
  const sorted = Object.keys(files).sort()
  return zipSync(Object.fromEntries(sorted.map((name) => [name, strToU8(files[name] ?? '')])), {
    mtime: NO_TIME,
    level: 6,
  })
}

/** Every table as it stands at one moment; times in UTC to the last digit. */
const allTables = (database: Sequelize): Promise<Map<string, Row[]>> =>
  database.transaction(
    { isolationLevel: Transaction.ISOLATION_LEVELS.REPEATABLE_READ },
    async (transaction) => {
      await database.query(`SET LOCAL TIME ZONE 'UTC'`, { transaction })
      const tables = new Map<string, Row[]>()
      for (const { name, columns, order } of archivedTables) {
        const rows = await database.query<{ row: Row }>(
          `SELECT to_jsonb(t) AS row FROM (SELECT ${columns.join(', ')} FROM ${name} ORDER BY ${order}) AS t`,
          { type: QueryTypes.SELECT, transaction },
        )
        tables.set(
          name,
          rows.map(({ row }) => row),
        )
      }
      return tables
    },
  )

const json = (value: unknown): string => `${JSON.stringify(value, null, 1)}\n`

/** A table's rows under the names of their columns. */
function csv(rows: readonly Row[]): string {
  const columns = Object.keys(rows[0] ?? {})
  if (columns.length === 0) return ''
  return writeCsv([columns, ...rows.map((row) => columns.map((column) => cellOf(row[column])))])
}

const cellOf = (value: unknown): CsvCell => {
  if (typeof value === 'string' || typeof value === 'number') return value
  return value === null || value === undefined ? '' : JSON.stringify(value)
}

const README = `Everything this installation keeps.

data/            each table as JSON: this is what is brought back
calculators/     each calculator's draft as a file that can be loaded at the desk (calculator.schema.json describes it)
rate-sheets/     each version of each sheet as CSV
house-styles/    each house style
record.csv       who did what, and when
audience.csv     how often calculators were opened and used

Not in here: passwords, sessions, keys of other channels, and what visitors handed over.
`
