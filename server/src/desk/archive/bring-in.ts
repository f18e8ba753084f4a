import { randomUUID } from 'node:crypto'
import { UniqueConstraintError, type Sequelize, type Transaction } from 'sequelize'
import { StyleChoices, type ArchiveChoice, type BringIn, type BroughtIn, type Person } from '@vivid/contract'
import { slugOf } from '@vivid/contract/formats'
import { mainTitle, openDocument } from '@vivid/core'
import { keptChoices } from '../../authoring/house-styles/kept-choices'
import { announcing } from '../../live/changes'
import { isRowsFault } from '../../platform/database/rows-fault'
import { AppError } from '../../platform/http/app-error'
import type { NewEntry, RecordStore } from '../../team/record/record-store'
import {
  calculatorHere,
  daysNotHere,
  hereNow,
  isOwnRecord,
  rowsOf,
  strangersOf,
  textOf,
  type Here,
} from './compare'
import type { OpenedArchive, Row } from './read-archive'
import { insertRows } from './rows'

export interface BringInDeps {
  readonly database: Sequelize
  readonly record: RecordStore
  readonly now: () => Date
}
export interface BringInAsked {
  readonly archive: OpenedArchive
  /** SHA-256 of the file it was read from. */
  readonly sha256: string
  readonly choices: BringIn
  readonly person: Person
}

/**
 * Brings what was chosen of an archive into a desk that goes on. An archive is a file anybody may have written, so nothing
 * of it is live or in force: calculators come with their editions, taken down, rate sheets as drafts that nobody approved,
 * people as somebody who cannot come in. Approvers and keepers decide as they do of anything else.
 */
export function bringIn(
  { database, record, now }: BringInDeps,
  { archive, sha256, choices, person }: BringInAsked,
): Promise<BroughtIn> {
  const bring = async (transaction: Transaction): Promise<BroughtIn> => {
    // One after the other, whichever server process brings something in.
    await database.query('SELECT pg_advisory_xact_lock(468000004)', { transaction })
    const here = await hereNow(database, transaction)
    const people = await peopleIn(database, archive, here, transaction)
    const each = { database, archive, here, people, person, now: now(), transaction }
    const styles = await stylesIn(each, choices.styles)
    const sheets = await sheetsIn(each, choices.sheets)
    const calculators = await calculatorsIn(each, choices.calculators)
    const placements = choices.placements ? await placementsIn(each, calculators) : 0
    const days = choices.audience ? await audienceIn(each) : 0
    const brought = {
      calculators: Object.keys(choices.calculators).length,
      sheets,
      styles,
      placements,
      people: strangersOf(archive, here).length,
      days,
      entries: choices.record && !isOwnRecord(archive, here) ? rowsOf(archive, 'record').length : 0,
    }
    if (placements > 0) await announcing(database).placements(transaction)
    await record.append(
      {
        act: 'archiveBroughtIn',
        of: 'installation',
        id: 'installation',
        subject: 'an archive',
        details: { sha256, ...brought },
        person,
      },
      transaction,
    )
    if (brought.entries > 0)
      await record.appendAll(
        rowsOf(archive, 'record').map((row) => entryOf(row, people)),
        transaction,
      )
    return brought
  }
  return database.transaction(bring).catch((error: unknown) => {
    if (!isRowsFault(error) && !(error instanceof UniqueConstraintError)) throw error
    const details = { where: 'its rows', what: 'one does not fit what is here' }
    throw new AppError('ARCHIVE_UNREADABLE', { details, cause: error })
  })
}

interface Each {
  readonly database: Sequelize
  readonly archive: OpenedArchive
  readonly here: Here
  /** Who somebody of the archive is here. */
  readonly people: (id: unknown) => string | null
  readonly person: Person
  readonly now: Date
  readonly transaction: Transaction
}

/** The same person has the same e-mail address; whoever is not here comes as somebody who cannot come in. */
async function peopleIn(
  database: Sequelize,
  archive: OpenedArchive,
  here: Here,
  transaction: Transaction,
): Promise<Each['people']> {
  const ids = new Map<string, string>()
  for (const row of rowsOf(archive, 'people')) {
    const [id, email] = [textOf(row, 'id'), textOf(row, 'email').toLowerCase()]
    ids.set(id, here.people.get(email) ?? (here.peopleIds.has(id) ? randomUUID() : id))
  }
  const strangers = strangersOf(archive, here).map((row) => ({
    ...row,
    id: ids.get(textOf(row, 'id')),
    active: false,
  }))
  await insertRows(database, 'people', strangers, transaction)
  return (id) => ids.get(String(id)) ?? null
}

/** Refuses a choice that does not fit what is here any more. */
function refuseUnfit(choice: ArchiveChoice, isHere: boolean, name: string): void {
  if ((choice === 'add') === isHere) throw new AppError('ARCHIVE_OUTDATED', { details: { what: name } })
}
const chosen = (archive: OpenedArchive, table: string, column: string, choices: BringIn['sheets']) =>
  Object.entries(choices).map(([key, choice]) => {
    const row = rowsOf(archive, table).find((one) => one[column] === key)
    if (!row) throw new AppError('ARCHIVE_OUTDATED', { details: { what: key } })
    return { key, choice, row }
  })

async function stylesIn(
  { database, archive, here, people, person, now, transaction }: Each,
  choices: BringIn['styles'],
) {
  for (const { key, choice, row } of chosen(archive, 'house_styles', 'id', choices)) {
    refuseUnfit(
      choice,
      here.styles.some((one) => one.key === key),
      key,
    )
    const kept = await keptChoices(StyleChoices.parse(row.choices))
    if (choice === 'add') {
      const added = { ...row, choices: kept, last_edited_by: people(row.last_edited_by) }
      await insertRows(database, 'house_styles', [added], transaction)
      continue
    }
    await database.query(
      `UPDATE house_styles SET name = :name, choices = :choices, revision = revision + 1,
              last_edited_by = :by, last_edited_at = :now WHERE id = :key`,
      {
        replacements: { key, name: row.name, choices: JSON.stringify(kept), by: person.id, now },
        transaction,
      },
    )
  }
  return Object.keys(choices).length
}

async function sheetsIn(
  { database, archive, here, people, person, now, transaction }: Each,
  choices: BringIn['sheets'],
) {
  for (const { key, choice, row } of chosen(archive, 'rate_sheets', 'id', choices)) {
    refuseUnfit(
      choice,
      here.sheets.some((one) => one.key === key),
      key,
    )
    // Whoever had a hand in any state of it may not approve it here.
    const hands = [row, ...rowsOf(archive, 'sheet_editions').filter(({ sheet_id }) => sheet_id === key)]
    const contributors = handsIn(hands, people, person)
    if (choice === 'add') {
      const added = { ...row, ...NOT_SENT, sheet: null, live_revision: null, contributors }
      await insertRows(
        database,
        'rate_sheets',
        [{ ...added, last_edited_by: people(row.last_edited_by) ?? person.id }],
        transaction,
      )
    } else
      await replaceDraft('rate_sheets', { database, person, now, transaction }, key, row.draft, contributors)
  }
  return Object.keys(choices).length
}

/** Nothing of the archive waits for approval: what was sent is sent again here. */
const NOT_SENT = { sent_revision: null, sent_by: null, sent_note: '', sent_back: null }

async function replaceDraft(
  table: 'calculators' | 'rate_sheets',
  { database, person, now, transaction }: Pick<Each, 'database' | 'person' | 'now' | 'transaction'>,
  id: string,
  draft: unknown,
  contributors: readonly string[],
): Promise<void> {
  await database.query(
    `UPDATE ${table} SET draft = :draft, revision = revision + 1, last_edited_by = :by, last_edited_at = :now,
            sent_revision = NULL, sent_by = NULL, sent_note = '', sent_back = NULL,
            contributors = ARRAY(SELECT DISTINCT unnest(contributors || ARRAY[:contributors]::uuid[]))
      WHERE id = :id`,
    {
      replacements: { id, draft: JSON.stringify(draft), by: person.id, now, contributors },
      transaction,
    },
  )
}

/** Everybody who had a hand in these rows, and whoever brings them in. */
const handsIn = (rows: readonly Row[], people: Each['people'], { id }: Person): string[] => [
  ...new Set([
    id,
    ...rows.flatMap((row) =>
      [row.last_edited_by, row.edited_by, ...((row.contributors ?? []) as unknown[])].flatMap(
        (one) => people(one) ?? [],
      ),
    ),
  ]),
]

/** Where each calculator of the archive is here now, by its id there. */
async function calculatorsIn(
  each: Each,
  choices: BringIn['calculators'],
): Promise<ReadonlyMap<string, string>> {
  const { database, archive, here, people, person, now, transaction } = each
  const places = new Map(
    rowsOf(archive, 'calculators').flatMap((row) => {
      const found = calculatorHere(here, row)
      return found ? [[textOf(row, 'id'), found.id] as const] : []
    }),
  )
  const slugs = new Set(here.calculators.map(({ key }) => key))
  for (const { choice, row } of chosen(archive, 'calculators', 'slug', choices)) {
    const found = calculatorHere(here, row)
    refuseUnfit(choice, found !== undefined, textOf(row, 'slug'))
    const contributors = handsIn([row], people, person)
    if (choice === 'replace' && found) {
      await replaceDraft(
        'calculators',
        { database, person, now, transaction },
        found.id,
        row.draft,
        contributors,
      )
      continue
    }
    const isNew = choice === 'add'
    const [id, slug] = isNew ? [row.id, row.slug] : [randomUUID(), slugOf(titleOf(row.draft), slugs)]
    slugs.add(String(slug))
    await insertRows(
      database,
      'calculators',
      [
        {
          ...row,
          ...NOT_SENT,
          id,
          slug,
          sent_content: null,
          sent_sheets: null,
          last_edited_by: people(row.last_edited_by) ?? person.id,
          contributors,
          taken_down_at: isNew && (row.live_edition !== null || row.taken_down_at !== null) ? now : null,
          taken_down_message: '',
        },
      ],
      transaction,
    )
    if (isNew) {
      await editionsIn(each, textOf(row, 'id'))
      places.set(textOf(row, 'id'), textOf(row, 'id'))
    }
  }
  return places
}

const titleOf = (draft: unknown): string => {
  const opened = openDocument(draft)
  return opened.ok ? mainTitle(opened.document) : ''
}

/** A calculator's editions, as they were; an approver may put one live that visitors had. */
async function editionsIn({ database, archive, people, person, transaction }: Each, calculator: string) {
  const of = (table: string) =>
    rowsOf(archive, table).filter(({ calculator_id }) => calculator_id === calculator)
  const editions = of('editions').map((row) => ({
    ...row,
    edited_by: people(row.edited_by) ?? person.id,
    approved_by: people(row.approved_by),
    contributors: ((row.contributors ?? []) as unknown[]).flatMap((one) => people(one) ?? []),
  }))
  await insertRows(database, 'editions', editions, transaction)
  await insertRows(database, 'edition_lives', [...of('edition_lives')], transaction)
}

/** Sites and placements that are not here, of calculators that are; how many placements. Snippets keep their ids. */
async function placementsIn(
  { database, archive, here, transaction }: Each,
  calculators: ReadonlyMap<string, string>,
): Promise<number> {
  const sites = rowsOf(archive, 'sites').filter(({ id }) => !here.sites.has(String(id)))
  await insertRows(database, 'sites', sites, transaction)
  const placements = rowsOf(archive, 'placements').flatMap((row) => {
    const calculator = calculators.get(textOf(row, 'calculator_id'))
    return here.placements.has(textOf(row, 'id')) || !calculator
      ? []
      : [{ ...row, calculator_id: calculator }]
  })
  await insertRows(database, 'placements', placements, transaction)
  return placements.length
}

async function audienceIn({ database, archive, here, transaction }: Each): Promise<number> {
  const days = daysNotHere(archive, here)
  for (const table of ['audience_counts', 'audience_bands']) {
    const rows = rowsOf(archive, table).filter((row) => days.has(textOf(row, 'day')))
    await insertRows(database, table, rows, transaction, true)
  }
  return days.size
}

/** An entry as it was, to be put behind those that are here. */
const entryOf = (row: Row, people: Each['people']): NewEntry & { readonly at: Date } => ({
  act: row.act as NewEntry['act'],
  of: row.of as NewEntry['of'],
  id: textOf(row, 'id'),
  subject: textOf(row, 'subject'),
  details: row.details as NewEntry['details'],
  at: new Date(textOf(row, 'at')),
  person: { id: people(row.person_id) ?? textOf(row, 'person_id'), name: textOf(row, 'person') },
})
