import { dequal as equal } from 'dequal/lite'
import { QueryTypes, type Sequelize, type Transaction } from 'sequelize'
import { CalculatorDocument, compile, type PlainDate, RateSheet, stoppingProblems } from '@vivid/core'
import { contentOf, freeze } from '../authoring/approval/edition-content'
import { sheetHashes, usedSheets } from '../authoring/rate-sheets/used-sheets'
import { calculatorEntry, sheetEntry } from '../team/record/entries'
import { createRecordStore, type NewEntry } from '../team/record/record-store'
import { resolveStyle } from '@vivid/contract'
import { shippedStyles } from '../authoring/house-styles/shipped-styles'
import { hashPassword } from '../team/people/password'
import { type DemoCalculator, demoCalculators } from './demo-calculators'
import { demoFolderOf } from './demo-folders'
import { demoPeople } from './demo-people'
import { type UsedCalculator, loadAudience } from './demo-audience'
import { demoChecklist } from './demo-checklist'
import { daysBefore, isoDaysBefore } from './demo-days'
import { type Insert, inserter } from './demo-inserter'
import { loadPlacements } from './demo-placements'
import { demoSheets, demoSheetsOn } from './demo-sheets'

/** Loads the demo lender's people and calculators into an empty database, all of it or nothing, once. */
export async function loadDemoOnce(database: Sequelize, today: PlainDate): Promise<void> {
  await database.transaction(async (transaction) => {
    const [loaded] = await database.query<{ key: string }>(
      `INSERT INTO settings (key, value) SELECT 'demo-loaded', 'yes'
        WHERE NOT EXISTS (SELECT 1 FROM people) ON CONFLICT DO NOTHING RETURNING key`,
      { type: QueryTypes.SELECT, transaction },
    )
    if (!loaded) return
    const insert = inserter(database, transaction)
    const ids = new Map<string, string>()
    for (const { name, email, role, password } of demoPeople) {
      const id = await insert('people', {
        demo: true,
        name,
        email,
        role,
        password_hash: await hashPassword(password),
      })
      ids.set(email, id)
    }
    await insertPeopleWhoCannotSignIn(insert, today)
    await database.query(
      'UPDATE checklists SET items = :items, revision = 2, last_edited_by = :by, last_edited_at = :at',
      {
        replacements: {
          items: JSON.stringify(demoChecklist),
          by: ids.get(wren),
          at: daysBefore(today, CHECKLIST_DAYS_AGO),
        },
        transaction,
      },
    )
    const entries = [...(await loadSheets(insert, today, whoIs))]
    entries.push({
      act: 'checklistChanged',
      of: 'installation',
      id: 'checklist',
      subject: 'the checklist',
      details: { items: demoChecklist.join(' · ') },
      person: whoIs(wren),
      at: daysBefore(today, CHECKLIST_DAYS_AGO),
    })
    const calculators = new Map<string, string>()
    for (const calculator of demoCalculators) {
      const id = await loadCalculator(calculator, ids, today, insert, database, transaction)
      calculators.set(calculator.slug, id)
      entries.push(...demoEntries(calculator, id, today, whoIs))
    }
    entries.push(...(await loadPlacements(insert, calculators, today, whoIs(wren))))
    await loadAudience(database, transaction, usedCalculators(today), demoSheets, today)
    await insert('channel_keys', {
      name: 'Branch terminals',
      start: 'vm_demo00',
      // The hash of nothing anybody could send: a key of the demo opens no door.
      hash: 'demo',
      per_minute: 600,
      made_by: ids.get(wren),
      made_at: daysBefore(today, 70),
      last_used: daysBefore(today, 1),
    })
    const record = createRecordStore(database)
    for (const entry of entries.sort((a, b) => Number(a.at) - Number(b.at)))
      await record.append(entry, transaction)
    await database.query('SELECT note_lives_on_record()', { transaction })

    function whoIs(email: string) {
      const name = demoPeople.find((person) => person.email === email)?.name ?? email
      return { id: ids.get(email) ?? '', name }
    }
  })
}

const CHECKLIST_DAYS_AGO = 212
const [ines, odile, wren] = ['ines@larkmoor.example', 'odile@larkmoor.example', 'wren@larkmoor.example']

/** Somebody who left, and somebody who was invited and has not come yet. */
async function insertPeopleWhoCannotSignIn(insert: Insert, today: PlainDate): Promise<void> {
  await insert('people', {
    name: 'Bo Lindqvane',
    email: 'bo@larkmoor.example',
    role: 'author',
    active: false,
    demo: true,
  })
  await insert('people', {
    name: 'Tamsin Areola',
    email: 'tamsin@larkmoor.example',
    role: 'author',
    invitation_hash: 'demo',
    demo: true,
    invitation_until: daysBefore(today, -5),
  })
}

/** The sheets with their first edition, and what is about to change in them; what of it stands on record. */
async function loadSheets(
  insert: Insert,
  today: PlainDate,
  whoIs: (email: string) => NewEntry['person'],
): Promise<NewEntry[]> {
  const entries: NewEntry[] = []
  for (const { sheet, draft, sentNote } of demoSheetsOn(today)) {
    const editor = whoIs(ines).id
    await insert('rate_sheets', {
      id: sheet.id,
      sheet: JSON.stringify(RateSheet.parse(sheet)),
      draft: JSON.stringify(RateSheet.parse(draft ?? sheet)),
      revision: draft ? 2 : 1,
      live_revision: 1,
      last_edited_by: editor,
      last_edited_at: daysBefore(today, draft ? 1 : 211),
      contributors: draft ? `{${editor}}` : '{}',
      ...(sentNote && { sent_revision: 2, sent_by: editor, sent_note: sentNote }),
    })
    await insert('sheet_editions', {
      sheet_id: sheet.id,
      number: 1,
      sheet: JSON.stringify(RateSheet.parse(sheet)),
      revision: 1,
      edited_by: editor,
      contributors: `{${editor}}`,
      approved_by: whoIs(odile).id,
      approved_at: daysBefore(today, 210),
    })
    const entry = (act: NewEntry['act'], email: string, daysAgo: number, details = {}): NewEntry => ({
      ...sheetEntry(
        act,
        act === 'sheetAdded' || act === 'sheetApproved' ? sheet : (draft ?? sheet),
        whoIs(email),
        details,
      ),
      at: daysBefore(today, daysAgo),
    })
    entries.push(entry('sheetAdded', ines, 211), entry('sheetApproved', odile, 210, { edition: 1 }))
    if (draft) entries.push(entry('sheetChanged', ines, 1))
    if (sentNote) entries.push(entry('sheetSent', ines, 1, { note: sentNote }))
  }
  return entries
}

/** What the audience of the demo had before it: the live calculators and the one that was taken down. */
const usedCalculators = (today: PlainDate): UsedCalculator[] =>
  demoCalculators.flatMap(({ slug, editions: all, ends, newestInDays }) => {
    const editions = newestInDays === undefined ? all : all.slice(0, -1)
    const last = editions.at(-1)
    if (!last) return []
    return [
      {
        slug,
        liveFrom: editions.map(({ daysAgo }) => isoDaysBefore(today, daysAgo)),
        ...(ends === 'takenDown' && { until: isoDaysBefore(today, 40) }),
        program: compile(last.document, demoSheets).program,
      },
    ]
  })

async function loadCalculator(
  { slug, draft, editions, ends, newestInDays, style = 'larkmoor', ...edited }: DemoCalculator,
  people: ReadonlyMap<string, string>,
  today: PlainDate,
  insert: Insert,
  database: Sequelize,
  transaction: Transaction,
): Promise<string> {
  const isPublished = editions.some(({ document }) => equal(document, draft))
  const revision = isPublished ? editions.length : editions.length + 1
  const editor = people.get(edited.editedBy)
  const looks = resolveStyle(shippedStyles[style].choices)
  const used = usedSheets(draft)
  const id = await insert('calculators', {
    slug,
    house_style: style,
    folder: demoFolderOf(slug),
    draft: JSON.stringify(CalculatorDocument.parse(draft)),
    revision,
    last_edited_by: editor,
    last_edited_at: daysBefore(today, edited.editedDaysAgo),
    contributors: isPublished ? '{}' : `{${editor}}`,
    ...(ends === 'sent' && {
      sent_revision: revision,
      sent_by: editor,
      sent_note: edited.sentNote,
      sent_content: freeze(contentOf(compile(draft, demoSheets).program, looks)).text,
      sent_sheets: JSON.stringify(sheetHashes(demoSheets.filter(({ id }) => used.has(id)))),
    }),
    taken_down_at: ends === 'takenDown' ? daysBefore(today, 40) : null,
    taken_down_message:
      ends === 'takenDown' ? 'Winter berths are sold for this season. New ones are offered from March.' : '',
  })
  for (const [index, { document, daysAgo, approvedBy, note = '' }] of editions.entries()) {
    const compiled = compile(document, demoSheets)
    const { program } = compiled
    if (stoppingProblems(compiled).length > 0)
      throw new Error(`the demo edition ${slug} ${index + 1} does not compile`)
    const { text, sha256 } = freeze(contentOf(program, looks))
    await insert('editions', {
      calculator_id: id,
      number: index + 1,
      content: text,
      sha256,
      draft: JSON.stringify(CalculatorDocument.parse(document)),
      revision: index + 1,
      edited_by: editor,
      contributors: `{${editor}}`,
      approved_by: people.get(approvedBy),
      published_at: daysBefore(today, daysAgo),
      note,
    })
  }
  if (ends === 'takenDown' || editions.length === 0) return id
  const waits = newestInDays !== undefined
  await database.query(
    `UPDATE calculators SET live_edition = :live, scheduled_edition = :waiting, scheduled_at = :at, scheduled_by = :by
      WHERE id = :id`,
    {
      replacements: {
        id,
        live: editions.length - (waits ? 1 : 0),
        waiting: waits ? editions.length : null,
        at: waits ? new Date(today.year, today.month - 1, today.day + newestInDays, 9) : null,
        by: waits ? people.get(editions.at(-1)?.approvedBy ?? '') : null,
      },
      transaction,
    },
  )
  return id
}

/** When in its day the demo lender does what, against the time an edition goes live. */
const MINUTES_LATER: Partial<Record<NewEntry['act'], number>> = {
  calculatorMade: -291,
  draftChanged: -173,
  sent: -38,
}

/** What a demo calculator went through: made, then for each edition sent one day and put live the next. */
function demoEntries(
  { draft, editedBy, editedDaysAgo, editions, ends, newestInDays }: DemoCalculator,
  id: string,
  today: PlainDate,
  whoIs: (email: string) => NewEntry['person'],
): NewEntry[] {
  const author = whoIs(editedBy)
  const entry = (
    act: NewEntry['act'],
    daysAgo: number,
    details: NewEntry['details'] = {},
    person = author,
    document = draft,
  ): NewEntry => ({
    ...calculatorEntry(act, { id, draft: document }, person, details),
    at: new Date(daysBefore(today, daysAgo).getTime() + (MINUTES_LATER[act] ?? 0) * 60_000),
  })
  const first = editions[0]?.daysAgo ?? editedDaysAgo
  return [
    entry('calculatorMade', first + 9, { from: 'starter' }),
    ...editions.flatMap(({ document, daysAgo, approvedBy }, i) => [
      entry('draftChanged', daysAgo + 3, { revision: i + 1 }, author, document),
      entry('sent', daysAgo + 1, { revision: i + 1 }, author, document),
      entry(
        newestInDays !== undefined && i === editions.length - 1 ? 'scheduled' : 'published',
        daysAgo,
        { edition: i + 1, revision: i + 1 },
        whoIs(approvedBy),
        document,
      ),
    ]),
    ...(editions.length === 0 || ends === 'sent'
      ? [entry('draftChanged', editedDaysAgo, { revision: editions.length + 1 })]
      : []),
    ...(ends === 'sent' ? [entry('sent', editedDaysAgo, { revision: editions.length + 1 })] : []),
    ...(ends === 'takenDown'
      ? [entry('takenDown', 40, { edition: editions.length }, whoIs('wren@larkmoor.example'))]
      : []),
  ]
}
