import { dequal as equal } from 'dequal/lite'
import { QueryTypes, type Sequelize, type Transaction } from 'sequelize'
import type { ArchivedItem, ArchiveRead } from '@vivid/contract'
import { mainTitle, openDocument, RateSheet } from '@vivid/core'
import type { OpenedArchive, Row } from './read-archive'

/** What is here of the kinds an archive holds, as far as it has to be told apart. */
export interface Here {
  readonly calculators: readonly Drafted[]
  readonly sheets: readonly Drafted[]
  readonly styles: readonly Drafted[]
  readonly sites: ReadonlySet<string>
  readonly placements: ReadonlySet<string>
  /** Ids by e-mail address, in small letters; and all ids. */
  readonly people: ReadonlyMap<string, string>
  readonly peopleIds: ReadonlySet<string>
  readonly days: ReadonlySet<string>
  readonly hashes: ReadonlySet<string>
}
interface Drafted {
  readonly id: string
  /** What it is known by: a calculator's address, or the identifier itself. */
  readonly key: string
  readonly content: unknown
  readonly changed: string
}

export const rowsOf = (archive: OpenedArchive, table: string): readonly Row[] => archive.get(table) ?? []
export const textOf = (row: Row, column: string): string => String(row[column] ?? '')

/** What is here, in one moment. */
export async function hereNow(database: Sequelize, transaction?: Transaction): Promise<Here> {
  const ask = <Found extends object>(sql: string) =>
    database.query<Found>(sql, { type: QueryTypes.SELECT, ...(transaction && { transaction }) })
  const drafted = async (sql: string) =>
    (await ask<Omit<Drafted, 'changed'> & { changed: Date }>(sql)).map(({ changed, ...one }) => ({
      ...one,
      changed: changed.toISOString(),
    }))
  const column = async (sql: string) => new Set((await ask<{ one: string }>(sql)).map(({ one }) => one))
  const people = await ask<{ id: string; email: string }>('SELECT id, lower(email) AS email FROM people')
  return {
    calculators: await drafted(
      'SELECT id, slug AS key, draft AS content, last_edited_at AS changed FROM calculators',
    ),
    sheets: await drafted(
      'SELECT id, id AS key, draft AS content, last_edited_at AS changed FROM rate_sheets',
    ),
    styles: await drafted(
      'SELECT id, id AS key, choices AS content, last_edited_at AS changed FROM house_styles',
    ),
    sites: await column('SELECT id AS one FROM sites'),
    placements: await column('SELECT id AS one FROM placements'),
    people: new Map(people.map(({ id, email }) => [email, id])),
    peopleIds: new Set(people.map(({ id }) => id)),
    days: await column('SELECT DISTINCT day::text AS one FROM audience_counts'),
    hashes: await column('SELECT hash AS one FROM record'),
  }
}

/** A calculator here that an archived one is: by its address, or by its id where that was another once. */
export const calculatorHere = ({ calculators }: Here, row: Row): Drafted | undefined =>
  calculators.find(({ key }) => key === row.slug) ?? calculators.find(({ id }) => id === row.id)

/** An archive beside what is here. */
export function compared(archive: OpenedArchive, here: Here): ArchiveRead {
  const item = (id: string, name: string, row: Row, content: unknown, found?: Drafted): ArchivedItem => ({
    id,
    name,
    state: !found ? 'absent' : equal(content, found.content) ? 'same' : 'other',
    changedThere: new Date(textOf(row, 'last_edited_at')).toISOString(),
    changedHere: found?.changed ?? null,
  })
  const editions = rowsOf(archive, 'editions')
  const byKey = (all: readonly Drafted[], id: unknown) => all.find(({ key }) => key === id)
  const missing = (table: string, known: ReadonlySet<string>) =>
    rowsOf(archive, table).filter(({ id }) => !known.has(String(id))).length
  const record = rowsOf(archive, 'record')
  return {
    calculators: rowsOf(archive, 'calculators').map((row) => ({
      ...item(textOf(row, 'slug'), titleOf(row), row, row.draft, calculatorHere(here, row)),
      editions: editions.filter(({ calculator_id }) => calculator_id === row.id).length,
    })),
    sheets: rowsOf(archive, 'rate_sheets').map((row) =>
      item(textOf(row, 'id'), RateSheet.parse(row.draft).name, row, row.draft, byKey(here.sheets, row.id)),
    ),
    styles: rowsOf(archive, 'house_styles').map((row) =>
      item(textOf(row, 'id'), textOf(row, 'name'), row, row.choices, byKey(here.styles, row.id)),
    ),
    sites: missing('sites', here.sites),
    placements: missing('placements', here.placements),
    people: strangersOf(archive, here).map((row) => textOf(row, 'name')),
    days: daysNotHere(archive, here).size,
    entries: isOwnRecord(archive, here) ? null : record.length,
  }
}

const titleOf = ({ draft }: Row): string => {
  const opened = openDocument(draft)
  return opened.ok ? mainTitle(opened.document) : ''
}

/** People of an archive nobody here is, by e-mail address. */
export const strangersOf = (archive: OpenedArchive, { people }: Here): readonly Row[] =>
  rowsOf(archive, 'people').filter((row) => !people.has(textOf(row, 'email').toLowerCase()))

/** Days the archive counted its audience on, and this desk did not. */
export const daysNotHere = (archive: OpenedArchive, { days }: Here): ReadonlySet<string> =>
  new Set(
    rowsOf(archive, 'audience_counts')
      .map((row) => textOf(row, 'day'))
      .filter((day) => !days.has(day)),
  )

/** Whether the archive was taken from this desk, or its record brought in already: its entries are here. */
export const isOwnRecord = (archive: OpenedArchive, { hashes }: Here): boolean => {
  const last = rowsOf(archive, 'record').at(-1)
  return last === undefined || hashes.has(textOf(last, 'hash'))
}
