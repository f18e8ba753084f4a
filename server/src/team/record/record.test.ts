import Papa from 'papaparse'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import type { RecordEntry, RecordPage, RecordVerified } from '@vivid/contract'
import { demoChecklist } from '../../demo/demo-checklist'
import { TestClient, testServer, type TestServer } from '../../testing/test-server'
import { FIRST, hashOf } from './entry-hash'

let server: TestServer
let ines: TestClient
let odile: TestClient
beforeAll(async () => {
  server = await testServer()
  ines = await new TestClient(server.address).signIn('ines')
  odile = await new TestClient(server.address).signIn('odile')
})
afterAll(() => server.close())

const page = async (query = '') => (await odile.ask<RecordPage>('GET', `/api/record${query}`)).body
const about = async (id: string) => (await page(`?id=${id}`)).entries.reverse()
const verified = async () => (await odile.ask<RecordVerified>('GET', '/api/record/verify')).body

test('what happens to a calculator stands in the record, in its order, by whom, with its edition', async () => {
  const { id, revision, document } = await ines.make('Barge loan')
  const title = { 'en-CA': 'Barge loan, new' }
  const saved = await ines.ask('PUT', `/api/calculators/${id}/draft`, {
    revision,
    document: { ...document, title },
  })
  expect(saved.status).toBe(200)
  await ines.ask('POST', `/api/calculators/${id}/send`, { revision: revision + 1 })
  await odile.ask('POST', `/api/calculators/${id}/approve`, {
    revision: revision + 1,
    checked: demoChecklist,
  })
  await odile.ask('POST', `/api/calculators/${id}/take-down`)
  await odile.ask('POST', `/api/calculators/${id}/editions/1/live`)
  const entries = await about(id)
  expect(entries.map(({ act, person, subject }) => [act, person, subject])).toEqual([
    ['calculatorMade', 'Ines Okafor', 'Barge loan'],
    ['draftChanged', 'Ines Okafor', 'Barge loan'],
    ['sent', 'Ines Okafor', 'Barge loan, new'],
    ['published', 'Odile Marchetti', 'Barge loan, new'],
    ['takenDown', 'Odile Marchetti', 'Barge loan, new'],
    ['broughtBack', 'Odile Marchetti', 'Barge loan, new'],
  ])
  expect(entries[3]?.details).toMatchObject({ edition: 1, revision: revision + 1 })
  expect(entries[3]?.details.sha256).toMatch(/^[0-9a-f]{64}$/)
})

test('what was refused is not on record, and saving again and again is there once', async () => {
  const { id, revision, document } = await ines.make('Skiff loan')
  expect(
    (await ines.ask('POST', `/api/calculators/${id}/approve`, { revision, checked: demoChecklist })).status,
  ).toBe(403)
  for (let n = 0; n < 4; n++) {
    const renamed = { ...document, title: { 'en-CA': `Skiff loan ${n}` } }
    await ines.ask('PUT', `/api/calculators/${id}/draft`, { revision: revision + n, document: renamed })
  }
  expect((await ines.ask('PUT', `/api/calculators/${id}/draft`, { revision, document })).status).toBe(409)
  expect((await about(id)).map(({ act }) => act)).toEqual(['calculatorMade', 'draftChanged'])
})

test('a figure that a proof expects otherwise, more loosely or no longer is on record, with what it was', async () => {
  const { id, revision, document } = await ines.make('Punt loan')
  const proof = (expected: [of: string, figure: string, tolerance: string][]) => ({
    ...document,
    proofs: [
      {
        id: 'branch',
        name: 'From the branch',
        answers: {},
        on: '2026-11-25',
        expected: expected.map(([of, figure, tolerance]) => ({ of, figure, tolerance })),
      },
    ],
  })
  const drafts = [
    proof([['1 + 1', '3', '0']]),
    proof([['1 + 1', '2', '0']]),
    proof([['1 + 1', '2', '0.5']]),
    { ...document, proofs: [] },
  ]
  for (const [n, draft] of drafts.entries())
    await ines.ask('PUT', `/api/calculators/${id}/draft`, { revision: revision + n, document: draft })
  const changes = (await about(id)).filter(
    ({ act, details }) => act === 'proofChanged' && details.proof === 'From the branch',
  )
  const said = { proof: 'From the branch', figure: '1 + 1' }
  expect(changes.map(({ person, details }) => ({ person, details }))).toEqual(
    [
      { ...said, before: '3', after: '2' },
      { ...said, before: '2', after: '2 ± 0.5' },
      { ...said, before: '2 ± 0.5', after: 'nothing' },
    ].map((details) => ({ person: 'Ines Okafor', details })),
  )
})

test('rate sheets are on record too', async () => {
  const [listed] = (
    await ines.ask<{ sheet: { id: string; name: string }; revision: number }[]>('GET', '/api/rate-sheets')
  ).body
  if (!listed) throw new Error('no sheet')
  const { sheet, revision } = listed
  expect(
    (await ines.ask('PUT', '/api/rate-sheets', { sheet: { ...sheet, name: 'By credit band' }, revision }))
      .status,
  ).toBe(200)
  const last = (await about(listed.sheet.id)).at(-1)
  expect(last).toMatchObject({ act: 'sheetChanged', of: 'rateSheet', subject: 'By credit band' })
})

describe('the chain', () => {
  test('holds from the first entry to the last, each hash over the whole entry and the one before', async () => {
    const rows = await server.database.query(
      'SELECT *, number::int AS number FROM record ORDER BY record.number',
    )
    const entries = rows[0] as (RecordEntry & { person_id: string; previous: string; at: unknown })[]
    let previous = FIRST
    for (const { hash, person_id: personId, ...entry } of entries) {
      const at = new Date(entry.at as unknown as string).toISOString()
      expect(entry.previous).toBe(previous)
      expect(hash).toBe(hashOf({ ...entry, at, personId, previous }))
      previous = hash
    }
    expect(await verified()).toEqual({ entries: entries.length, brokenAt: null, lastHash: previous })
  })

  test('many at once stand one behind the other', async () => {
    await Promise.all(Array.from({ length: 12 }, (_, n) => ines.make(`Dinghy ${n}`)))
    expect((await verified()).brokenAt).toBeNull()
  })

  test.each([
    ['changed', "UPDATE record SET person = 'Nobody' WHERE number = 3"],
    ['removed', 'DELETE FROM record WHERE number = 3'],
    ['emptied', 'TRUNCATE record'],
  ])('the database lets nothing be %s', async (_, sql) => {
    await expect(server.database.query(sql)).rejects.toThrow('the record is only ever added to')
  })

  test.each([
    ['changed', "UPDATE record SET details = '{}' WHERE number = 4", 4],
    ['removed', 'DELETE FROM record WHERE number = 9', 9],
  ])('one that was %s all the same shows', async (_, sql, brokenAt) => {
    const forged = await testServer()
    await forged.database.query('ALTER TABLE record DISABLE TRIGGER ALL')
    await forged.database.query(sql)
    const reader = await new TestClient(forged.address).signIn('odile')
    const { body } = await reader.ask<RecordVerified>('GET', '/api/record/verify')
    expect(body).toMatchObject({ brokenAt, entries: brokenAt - 1 })
    await forged.close()
  })
})

describe('reading it', () => {
  test('by act, person and day, a page at a time', async () => {
    const all = await page()
    const kofi = all.people.find((name) => name.startsWith('Kofi'))
    expect(kofi).toBeDefined()
    const his = await page(`?act=published&person=${encodeURIComponent(kofi ?? '')}`)
    expect(his.entries.length).toBeGreaterThan(2)
    expect(his.entries.every(({ act, person }) => act === 'published' && person === kofi)).toBe(true)
    const [oldest] = his.entries.slice(-1)
    const day = oldest?.at.slice(0, 10) ?? ''
    const onDay = await page(`?from=${day}&to=${day}`)
    expect(onDay.entries.length).toBeGreaterThan(0)
    expect(onDay.entries.every(({ at }) => at.startsWith(day))).toBe(true)
    const before = await page('?before=5')
    expect(before.entries.map(({ number }) => number)).toEqual([4, 3, 2, 1])
    expect(before.next).toBeNull()
  })

  test('as CSV, where nothing can act as a formula', async () => {
    await ines.make('=HYPERLINK("http://evil.example")')
    const { body, headers } = await odile.ask<string>('GET', '/api/record/csv?act=calculatorMade')
    expect(headers.get('content-type')).toContain('text/csv')
    const { data } = Papa.parse<Record<string, string>>(body, { header: true })
    expect(data[0]?.subject).toBe('\'=HYPERLINK("http://evil.example")')
    expect(data[0]?.hash).toMatch(/^[0-9a-f]{64}$/)
  })

  test('nobody reads it without signing in, and a question that makes no sense is refused', async () => {
    const nobody = new TestClient(server.address)
    for (const path of ['/api/record', '/api/record/csv', '/api/record/verify'])
      expect((await nobody.ask('GET', path)).status).toBe(401)
    expect((await odile.ask('GET', '/api/record?act=burnt')).status).toBe(400)
    expect((await odile.ask('DELETE', '/api/record')).status).toBe(405)
  })
})
