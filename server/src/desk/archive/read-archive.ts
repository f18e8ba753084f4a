import { strFromU8, unzipSync } from 'fflate'
import { z } from 'zod'
import { openDocument } from '@vivid/core'
import { readEdition, sha256Of } from '../../authoring/approval/edition-content'
import { AppError } from '../../platform/http/app-error'
import { FIRST, hashOf } from '../../team/record/entry-hash'
import { rowShapes } from './row-shapes'
import { archivedTables } from './tables'
import { ARCHIVE_FORMAT, ARCHIVE_VERSION } from './take-out'

const Head = z.strictObject({
  format: z.literal(ARCHIVE_FORMAT),
  version: z.int().min(1).max(ARCHIVE_VERSION),
})
const Rows = z.array(z.record(z.string(), z.unknown()))
export type Rows = z.infer<typeof Rows>
export type Row = Rows[number]

/** An archive that was read and found whole: the rows of each table, by its name. */
export type OpenedArchive = ReadonlyMap<string, Rows>

/**
 * Reads an archive of at most so many bytes unpacked. Refused, with the file and the place at fault, where it cannot be
 * read, where a document, an edition, a sheet or a style in it is none, or where its record was tampered with.
 */
export function readArchive(archive: Uint8Array, mostBytes = 2 ** 30): OpenedArchive {
  const files = unzipped(archive, mostBytes)
  const { version } = read(files, 'archive.json', Head)
  const tables = new Map(
    archivedTables
      .filter(({ since = 1 }) => since <= version)
      .map(({ name }) => [name, read(files, `data/${name}.json`, Rows)]),
  )
  checkRows(tables)
  checkEditions(tables.get('editions') ?? [])
  checkRecord(tables.get('record') ?? [])
  return tables
}

const unreadable = (where: string, what: string) =>
  new AppError('ARCHIVE_UNREADABLE', { details: { where, what } })

function unzipped(archive: Uint8Array, mostBytes: number): Record<string, Uint8Array> {
  let bytes = 0
  let files: Record<string, Uint8Array>
  try {
    files = unzipSync(archive, { filter: ({ originalSize }) => (bytes += originalSize) <= mostBytes })
  } catch {
    throw unreadable('the file itself', 'it is no zip archive')
  }
  if (bytes > mostBytes)
    throw unreadable('the file itself', `it holds more than ${Math.floor(mostBytes / 2 ** 20)} MB`)
  return files
}

function read<Schema extends z.ZodType>(
  files: Record<string, Uint8Array>,
  name: string,
  schema: Schema,
): z.infer<Schema> {
  const file = Object.hasOwn(files, name) ? files[name] : undefined
  if (!file) throw unreadable(name, 'there is no such file')
  let found: unknown
  try {
    found = JSON.parse(strFromU8(file))
  } catch {
    throw unreadable(name, 'it is no JSON')
  }
  const parsed = schema.safeParse(found)
  if (parsed.success) return parsed.data
  const [issue] = parsed.error.issues
  throw unreadable(
    name,
    `${issue?.path.join('.') ?? ''} ${issue?.message ?? 'it is not as described'}`.trim(),
  )
}

/** Every row is what its table has, and every document in it can be opened: nobody finds out later. */
function checkRows(tables: OpenedArchive): void {
  for (const [table, rows] of tables) {
    const at = (i: number, what: string) => unreadable(`data/${table}.json`, `row ${i + 1}, ${what}`)
    for (const [i, row] of rows.entries()) {
      const issue = rowShapes[table]?.safeParse(row).error?.issues[0]
      if (issue) throw at(i, `${issue.path.join('.')}: ${issue.message}`)
      if (table !== 'calculators' && table !== 'editions') continue
      const opened = openDocument(row.draft)
      if (!opened.ok) throw at(i, `${opened.field}: ${opened.what}`)
    }
  }
}

/** Every edition still holds what its hash was made of, and can be opened. */
function checkEditions(editions: Rows): void {
  for (const [i, { content, sha256 }] of editions.entries()) {
    const at = (what: string) => unreadable('data/editions.json', `row ${i + 1}, ${what}`)
    if (typeof content !== 'string' || sha256Of(content) !== sha256)
      throw at('its content does not have the hash it was frozen under')
    try {
      readEdition(content)
    } catch {
      throw at('its content is no edition')
    }
  }
}

const Entry = z.object({
  number: z.int(),
  at: z.string().transform((text) => new Date(text).toISOString()),
  person_id: z.string().nullable(),
  person: z.string(),
  act: z.string(),
  of: z.string(),
  id: z.string(),
  subject: z.string(),
  details: z.record(z.string(), z.union([z.string(), z.number()])),
  previous: z.string(),
  hash: z.string(),
})

/** Every entry rests on the one before. */
function checkRecord(record: Rows): void {
  let previous = FIRST
  for (const [i, row] of record.entries()) {
    const parsed = Entry.safeParse(row)
    const { hash, person_id: personId, ...entry } = parsed.data ?? { hash: '', person_id: null }
    const isKept =
      parsed.success &&
      parsed.data.previous === previous &&
      parsed.data.number === i + 1 &&
      hashOf({ ...(entry as Parameters<typeof hashOf>[0]), personId }) === hash
    if (!isKept)
      throw unreadable('data/record.json', `entry ${i + 1} does not say what it said when it was made`)
    previous = hash
  }
}
