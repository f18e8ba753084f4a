import { afterAll, beforeAll, expect, test } from 'vitest'
import type { CalculatorOpened, EvaluateResponse, SheetListed } from '@vivid/contract'
import type { RateSheet } from '@vivid/core'
import { TestClient, testServer, type TestServer } from '../testing/test-server'

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

test('the sheets are listed with what looks them up', async () => {
  expect((await sheetNamed('insurance-premiums')).usedBy).toEqual(['First floating home, insured'])
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
  for (const [who, action] of [
    [ines, 'send'],
    [odile, 'approve'],
  ] as const)
    expect(
      (await who.ask('POST', `/api/calculators/${made.id}/${action}`, { revision: made.revision })).status,
    ).toBe(200)
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
  // 486,000 × 3.5 %.
  await expect.poll(premium).toBe('$17,010.00')
  const served = await visitor.ask<{ edition: number; sheets: RateSheet[] }>('GET', path)
  expect(served.body.edition).toBe(1)
  expect(served.headers.get('etag')).not.toBe(etag)
  expect(served.body.sheets.map(({ versions }) => versions.length)).toEqual([1])
  await other.close()
})
