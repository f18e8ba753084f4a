import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import type { CalculatorFile, CalculatorOpened, EvaluateResponse } from '@vivid/contract'
import { starters } from '@vivid/core'
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

const make = (body: object) =>
  ines.ask<CalculatorOpened & { code: string; field: string }>('POST', '/api/calculators', body)

test.each(starters.map(({ id }) => id))(
  'the starter %s is made, sent, approved, and works live in both languages',
  async (starter) => {
    const { status, body: made } = await make({ from: 'starter', starter, title: `Try ${starter}` })
    expect(status).toBe(201)
    await putLive(ines, odile, made)
    const visitor = new TestClient(server.address)
    const ask = (language: string) =>
      visitor.ask<EvaluateResponse>('POST', `/api/public/calculators/${made.slug}/evaluate`, {
        answers: {},
        language,
      })
    await expect.poll(async () => (await ask('en-CA')).status).toBe(200)
    const [english, french] = [(await ask('en-CA')).body, (await ask('fr')).body]
    expect(english.problems).toEqual([])
    const sentences = ({ readouts }: EvaluateResponse) =>
      readouts.map(({ sentence }) => sentence).filter(Boolean)
    expect(sentences(french)).toHaveLength(sentences(english).length)
    expect(sentences(french)).not.toEqual(sentences(english))
    // The page says its language, and its title.
    const page = await visitor.ask<string>('GET', `/c/${made.slug}?lang=fr`)
    expect(page.body).toContain('lang="fr-CA"')
  },
)

test('an empty calculator is made, and says what it still needs', async () => {
  const { body: made } = await make({ from: 'empty', title: 'From nothing' })
  expect(made.document).toMatchObject({
    title: { 'en-CA': 'From nothing' },
    steps: [],
    lender: 'Larkmoor Mutual',
  })
  expect(
    await ines.ask('POST', `/api/calculators/${made.id}/send`, { revision: made.revision }),
  ).toMatchObject({
    status: 409,
    body: {
      code: 'DRAFT_HAS_PROBLEMS',
      sentence: 'The draft cannot go live yet: A calculator needs at least one question.',
    },
  })
})

test('a copy is a calculator of its own', async () => {
  const original = await ines.make('Original')
  const { body: copy } = await make({ from: 'copy', calculator: original.id, title: 'Its copy' })
  expect(copy.id).not.toBe(original.id)
  expect(copy.document).toEqual({ ...original.document, title: { 'en-CA': 'Its copy' } })
  expect(copy.editions).toEqual([])
})

describe('a calculator saved to a file', () => {
  test('is the same when it is loaded, here and in another installation that lacks its rate sheets', async () => {
    const { body: made } = await make({ from: 'starter', starter: 'insured-purchase', title: 'To and fro' })
    const { body: file } = await ines.ask<CalculatorFile>('GET', `/api/calculators/${made.id}/file`)
    expect(file.sheets.map(({ id }) => id)).toEqual(['insurance-premiums'])
    const here = await make({ from: 'file', file })
    expect(here.body.document).toEqual(made.document)
    expect(here.body.sheetsKept).toEqual(['Insurance premiums'])

    const elsewhere = await testServer()
    await elsewhere.database.query(
      'ALTER TABLE sheet_editions DISABLE TRIGGER ALL; DELETE FROM sheet_editions; DELETE FROM rate_sheets',
    )
    const rasmus = await new TestClient(elsewhere.address).signIn('rasmus')
    const there = await rasmus.ask<CalculatorOpened>('POST', '/api/calculators', {
      from: 'file',
      file,
      title: 'Fro',
    })
    expect(there.body.document).toEqual({ ...made.document, title: { 'en-CA': 'Fro' } })
    expect(there.body.sheetsKept).toBeUndefined()
    expect((await rasmus.ask<unknown[]>('GET', '/api/rate-sheets')).body).toHaveLength(1)
    // The sheet waits for an approver like any other, and the calculator with it.
    const send = () => rasmus.ask('POST', `/api/calculators/${there.body.id}/send`, { revision: 1 })
    expect((await send()).body.code).toBe('SHEET_NOT_APPROVED')
    const odile = await new TestClient(elsewhere.address).signIn('odile')
    await odile.ask('POST', '/api/rate-sheets/insurance-premiums/approve', { revision: 1 })
    expect((await send()).status).toBe(200)
    await elsewhere.close()
  })

  test('of the first version is brought up to this one', async () => {
    const { default: document } = await import('../../../../core/src/testing/document-version-1.json')
    const { status, body } = await make({
      from: 'file',
      file: { format: 'vivid-meter/calculator', document, sheets: [] },
    })
    expect(status).toBe(201)
    expect(body.document.version).toBe(2)
  })

  test.each<[string, unknown, string]>([
    ['is no calculator', { hello: 1 }, 'format'],
    ['is a list', [], 'the start'],
    [
      'has a step nobody knows',
      {
        format: 'vivid-meter/calculator',
        document: { ...starters[0]?.make(), steps: [{ kind: 'mood' }] },
        sheets: [],
      },
      'document.steps.0.kind',
    ],
    [
      'is of a version to come',
      { format: 'vivid-meter/calculator', document: { version: 9 }, sheets: [] },
      'document.version',
    ],
    [
      'has a broken sheet',
      { format: 'vivid-meter/calculator', document: starters[0]?.make(), sheets: [{ id: 'X' }] },
      'sheets.0.id',
    ],
  ])('that %s is refused with the place', async (_, file, where) => {
    const refused = await make({ from: 'file', file })
    expect(refused).toMatchObject({ status: 422, body: { code: 'FILE_UNREADABLE', field: where } })
  })

  test('of more than the limit is refused without being read', async () => {
    const refused = await make({ from: 'file', file: { document: 'x'.repeat(5_000_000) } })
    expect(refused).toMatchObject({ status: 413, body: { code: 'BODY_TOO_LARGE' } })
  })
})

test('an unknown starter and a missing original are told as such', async () => {
  expect(await make({ from: 'starter', starter: 'none', title: 'x' })).toMatchObject({
    status: 404,
    body: { code: 'STARTER_UNKNOWN' },
  })
  expect(
    await make({ from: 'copy', calculator: '00000000-0000-4000-8000-000000000000', title: 'x' }),
  ).toMatchObject({ status: 404, body: { code: 'CALCULATOR_UNKNOWN' } })
})

test('a proof that differs stops the draft from being sent, with the figures', async () => {
  const made = await ines.make('Proven')
  const [proof] = made.document.proofs
  const proofs = [{ ...proof, expected: [{ of: 'the loan.payment', figure: '1968.50', tolerance: '0.02' }] }]
  const { body: saved } = await ines.ask<CalculatorOpened>('PUT', `/api/calculators/${made.id}/draft`, {
    revision: made.revision,
    document: { ...made.document, proofs },
  })
  expect(
    await ines.ask('POST', `/api/calculators/${made.id}/send`, { revision: saved.revision }),
  ).toMatchObject({
    status: 409,
    body: {
      code: 'PROOFS_DIFFER',
      sentence:
        'The draft cannot be sent: the proof “monthly over 25 years” expects 1968.50 for “the loan.payment” and gets 1968.47.',
    },
  })
})

test('the JSON Schema of the document is published, and knows the parts of a calculator', async () => {
  const { status, body } = await ines.ask<{ title: string; properties: Record<string, unknown> }>(
    'GET',
    '/api/schemas/calculator.json',
  )
  expect(status).toBe(200)
  expect(body.title).toBe('Vivid Meter calculator document, version 2')
  expect(Object.keys(body.properties)).toEqual(
    expect.arrayContaining(['steps', 'languages', 'samples', 'proofs']),
  )
})
