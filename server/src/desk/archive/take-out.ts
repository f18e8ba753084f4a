import { strToU8, Zip, ZipDeflate } from 'fflate'
import { QueryTypes, Transaction, type Sequelize } from 'sequelize'
import { calculatorJsonSchema } from '@vivid/contract'
import { writeCsv, type CsvCell } from '@vivid/contract/formats'
import { RateSheet, startOf } from '@vivid/core'
import { archivedTables, tableNamed, type ArchivedTable } from './tables'

export const ARCHIVE_FORMAT = 'vivid-meter/archive'
/** 2: with who contributed, what was sent and which editions were live; 3: with the checklist. Older ones are brought back too. */
export const ARCHIVE_VERSION = 3

/** The same content gives the same bytes whenever it is taken out: no file in it has a time of its own. */
const NO_TIME = new Date(1980, 0, 1)
/** So many rows are in memory at once, however many there are. */
const BATCH = 200

type Row = Readonly<Record<string, unknown>>
/** A file of the archive: its name, and its text piece by piece. */
type ArchiveFile = readonly [name: string, text: AsyncIterable<string> | string]

/**
 * Everything that is kept, as one zip archive, piece by piece: `data/` has each table as JSON and is what is brought back;
 * beside it, for people and spreadsheets, each calculator as a file of its own, each version of a rate sheet and the record
 * as CSV. All of it as it stands at one moment.
 */
export async function* takeOut(database: Sequelize): AsyncGenerator<Uint8Array> {
  const transaction = await database.transaction({
    isolationLevel: Transaction.ISOLATION_LEVELS.REPEATABLE_READ,
    readOnly: true,
  })
  try {
    // Times in UTC to the last digit.
    await database.query(`SET LOCAL TIME ZONE 'UTC'`, { transaction })
    yield* zipped(filesOf(database, transaction))
  } finally {
    await transaction.rollback()
  }
}

async function* filesOf(database: Sequelize, transaction: Transaction): AsyncGenerator<ArchiveFile> {
  const rows = (name: string) => rowsOf(database, transaction, tableNamed(name))
  yield ['archive.json', json({ format: ARCHIVE_FORMAT, version: ARCHIVE_VERSION })]
  yield ['README.txt', README]
  yield ['calculator.schema.json', json(calculatorJsonSchema())]
  for (const { name } of archivedTables) yield [`data/${name}.json`, jsonOf(rows(name))]
  yield ['record.csv', csvOf(rows('record'))]
  yield ['audience.csv', csvOf(rows('audience_counts'))]
  for await (const { slug, draft } of rows('calculators'))
    yield [`calculators/${String(slug)}.json`, json(draft)]
  for await (const { id, choices } of rows('house_styles'))
    yield [`house-styles/${String(id)}.json`, json(choices)]
  for await (const { draft } of rows('rate_sheets')) {
    const sheet = RateSheet.parse(draft)
    for (const version of sheet.versions) {
      const start = startOf(version).replace('T00:00', '').replace(':', '')
      const head = [...sheet.keys.map(({ name }) => name), 'value']
      yield [
        `rate-sheets/${sheet.id}/${start}.csv`,
        writeCsv([head, ...version.rows.map(({ keys, value }) => [...keys, value])]),
      ]
    }
  }
}

/** A table's rows in their order, a batch at a time. */
async function* rowsOf(
  database: Sequelize,
  transaction: Transaction,
  { name, columns, order }: ArchivedTable,
): AsyncGenerator<Row> {
  const cursor = `archive_${name}_${++cursors}`
  await database.query(
    `DECLARE ${cursor} NO SCROLL CURSOR FOR
       SELECT to_jsonb(t) AS row FROM (SELECT ${columns.join(', ')} FROM ${name} ORDER BY ${order}) AS t`,
    { transaction },
  )
  for (;;) {
    const rows = await database.query<{ row: Row }>(`FETCH ${BATCH} FROM ${cursor}`, {
      type: QueryTypes.SELECT,
      transaction,
    })
    for (const { row } of rows) yield row
    if (rows.length < BATCH) return
  }
}
let cursors = 0

/** Files as a zip archive, one after the other; of none more is in memory than its next piece. */
async function* zipped(files: AsyncIterable<ArchiveFile>): AsyncGenerator<Uint8Array> {
  let made: Uint8Array[] = []
  const zip = new Zip((error, piece) => {
    if (error) throw error
    made.push(piece)
  })
  const taken = () => {
    const pieces = made
    made = []
    return pieces
  }
  for await (const [name, text] of files) {
    const file = new ZipDeflate(name, { level: 6 })
    file.mtime = NO_TIME
    zip.add(file)
    for await (const piece of typeof text === 'string' ? [text] : text) {
      file.push(strToU8(piece))
      yield* taken()
    }
    file.push(new Uint8Array(), true)
    yield* taken()
  }
  zip.end()
  yield* taken()
}

const json = (value: unknown): string => `${JSON.stringify(value, null, 1)}\n`

/** Rows as a JSON list, a line each. */
async function* jsonOf(rows: AsyncIterable<Row>): AsyncGenerator<string> {
  let before = '['
  for await (const row of rows) {
    yield `${before}\n${JSON.stringify(row)}`
    before = ','
  }
  yield before === '[' ? '[]\n' : '\n]\n'
}

/** Rows under the names of their columns. */
async function* csvOf(rows: AsyncIterable<Row>): AsyncGenerator<string> {
  let columns: string[] | undefined
  for await (const row of rows) {
    if (!columns) yield writeCsv([(columns = Object.keys(row))])
    yield writeCsv([columns.map((column) => cellOf(row[column]))])
  }
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

Not in here: passwords, second factors, sessions, keys of other channels, and what visitors handed over.
`
