import { afterAll, beforeAll, expect, test } from 'vitest'
import type { CalculatorOpened, EvaluateResponse, SheetImpactSaid, SheetListed } from '@vivid/contract'
import type { RateSheet } from '@vivid/core'
import { putLive } from '../../testing/put-live'
import { TestClient, testServer, type TestServer } from '../../testing/test-server'

let server: TestServer
let ines: TestClient
let odile: TestClient
beforeAll(async () => {
  server = await testServer()
  ines = await new TestClient(server.address).signIn('ines')
  odile = await new TestClient(server.address).signIn('odile')
})
afterAll(() => server.close())

const list = async () => (await ines.ask<SheetListed[]>('GET', '/api/rate-sheets')).body
const sheetNamed = async (id: string) => {
  const found = (await list()).find(({ sheet }) => sheet.id === id)
  if (!found) throw new Error(`no sheet ${id}`)
  return found
}
const save = (sheet: RateSheet, revision: number, who = ines) =>
  who.ask<SheetListed & { code: string; sentence: string }>('PUT', '/api/rate-sheets', { revision, sheet })

const act = (id: string, action: string, body: object, who = ines) =>
  who.ask<SheetListed & { code: string; sentence: string }>('POST', `/api/rate-sheets/${id}/${action}`, body)
const approve = async (id: string, revision: number) => {
  expect((await act(id, 'send', { revision, note: 'as agreed' })).status).toBe(200)
  expect((await act(id, 'approve', { revision }, odile)).status).toBe(200)
}

test('the sheets are listed with what looks them up', async () => {
  expect((await sheetNamed('insurance-premiums')).usedBy.sort()).toEqual([
    'First floating home, insured',
    'Liveaboard mortgage, insured',
  ])
  expect((await sheetNamed('residential-rates')).usedBy).toEqual([])
})

test('a new sheet is kept; its address cannot be taken twice; a stale save changes nothing', async () => {
  const sheet: RateSheet = {
    id: 'mooring-fees',
    name: 'Mooring fees',
    keys: [{ id: 'length', name: 'Length', unit: 'number', match: 'upTo' }],
    gives: 'money',
    versions: [{ from: '2026-01-01', rows: [{ keys: ['12'], value: '90.50' }] }],
  }
  expect(await save(sheet, 0)).toMatchObject({ status: 200, body: { revision: 1, usedBy: [] } })
  expect(await save(sheet, 0)).toMatchObject({ status: 409, body: { code: 'SHEET_TAKEN' } })
  expect((await save({ ...sheet, name: 'Fees' }, 1)).body.revision).toBe(2)
  expect(await save({ ...sheet, name: 'Late' }, 1)).toMatchObject({
    status: 409,
    body: { code: 'REVISION_STALE', current: { sheet: { name: 'Fees' } } },
  })
  expect(await save({ ...sheet, id: 'gone' }, 3)).toMatchObject({
    status: 404,
    body: { code: 'SHEET_UNKNOWN' },
  })
})

test.each<[string, Partial<RateSheet>, number, string]>([
  [
    'a row that is there twice',
    {
      versions: [
        {
          from: '2026-01-01',
          rows: [
            { keys: ['80'], value: '1' },
            { keys: ['80.0'], value: '2' },
          ],
        },
      ],
    },
    422,
    'version 2026-01-01, row 2, Loan to value: is there twice',
  ],
  [
    'a key that is no number',
    { versions: [{ from: '2026-01-01', rows: [{ keys: ['low'], value: '1' }] }] },
    422,
    'version 2026-01-01, row 1, Loan to value: is no number',
  ],
  [
    'a value that is no number',
    { versions: [{ from: '2026-01-01', rows: [{ keys: ['80'], value: 'x' }] }] },
    400,
    'versions.0.rows.0.value',
  ],
  ['a day that is none', { versions: [{ from: '2026-02-30', rows: [] }] }, 400, 'versions.0.from'],
])('%s is refused by row and column, and the sheet stays', async (_, change, status, words) => {
  const { sheet, revision } = await sheetNamed('insurance-premiums')
  const refused = await save({ ...sheet, ...change }, revision)
  expect(refused.status).toBe(status)
  expect(refused.body.sentence).toContain(words)
  expect((await sheetNamed('insurance-premiums')).sheet).toEqual(sheet)
})

test('a keeper reads sheets and cannot change them; nobody else gets in', async () => {
  const wren = await new TestClient(server.address).signIn('wren')
  const { sheet, revision } = await sheetNamed('residential-rates')
  expect((await wren.ask('GET', '/api/rate-sheets')).status).toBe(200)
  expect((await save(sheet, revision, wren)).status).toBe(403)
  expect((await new TestClient(server.address).ask('GET', '/api/rate-sheets')).status).toBe(401)
})

test('visitors see a changed rate from its day on, on every server process, without a new edition, and no coming one', async () => {
  const made = (
    await ines.ask<CalculatorOpened>('POST', '/api/calculators', {
      from: 'starter',
      starter: 'insured-purchase',
      title: 'Insured raft',
    })
  ).body
  await putLive(ines, odile, made)
  const other = await testServer({ databaseUrl: server.databaseUrl })
  const visitor = new TestClient(other.address)
  const path = `/api/public/calculators/${made.slug}`
  const premium = async () => {
    const { body } = await visitor.ask<EvaluateResponse>('POST', `${path}/evaluate`, { answers: {} })
    return body.readouts?.find(({ id }) => id === 'premiumFigure')?.figure
  }
  await expect.poll(premium).toBe('$15,066.00')
  const etag = (await visitor.ask('GET', path)).headers.get('etag')

  const { sheet, revision } = await sheetNamed('insurance-premiums')
  const [version] = sheet.versions
  const rows = (version?.rows ?? []).map((row) => (row.keys[0] === '90' ? { ...row, value: '3.50' } : row))
  const dearer = {
    ...sheet,
    versions: [
      { from: '2026-01-01', rows },
      { from: '2026-12-24', rows: rows.map((row) => ({ ...row, value: '9' })) },
    ],
  }
  expect((await save(dearer, revision)).status).toBe(200)
  // A draft changes nothing yet.
  expect(await premium()).toBe('$15,066.00')
  await approve(sheet.id, revision + 1)
  // 486,000 × 3.5 %.
  await expect.poll(premium).toBe('$17,010.00')
  const served = await visitor.ask<{ edition: number; sheets: RateSheet[] }>('GET', path)
  expect(served.body.edition).toBe(1)
  expect(served.headers.get('etag')).not.toBe(etag)
  expect(served.body.sheets.map(({ versions }) => versions.length)).toEqual([1])
  await other.close()
})

test('a draft is sent with a word, sent back with another, and approved by somebody who did not change it last', async () => {
  const { sheet, revision, state } = await sheetNamed('mooring-fees-by-length')
  expect(state).toBe('liveWithChanges')
  const sent = await act(sheet.id, 'send', { revision, note: 'a clearer name' })
  expect(sent.body).toMatchObject({ state: 'sent', sentBy: 'Ines Okafor', sentNote: 'a clearer name' })
  expect(await act(sheet.id, 'send-back', { revision, text: 'say “by basin”' }, odile)).toMatchObject({
    body: { state: 'liveWithChanges', sentBack: { by: 'Odile Marchetti', text: 'say “by basin”' } },
  })
  expect((await act(sheet.id, 'approve', { revision }, odile)).body.code).toBe('NOT_SENT_FOR_APPROVAL')
  const kofi = await new TestClient(server.address).signIn('kofi')
  const changed = await save({ ...sheet, name: 'Mooring fees by basin' }, revision, kofi)
  await act(sheet.id, 'send', { revision: changed.body.revision, note: '' })
  expect((await act(sheet.id, 'approve', { revision: changed.body.revision }, kofi)).body.code).toBe(
    'APPROVER_IS_LAST_EDITOR',
  )
  expect((await act(sheet.id, 'approve', { revision }, odile)).body.code).toBe('REVISION_STALE')
  const approved = await act(sheet.id, 'approve', { revision: changed.body.revision }, odile)
  expect(approved.body).toMatchObject({ state: 'live', live: { name: 'Mooring fees by basin' } })
  expect(approved.body.editions.map(({ number, approvedBy }) => [number, approvedBy])).toEqual([
    [2, 'Odile Marchetti'],
    [1, 'Odile Marchetti'],
  ])
  const first = await ines.ask<RateSheet>('GET', `/api/rate-sheets/${sheet.id}/editions/1`)
  expect(first.body.name).toBe('Mooring fees by length')
  expect((await act(sheet.id, 'send', { revision: changed.body.revision, note: '' })).body.code).toBe(
    'SHEET_UNCHANGED',
  )
})

test('what a change would do is said before: by how much payments move, and on which day', async () => {
  const { live } = await sheetNamed('insurance-premiums')
  if (!live) throw new Error('the sheet is in force')
  const [last] = live.versions.slice(-1)
  const rows = (last?.rows ?? []).map((row) => ({ ...row, value: String(Number(row.value) + 1) }))
  const coming = { ...live, versions: [...live.versions, { from: '2027-01-04', at: '09:00', rows }] }
  const { body } = await ines.ask<SheetImpactSaid>('POST', '/api/rate-sheets/impact', { sheet: coming })
  expect(body.changes).toHaveLength(4)
  expect(body.changes[0]).toEqual({
    start: '2027-01-04T09:00',
    keys: ['80'],
    before: last?.rows[0]?.value,
    after: String(Number(last?.rows[0]?.value) + 1),
  })
  const liveaboard = body.calculators.find(({ title }) => title.startsWith('Liveaboard'))
  expect(liveaboard?.samples[0]?.on).toBe('2027-01-04')
  const { before, after, difference } = liveaboard?.samples[0] ?? {}
  const cents = (text = '') => Math.round(Number(text.replace(/[^0-9.]/g, '')) * 100)
  expect(cents(after)).toBeGreaterThan(cents(before))
  expect(difference).toMatch(/^\+\$/)
  expect(cents(difference)).toBe(cents(after) - cents(before))
})

test.each([
  [
    'a gap between two keys',
    'insurance-by-credit',
    (rows: Rows) => rows.slice(1),
    'there is no row for 80 with excellent',
  ],
  [
    'a percentage above a hundred',
    'insurance-premiums',
    (rows: Rows) => rows.map((row) => ({ ...row, value: '280' })),
    '280 % cannot be meant',
  ],
  ['a version without rows', 'insurance-premiums', (): Rows => [], 'it has no rows'],
])('%s is stopped', async (_, id, change, words) => {
  const { sheet, revision } = await sheetNamed(id)
  const refused = await save(
    { ...sheet, versions: [{ from: '2026-01-01', rows: change(sheet.versions[0]?.rows ?? []) }] },
    revision,
  )
  expect(refused).toMatchObject({ status: 422, body: { code: 'SHEET_INVALID' } })
  expect(refused.body.sentence).toContain(words)
})
type Rows = RateSheet['versions'][number]['rows']

test('from the minute a version takes effect visitors have its figures, and an old edition opened later those of its day', async () => {
  let time = new Date(2026, 10, 25, 8, 59)
  const morning = await testServer({ now: () => time })
  const [author, approver] = [
    await new TestClient(morning.address).signIn('ines'),
    await new TestClient(morning.address).signIn('odile'),
  ]
  const all = (await author.ask<SheetListed[]>('GET', '/api/rate-sheets')).body
  const listed = all.find(({ sheet }) => sheet.id === 'insurance-premiums')
  if (!listed) throw new Error('no such sheet')
  const rows = (listed.sheet.versions[0]?.rows ?? []).map(({ keys }) => ({ keys, value: '5' }))
  const sheet = {
    ...listed.sheet,
    versions: [...listed.sheet.versions, { from: '2026-11-25', at: '09:00', rows }],
  }
  await author.ask('PUT', '/api/rate-sheets', { revision: listed.revision, sheet })
  await author.ask('POST', `/api/rate-sheets/${sheet.id}/send`, { revision: listed.revision + 1 })
  await approver.ask('POST', `/api/rate-sheets/${sheet.id}/approve`, { revision: listed.revision + 1 })
  const path = '/api/public/calculators/liveaboard-mortgage-insured'
  const served = async () =>
    (await author.ask<{ sheets: RateSheet[] }>('GET', path)).body.sheets[0]?.versions ?? []
  expect((await served()).map(({ from }) => from)).toEqual(['2026-01-01'])
  // A page that was opened before goes on saying what it says, in its files too.
  const kept = { answers: {}, language: 'en-CA', edition: 1, on: '2026-11-25', ratesFrom: '2026-01-01T00:00' }
  const calendar = async (shown: object) => {
    const { body } = await author.ask<string>('POST', `${path}/files/calendar`, shown)
    return /SUMMARY:(.*)/.exec(body)?.[1]
  }
  const early = await calendar(kept)
  time = new Date(2026, 10, 25, 9, 0)
  await expect.poll(async () => (await served()).map(({ at }) => at)).toEqual([undefined, '09:00'])

  expect(await calendar(kept)).toBe(early)
  expect(await calendar({ ...kept, ratesFrom: '2026-11-25T09:00' })).not.toBe(early)

  const { body: cards } = await author.ask<CalculatorOpened[]>('GET', '/api/calculators')
  const { id } = cards.find(({ slug }) => slug === 'liveaboard-mortgage-insured') ?? { id: '' }
  const seen = async (on: string) =>
    (await author.ask<{ sheets: RateSheet[] }>('GET', `/api/calculators/${id}/editions/1?on=${on}`)).body
      .sheets[0]?.versions.length
  expect(await seen('2026-11-24')).toBe(1)
  expect(await seen('2026-11-25')).toBe(2)
  await morning.close()
})
