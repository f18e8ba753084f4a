import equal from 'fast-deep-equal'
import { QueryTypes, type Sequelize, type Transaction } from 'sequelize'
import { CalculatorDocument, compile, type PlainDate, RateSheet, stoppingProblems } from '@vivid/core'
import { contentOf, freeze } from '../../editions/edition-content'
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
    for (const calculator of demoCalculators)
      await loadCalculator(calculator, ids, today, insert, database, transaction)
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
): Promise<void> {
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
  })
  for (const [index, { document, daysAgo, approvedBy }] of editions.entries()) {
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
    })
  }
  if (ends !== 'live') return
  await database.query('UPDATE calculators SET live_edition = :live WHERE id = :id', {
    replacements: { live: editions.length, id },
    transaction,
  })
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
