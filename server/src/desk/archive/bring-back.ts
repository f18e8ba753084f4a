import { strFromU8, unzipSync } from 'fflate'
import { QueryTypes, type Sequelize, type Transaction } from 'sequelize'
import { z } from 'zod'
import { StyleChoices } from '@vivid/contract'
import { openDocument, RateSheet } from '@vivid/core'
import { AppError } from '../../platform/http/app-error'
import { createRecordStore } from '../../team/record/record-store'
import { ARCHIVE_FORMAT, ARCHIVE_VERSION } from './take-out'
import { archivedTables, type ArchivedTable } from './tables'

const MOST_BYTES = 2 ** 30

const Head = z.strictObject({
  format: z.literal(ARCHIVE_FORMAT),
  version: z.int().min(1).max(ARCHIVE_VERSION),
})
const Rows = z.array(z.record(z.string(), z.unknown()))
type Rows = z.infer<typeof Rows>

/**
 * Brings an archive back into an empty installation, all of it or nothing. Refused, with the file and the place at fault,
 * where it cannot be read, where a document or sheet in it is none, or where its record was tampered with.
 */
export async function bringBack(database: Sequelize, archive: Uint8Array): Promise<void> {
  const files = unzipped(archive)
  const { version } = read(files, 'archive.json', Head)
  const tables = new Map(
    archivedTables
      .filter(({ since = 1 }) => since <= version)
      .map(({ name }) => [name, read(files, `data/${name}.json`, Rows)]),
  )
  checkDocuments(tables)
  await database.transaction(async (transaction) => {
    await refuseUnlessEmpty(database, transaction)
    // Those that ship are in the archive as they were when it was made, or were removed.
    await database.query('DELETE FROM house_styles', { transaction })
    for (const table of archivedTables)
      await insert(database, table, tables.get(table.name) ?? [], transaction)
    for (const table of archivedTables)
      await fillLater(database, table, tables.get(table.name) ?? [], transaction)
    // Archives from before it was kept say it in their record.
    await database.query('SELECT note_lives_on_record()', { transaction })
    const { brokenAt } = await createRecordStore(database).verify(transaction)
    if (brokenAt !== null)
      throw unreadable('data/record.json', `entry ${brokenAt} does not say what it said when it was made`)
  })
}

const unreadable = (where: string, what: string) =>
  new AppError('ARCHIVE_UNREADABLE', { details: { where, what } })

function unzipped(archive: Uint8Array): Record<string, Uint8Array> {
  let bytes = 0
  try {
    return unzipSync(archive, { filter: ({ originalSize }) => (bytes += originalSize) <= MOST_BYTES })
  } catch {
    throw unreadable('the file itself', 'it is no zip archive')
  }
}

function read<Schema extends z.ZodType>(
  files: Record<string, Uint8Array>,
  name: string,
  schema: Schema,
): z.infer<Schema> {
  const file = files[name]
  if (!file) throw unreadable(name, 'there is no such file')
  try {
    const parsed = schema.safeParse(JSON.parse(strFromU8(file)))
    if (parsed.success) return parsed.data
    const [issue] = parsed.error.issues
    throw unreadable(
      name,
      `${issue?.path.join('.') ?? ''} ${issue?.message ?? 'it is not as described'}`.trim(),
    )
  } catch (error) {
    if (error instanceof AppError) throw error
    throw unreadable(name, 'it is no JSON')
  }
}

/** Every document, sheet and style in it can be read: nobody finds out later. */
function checkDocuments(tables: ReadonlyMap<string, Rows>): void {
  for (const table of ['calculators', 'editions'] as const) {
    for (const [i, { draft }] of (tables.get(table) ?? []).entries()) {
      const opened = openDocument(draft)
      if (!opened.ok) throw unreadable(`data/${table}.json`, `row ${i + 1}, ${opened.field}: ${opened.what}`)
    }
  }
  const check = (table: string, column: string, schema: z.ZodType) => {
    for (const [i, row] of (tables.get(table) ?? []).entries()) {
      const parsed = row[column] === null ? undefined : schema.safeParse(row[column])
      const issue = parsed?.error?.issues[0]
      if (issue)
        throw unreadable(`data/${table}.json`, `row ${i + 1}, ${issue.path.join('.')}: ${issue.message}`)
    }
  }
  check('rate_sheets', 'draft', RateSheet)
  check('rate_sheets', 'sheet', RateSheet)
  check('sheet_editions', 'sheet', RateSheet)
  check('house_styles', 'choices', StyleChoices)
}

async function refuseUnlessEmpty(database: Sequelize, transaction: Transaction): Promise<void> {
  const [row] = await database.query<Record<string, string>>(
    `SELECT (SELECT count(*) FROM people) AS people, (SELECT count(*) FROM calculators) AS calculators,
            (SELECT count(*) FROM rate_sheets) AS "rate sheets", (SELECT count(*) FROM record) AS "entries of the record"`,
    { type: QueryTypes.SELECT, transaction },
  )
  const there = Object.entries(row ?? {}).filter(([, count]) => Number(count) > 0)
  if (there.length > 0)
    throw new AppError('NOT_EMPTY', {
      details: { what: there.map(([what, count]) => `${count} ${what}`).join(', ') },
    })
}

async function insert(
  database: Sequelize,
  table: ArchivedTable,
  rows: Rows,
  transaction: Transaction,
): Promise<void> {
  const { name, columns, later = [] } = table
  // A column that an older archive does not have yet begins as the database has it begin.
  const given = new Set(Object.keys(rows[0] ?? {}))
  const now = columns
    .filter((column) => !later.includes(column) && given.has(column.replaceAll('"', '')))
    .join(', ')
  if (rows.length === 0) return
  await database.query(
    `INSERT INTO ${name} (${now}) SELECT ${now} FROM json_populate_recordset(NULL::public.${name}, :rows)`,
    { replacements: { rows: JSON.stringify(rows) }, transaction },
  )
}

async function fillLater(
  database: Sequelize,
  table: ArchivedTable,
  rows: Rows,
  transaction: Transaction,
): Promise<void> {
  const { name, later = [] } = table
  if (later.length === 0) return
  await database.query(
    `UPDATE ${name} AS t SET ${later.map((column) => `${column} = r.${column}`).join(', ')}
       FROM json_populate_recordset(NULL::public.${name}, :rows) AS r WHERE t.id = r.id`,
    { replacements: { rows: JSON.stringify(rows) }, transaction },
  )
}
