import equal from 'fast-deep-equal'
import { QueryTypes, type Sequelize, type Transaction } from 'sequelize'
import { CalculatorDocument, compile, type PlainDate, RateSheet, stoppingProblems } from '@vivid/core'
import { contentOf, freeze } from '../../editions/edition-content'
import { calculatorEntry, sheetEntry } from '../../record/entries'
import { createRecordStore, type NewEntry } from '../../record/record-store'
import { hashPassword } from '../../people/password'
import { type DemoCalculator, demoCalculators } from './demo-calculators'
import { demoPeople } from './demo-people'
import { demoSheets } from './demo-sheets'

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
      ids.set(
        email,
        await insert('people', { name, email, role, password_hash: await hashPassword(password) }),
      )
    }
    for (const sheet of demoSheets) {
      await insert('rate_sheets', {
        id: sheet.id,
        sheet: JSON.stringify(RateSheet.parse(sheet)),
        last_edited_by: ids.get('ines@larkmoor.example'),
      })
    }
    const entries: NewEntry[] = demoSheets.map((sheet) => ({
      ...sheetEntry('sheetAdded', sheet, whoIs('ines@larkmoor.example')),
      at: daysBefore(today, 210),
    }))
    for (const calculator of demoCalculators) {
      const id = await loadCalculator(calculator, ids, today, insert, database, transaction)
      entries.push(...demoEntries(calculator, id, today, whoIs))
    }
    const record = createRecordStore(database)
    for (const entry of entries.sort((a, b) => Number(a.at) - Number(b.at)))
      await record.append(entry, transaction)

    function whoIs(email: string) {
      const name = demoPeople.find((person) => person.email === email)?.name ?? email
      return { id: ids.get(email) ?? '', name }
    }
  })
}

type Insert = ReturnType<typeof inserter>

async function loadCalculator(
  { slug, draft, editedBy, editedDaysAgo, editions, ends, style = 'larkmoor' }: DemoCalculator,
  people: ReadonlyMap<string, string>,
  today: PlainDate,
  insert: Insert,
  database: Sequelize,
  transaction: Transaction,
): Promise<string> {
  const isPublished = editions.some(({ document }) => equal(document, draft))
  const revision = isPublished ? editions.length : editions.length + 1
  const editor = people.get(editedBy)
  const id = await insert('calculators', {
    slug,
    house_style: style,
    draft: JSON.stringify(CalculatorDocument.parse(draft)),
    revision,
    last_edited_by: editor,
    last_edited_at: daysBefore(today, editedDaysAgo),
    sent_revision: ends === 'sent' ? revision : null,
    sent_by: ends === 'sent' ? editor : null,
    taken_down_at: ends === 'takenDown' ? daysBefore(today, 40) : null,
    taken_down_message:
      ends === 'takenDown' ? 'Winter berths are sold for this season. New ones are offered from March.' : '',
    sent_note: ends === 'sent' ? 'New for the spring: the rate is the treasury’s of last Monday.' : '',
  })
  for (const [index, { document, daysAgo, approvedBy, note = '' }] of editions.entries()) {
    const compiled = compile(document, demoSheets)
    const { program } = compiled
    if (stoppingProblems(compiled).length > 0)
      throw new Error(`the demo edition ${slug} ${index + 1} does not compile`)
    const { text, sha256 } = freeze(contentOf(program, style))
    await insert('editions', {
      calculator_id: id,
      number: index + 1,
      content: text,
      sha256,
      draft: JSON.stringify(CalculatorDocument.parse(document)),
      revision: index + 1,
      edited_by: editor,
      approved_by: people.get(approvedBy),
      published_at: daysBefore(today, daysAgo),
      note,
    })
  }
  if (ends !== 'live') return id
  await database.query('UPDATE calculators SET live_edition = :live WHERE id = :id', {
    replacements: { live: editions.length, id },
    transaction,
  })
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
  { draft, editedBy, editedDaysAgo, editions, ends }: DemoCalculator,
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
      entry('published', daysAgo, { edition: i + 1, revision: i + 1 }, whoIs(approvedBy), document),
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

/** Inserts a row and returns its id (for a table without one, its first column). */
const inserter =
  (database: Sequelize, transaction: Transaction) =>
  async (
    table: 'people' | 'calculators' | 'editions' | 'rate_sheets',
    row: Record<string, unknown>,
  ): Promise<string> => {
    const columns = Object.keys(row)
    const [made] = await database.query<Record<string, string>>(
      `INSERT INTO ${table} (${columns.join(', ')}) VALUES (${columns.map((c) => `:${c}`).join(', ')}) RETURNING *`,
      { replacements: row, type: QueryTypes.SELECT, transaction },
    )
    return made?.id ?? ''
  }

const daysBefore = ({ year, month, day }: PlainDate, days: number) =>
  new Date(Date.UTC(year, month - 1, day - days, 14, 2))
