import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate'
import pino from 'pino'
import { afterAll, beforeAll, describe, expect, inject, test } from 'vitest'
import { openDocument } from '@vivid/core'
import { emptyDatabase } from '../../../../scripts/lib/scratch-server.mjs'
import { connect } from '../../platform/database/connection'
import { migrate } from '../../platform/database/migrate'
import { createRecordStore } from '../../team/record/record-store'
import { TestClient, testServer, type TestServer } from '../../testing/test-server'
import { bringBack } from './bring-back'
import { whole } from '../../testing/whole'
import { takeOut } from './take-out'

const silent = pino({ level: 'silent' })
let server: TestServer
let archive: Uint8Array
beforeAll(async () => {
  server = await testServer()
  archive = await whole(takeOut(server.database))
})
afterAll(() => server.close())

async function emptyInstallation() {
  const url = await emptyDatabase(inject('clusterUrl'))
  const database = connect(url, silent)
  await migrate(database, silent)
  return { url, database }
}

test('everything comes back into an empty installation, and goes out again byte for byte', async () => {
  const { url, database } = await emptyInstallation()
  await bringBack(database, archive)
  expect(Buffer.from(await whole(takeOut(database))).equals(Buffer.from(archive))).toBe(true)
  expect(await createRecordStore(database).verify()).toMatchObject({ brokenAt: null })
  const restored = await testServer({ databaseUrl: url })
  const path = '/api/public/calculators/floating-home-mortgage'
  const [here, there] = await Promise.all(
    [server, restored].map(({ address }) => new TestClient(address).ask('GET', path)),
  )
  expect(there?.body).toEqual(here?.body)
  await restored.close()
  await database.close()
})

test('an archive from before contributors and lives were kept comes back too, with what its record says of them', async () => {
  const files = unzipSync(archive)
  const rowsOf = (name: string) =>
    JSON.parse(strFromU8(files[`data/${name}.json`] ?? new Uint8Array())) as Record<string, unknown>[]
  const without = (name: string, ...columns: string[]) => {
    const kept = rowsOf(name).map((row) =>
      Object.fromEntries(Object.entries(row).filter(([column]) => !columns.includes(column))),
    )
    files[`data/${name}.json`] = strToU8(JSON.stringify(kept))
  }
  without('calculators', 'contributors', 'sent_content', 'sent_sheets')
  for (const name of ['editions', 'rate_sheets', 'sheet_editions']) without(name, 'contributors')
  const lives = rowsOf('edition_lives')
  delete files['data/edition_lives.json']
  files['archive.json'] = strToU8(JSON.stringify({ format: 'vivid-meter/archive', version: 1 }))
  const { database } = await emptyInstallation()
  await bringBack(database, zipSync(files))
  const [now] = await database.query(
    'SELECT calculator_id, number FROM edition_lives ORDER BY calculator_id, number',
  )
  expect(now).toEqual(lives)
  expect(lives.length).toBeGreaterThan(5)
  const [[unknown]] = await database.query(
    'SELECT count(*)::int AS count FROM calculators WHERE contributors <> ARRAY[last_edited_by]',
  )
  expect(unknown).toEqual({ count: 0 })
  await database.close()
})

test('it opens as plain files: documents by the published schema, CSV, and no secrets', () => {
  const files = unzipSync(archive)
  const names = Object.keys(files)
  expect(names).toEqual(
    expect.arrayContaining([
      'calculator.schema.json',
      'record.csv',
      'audience.csv',
      'rate-sheets/insurance-premiums/2026-01-01.csv',
      'house-styles/chandler.json',
    ]),
  )
  const text = (name: string) => strFromU8(files[name] ?? new Uint8Array())
  expect(openDocument(JSON.parse(text('calculators/narrowboat-loan.json')))).toMatchObject({ ok: true })
  expect(text('rate-sheets/insurance-premiums/2026-01-01.csv')).toBe(
    'Loan to value,value\r\n80,0\r\n85,2.80\r\n90,3.10\r\n95,4.00\r\n',
  )
  const all = names.map(text).join('\n')
  expect(all).not.toMatch(/scrypt\$|session-secret|password_hash|invitation_hash/)
})

const without = (name: string) =>
  Object.fromEntries(Object.entries(unzipSync(archive)).filter(([one]) => one !== name))
const withChanged = (name: string, change: (text: string) => string) => {
  const files = unzipSync(archive)
  return zipSync({ ...files, [name]: strToU8(change(strFromU8(files[name] ?? new Uint8Array()))) })
}
describe('refused, with nothing brought back:', () => {
  test.each<[string, () => Uint8Array, string]>([
    ['a file that is no archive', () => strToU8('hello'), 'it is no zip archive'],
    ['an archive that lacks a table', () => zipSync(without('data/editions.json')), 'data/editions.json'],
    [
      'one of a version to come',
      () => withChanged('archive.json', (text) => text.replace(/\d+\n/, '9\n')),
      'archive.json',
    ],
    [
      'one with a document that is none',
      () =>
        withChanged('data/calculators.json', (text) =>
          text.replaceAll('"kind":"question"', '"kind":"riddle"'),
        ),
      'data/calculators.json',
    ],
    [
      'one whose record was written anew',
      () => withChanged('data/record.json', (text) => text.replace('Odile Marchetti', 'Somebody Else')),
      'does not say what it said',
    ],
  ])('%s', async (_, bytes, words) => {
    const { database } = await emptyInstallation()
    await expect(bringBack(database, bytes())).rejects.toThrow(words)
    const [[row]] = await database.query(
      'SELECT (SELECT count(*) FROM people)::int + (SELECT count(*) FROM calculators)::int AS n, (SELECT count(*) FROM house_styles)::int AS styles',
    )
    expect(row).toEqual({ n: 0, styles: 3 })
    await database.close()
  })

  test('one that would come on top of something', async () => {
    await expect(bringBack(server.database, archive)).rejects.toMatchObject({ code: 'NOT_EMPTY' })
  })
})

test('a keeper takes it out at the desk, which is put on record; nobody else can', async () => {
  const wren = await new TestClient(server.address).signIn('wren')
  const taken = await wren.ask('GET', '/api/archive')
  expect([taken.status, taken.headers.get('content-type')]).toEqual([200, 'application/zip'])
  const { body } = await wren.ask<{ entries: { act: string }[] }>('GET', '/api/record?act=archiveTaken')
  expect(body.entries).toHaveLength(1)
  const odile = await new TestClient(server.address).signIn('odile')
  expect((await odile.ask('GET', '/api/archive')).status).toBe(403)
})
