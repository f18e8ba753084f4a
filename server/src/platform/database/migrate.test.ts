import pino from 'pino'
import { QueryTypes, type Sequelize } from 'sequelize'
import { afterEach, describe, expect, inject, test } from 'vitest'
import { compile, starters } from '@vivid/core'
import { emptyDatabase } from '../../../../scripts/lib/scratch-server.mjs'
import { takeOut } from '../../desk/archive/take-out'
import { contentOf, freeze } from '../../authoring/approval/edition-content'
import { resolveStyle } from '@vivid/contract'
import { shippedStyles } from '../../authoring/house-styles/shipped-styles'
import { createRecordStore } from '../../team/record/record-store'
import { createLiveOn, createServices } from '../../services'
import { taskRules } from '../../tasks'
import { whole } from '../../testing/whole'
import { NOW } from '../../testing/today'
import { createWork } from '../threads/pool'
import work from '../../worker'
import { connect } from './connection'
import { migrate } from './migrate'
import { migrations } from './migrations'
import { createReader } from './reader'
import { createSeal } from './seal'

const silent = pino({ level: 'silent' })
const opened: Sequelize[] = []
afterEach(async () => {
  for (const database of opened.splice(0)) await database.close()
})
async function empty(): Promise<{ database: Sequelize; url: string }> {
  const url = await emptyDatabase(inject('clusterUrl'))
  const database = connect(url, silent)
  opened.push(database)
  return { database, url }
}
const select = <Row extends object>(database: Sequelize, sql: string, replacements = {}) =>
  database.query<Row>(sql, { type: QueryTypes.SELECT, replacements })

const id = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`
const [AUTHOR, APPROVER, CALCULATOR] = [id(1), id(2), id(3)]
const starter = starters.find(({ sheets }) => sheets.length > 0)
const [sheet] = starter?.sheets ?? []
if (!starter || !sheet) throw new Error('a starter brings a sheet')
const document = starter.make()
const { text, sha256 } = freeze(
  contentOf(compile(document, starter.sheets).program, resolveStyle(shippedStyles.larkmoor.choices)),
)

/** A row as it was written when its table was so: from a migration on, and up to another that asks for more. */
const rows: readonly {
  readonly table: string
  readonly since: number
  readonly until?: number
  readonly sql: string
}[] = [
  {
    table: 'people',
    since: 1,
    sql: `INSERT INTO people (id, email, name, role, password_hash) VALUES
      (:AUTHOR, 'ada@lender.example', 'Ada Author', 'author', 'x'), (:APPROVER, 'abe@lender.example', 'Abe Approver', 'approver', 'x')`,
  },
  {
    table: 'calculators',
    since: 1,
    sql: `INSERT INTO calculators (id, slug, draft, revision, last_edited_by) VALUES (:CALCULATOR, 'raft', CAST(:draft AS jsonb), 3, :AUTHOR)`,
  },
  {
    table: 'editions',
    since: 1,
    sql: `INSERT INTO editions (calculator_id, number, content, sha256, draft, revision, edited_by, approved_by)
      VALUES (:CALCULATOR, 1, :text, :sha256, CAST(:draft AS jsonb), 1, :AUTHOR, :APPROVER);
      UPDATE calculators SET live_edition = 1 WHERE id = :CALCULATOR`,
  },
  {
    table: 'rate_sheets',
    since: 2,
    until: 8,
    sql: `INSERT INTO rate_sheets (id, sheet, last_edited_by) VALUES (:sheetId, CAST(:sheet AS jsonb), :AUTHOR)`,
  },
  {
    table: 'hand_overs',
    since: 3,
    sql: `INSERT INTO hand_overs (calculator, edition, body) VALUES ('raft', 1, '{"name": "Somebody"}')`,
  },
  {
    table: 'rate_sheets',
    since: 8,
    sql: `INSERT INTO rate_sheets (id, sheet, draft, live_revision, last_edited_by)
      VALUES (:sheetId, CAST(:sheet AS jsonb), CAST(:sheet AS jsonb), 1, :AUTHOR);
      INSERT INTO sheet_editions (sheet_id, number, sheet, revision, edited_by, approved_by, approved_at)
      VALUES (:sheetId, 1, CAST(:sheet AS jsonb), 1, :AUTHOR, :APPROVER, now())`,
  },
  {
    table: 'placements',
    since: 11,
    sql: `INSERT INTO sites (id, name, origins) VALUES (:CALCULATOR, 'A site', '["https://lender.example"]');
      INSERT INTO placements (id, site_id, page, calculator_id) VALUES ('p1', :CALCULATOR, '/loans', :CALCULATOR)`,
  },
  {
    table: 'audience_counts',
    since: 12,
    sql: `INSERT INTO audience_counts VALUES ('2026-11-01', 'raft', 1, 'en-CA', '', 'opened', 7)`,
  },
  {
    table: 'channel_keys',
    since: 13,
    sql: `INSERT INTO channel_keys (name, start, hash, per_minute, made_by) VALUES ('Branches', 'vm_1', 'h', 60, :APPROVER)`,
  },
]
const values = {
  AUTHOR,
  APPROVER,
  CALCULATOR,
  text,
  sha256,
  draft: JSON.stringify(document),
  sheetId: sheet.id,
  sheet: JSON.stringify(sheet),
}

/** What somebody had at a version of the tables: a row of each kind, and what the record said of it. */
async function fill(database: Sequelize, version: number): Promise<void> {
  for (const { since, until = Infinity, sql } of rows)
    if (since <= version && version < until) await database.query(sql, { replacements: values })
  if (version < 5) return
  const record = createRecordStore(database)
  const by = (person: string) => ({ id: person, name: person === AUTHOR ? 'Ada Author' : 'Abe Approver' })
  const about = { of: 'calculator' as const, id: CALCULATOR, subject: 'Raft' }
  await database.transaction(async (transaction) => {
    await record.append({ ...about, act: 'calculatorMade', details: {}, person: by(AUTHOR) }, transaction)
    await record.append(
      { ...about, act: 'published', details: { edition: 1 }, person: by(APPROVER) },
      transaction,
    )
    await record.append({ ...about, act: 'draftChanged', details: {}, person: by(APPROVER) }, transaction)
    await record.append({ ...about, act: 'draftChanged', details: {}, person: by(AUTHOR) }, transaction)
  })
}

/** The version of the tables that the release before this one writes to while this one starts beside it. */
const RELEASED = 13

describe('a filled database of each earlier version comes up to this one', () => {
  test.each(migrations.slice(0, -1).map(({ name }, i) => [name, i + 1] as const))(
    '%s',
    async (_, version) => {
      const { database, url } = await empty()
      await migrate(database, silent, migrations.slice(0, version))
      await fill(database, version)
      await migrate(database, silent)
      for (const { table, since } of rows) {
        const [row] = await select<{ count: number }>(database, `SELECT count(*)::int AS count FROM ${table}`)
        if (since <= version) expect([table, row?.count]).not.toEqual([table, 0])
      }
      const services = createServices({
        database,
        reader: createReader(database, [], silent),
        seal: createSeal([Buffer.alloc(32)]),
        work: createWork(taskRules, () => undefined, { visitors: work, desk: work }),
        now: () => NOW,
        lender: 'A lender',
        log: silent,
        mail: undefined,
        deskUrl: () => '',
        demo: false,
      })
      const calculator = await services.calculators.open(CALCULATOR)
      expect(calculator.document).toEqual(document)
      expect(calculator.editions).toMatchObject([{ number: 1, contributors: ['Ada Author'], wasLive: true }])
      // Without a record only the last to change a draft is known; from 14 on the database notes it.
      expect(calculator.contributors.map(({ name }) => name).sort()).toEqual(
        version < 5 || version > RELEASED ? ['Ada Author'] : ['Abe Approver', 'Ada Author'],
      )
      expect(await services.rateSheets.listed()).toHaveLength(version < 2 ? 0 : 1)
      const live = createLiveOn(database, url, silent)
      await live.open()
      expect(live.get('raft')).toMatchObject({ state: 'live', lived: new Set([1]) })
      await live.close()
      expect((await whole(takeOut(database))).length).toBeGreaterThan(1_000)
    },
  )
})

test('what the version before writes is still taken: both may run side by side', async () => {
  const { database } = await empty()
  await migrate(database, silent)
  await fill(database, RELEASED)
  await database.query('UPDATE calculators SET draft = :draft, revision = 4, last_edited_by = :APPROVER', {
    replacements: { ...values, draft: JSON.stringify({ ...document, lender: 'Changed' }) },
  })
  const [calculator] = await select<object>(database, 'SELECT contributors FROM calculators')
  expect(calculator).toEqual({ contributors: [AUTHOR, APPROVER] })
})

test('nothing a running process of the version before needs is taken away', () => {
  // A check that is put back at once only changes; what the version before writes is tried above.
  const checkChanged = /DROP CONSTRAINT (\w+),\s+ADD CONSTRAINT \1\b/g
  for (const { name, sql } of migrations.slice(RELEASED))
    expect([name, sql.replace(checkChanged, '')]).not.toEqual([
      name,
      expect.stringMatching(/\bDROP\b|\bRENAME\b|SET NOT NULL|\bTYPE\b/),
    ])
})

test('one that fails half-way leaves nothing, keeps nobody from starting, and is done once it is right', async () => {
  const { database } = await empty()
  const name = '9999-broken'
  const broken = {
    name,
    sql: 'CREATE TABLE half (id integer); INSERT INTO half SELECT 1 / (id - id) FROM people_of_old',
  }
  await expect(migrate(database, silent, [...migrations, broken])).rejects.toThrow()
  expect(await select(database, `SELECT 1 FROM pg_tables WHERE tablename = 'half'`)).toEqual([])
  expect(await select(database, 'SELECT name FROM migrations WHERE name = :name', { name })).toEqual([])
  await migrate(database, silent)
  await migrate(database, silent, [...migrations, { name, sql: 'CREATE TABLE half (id integer)' }])
  expect(await select(database, 'SELECT * FROM half')).toEqual([])
})

test('many processes that start at once migrate once', async () => {
  const { url } = await empty()
  const all = Array.from({ length: 5 }, () => connect(url, silent, 2))
  await Promise.all(all.map((database) => migrate(database, silent)))
  const [row] = await select(all[0] as Sequelize, 'SELECT count(*)::int AS count FROM migrations')
  expect(row).toEqual({ count: migrations.length })
  await Promise.all(all.map((database) => database.close()))
})
