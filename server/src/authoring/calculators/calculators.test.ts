import { afterAll, beforeAll, expect, test } from 'vitest'
import type { CalculatorCard, CalculatorOpened } from '@vivid/contract'
import { paragraphs } from '@vivid/core'
import { TestClient, testServer, type TestServer } from '../../testing/test-server'

let server: TestServer
let ines: TestClient
let rasmus: TestClient
beforeAll(async () => {
  server = await testServer()
  ines = await new TestClient(server.address).signIn('ines')
  rasmus = await new TestClient(server.address).signIn('rasmus')
})
afterAll(() => server.close())

test('the list shows each calculator with its state and the meter of its sample visitor', async () => {
  let cards: CalculatorCard[] = []
  // Figures are worked out elsewhere: a list waits for them a moment, and no longer.
  await expect
    .poll(async () => {
      cards = (await ines.ask<CalculatorCard[]>('GET', '/api/calculators')).body
      return cards.filter(({ meterWaits }) => meterWaits).length
    })
    .toBe(0)
  const states = Object.fromEntries(cards.map(({ slug, state }) => [slug, state]))
  expect(states).toMatchObject({
    'floating-home-mortgage': 'live',
    'narrowboat-loan': 'sent',
    'boathouse-mortgage': 'sent',
    'tidewater-teahouse-loan': 'draft',
    'winter-berth-purchase': 'takenDown',
  })
  const meter = cards.find(({ slug }) => slug === 'floating-home-mortgage')?.meter
  expect(meter).toMatchObject({ figure: '$907.59', every: 'biweekly' })
  expect(meter?.parts.reduce((sum, { amount }) => sum + amount, 0)).toBe(907_59)
  expect(cards.find(({ slug }) => slug === 'lock-keepers-cottage')?.meter).toBeNull()
})

test('two calculators of the same title get addresses of their own', async () => {
  const made = await Promise.all([ines.make('Éclusier’s Hut'), rasmus.make('Éclusier’s Hut')])
  expect(made.map(({ slug }) => slug).sort()).toEqual(['eclusier-s-hut', 'eclusier-s-hut-2'])
  expect(made[0]?.document.title).toEqual({ 'en-CA': 'Éclusier’s Hut' })
})

test('two of one title that is as long as an address may be, too', async () => {
  const made = await Promise.all([ines.make('x'.repeat(70)), rasmus.make('x'.repeat(70))])
  expect(made.map(({ slug }) => slug).sort()).toEqual(['x'.repeat(58) + '-2', 'x'.repeat(60)])
})

test('a saved draft is kept with its revision and whoever saved it', async () => {
  const { id, revision, document } = await ines.make()
  const changed = { ...document, introduction: { 'en-CA': paragraphs('Row, row, row.') } }
  const saved = await ines.ask<CalculatorOpened>('PUT', `/api/calculators/${id}/draft`, {
    revision,
    document: changed,
  })
  expect(saved).toMatchObject({ status: 200, body: { revision: revision + 1, lastEditedBy: 'Ines Okafor' } })
  expect((await rasmus.open(id)).document.introduction).toEqual({ 'en-CA': paragraphs('Row, row, row.') })
})

test('a write on a stale revision is refused with the draft as it stands, and changes nothing', async () => {
  const { id, revision, document } = await ines.make()
  await rasmus.ask('PUT', `/api/calculators/${id}/draft`, {
    revision,
    document: { ...document, lender: 'Theirs' },
  })
  const stale = await ines.ask<{ code: string; current: CalculatorOpened }>(
    'PUT',
    `/api/calculators/${id}/draft`,
    {
      revision,
      document: { ...document, lender: 'Mine' },
    },
  )
  expect(stale).toMatchObject({ status: 409, body: { code: 'REVISION_STALE' } })
  expect(stale.body.current).toMatchObject({
    revision: revision + 1,
    document: { lender: 'Theirs' },
    lastEditedBy: 'Rasmus Tey',
  })
  expect((await ines.open(id)).document.lender).toBe('Theirs')
})

test('of many writes on one revision exactly one wins', async () => {
  const { id, revision, document } = await ines.make()
  const writes = Array.from({ length: 8 }, (_, i) =>
    ines.ask('PUT', `/api/calculators/${id}/draft`, {
      revision,
      document: { ...document, lender: `Lender ${i}` },
    }),
  )
  const statuses = (await Promise.all(writes)).map(({ status }) => status).sort()
  expect(statuses).toEqual([200, 409, 409, 409, 409, 409, 409, 409])
})

test('a keeper may read and not edit; nobody else gets in', async () => {
  const wren = await new TestClient(server.address).signIn('wren')
  const { id, revision, document } = await ines.make()
  expect((await wren.open(id)).slug).toBeDefined()
  expect(await wren.ask('PUT', `/api/calculators/${id}/draft`, { revision, document })).toMatchObject({
    status: 403,
    body: {
      code: 'ROLE_NOT_ALLOWED',
      sentence: 'This takes the role of author or approver; yours is keeper.',
    },
  })
  expect(
    (
      await wren.ask('POST', '/api/calculators', {
        from: 'starter',
        starter: 'mortgage-payment',
        title: 'No',
      })
    ).status,
  ).toBe(403)
  expect((await new TestClient(server.address).ask('GET', `/api/calculators/${id}`)).status).toBe(401)
})

test.each<[string, (document: CalculatorOpened['document']) => unknown, string]>([
  ['an unknown field', (d) => ({ ...d, colour: 'red' }), 'document.colour'],
  ['a negative amount', (d) => withStep(d, { least: -1 }), 'document.steps.0.least'],
  ['text for an amount', (d) => withStep(d, { default: '412600' }), 'document.steps.0.default'],
  ['half a cent', (d) => withStep(d, { default: 0.5 }), 'document.steps.0.default'],
  ['an absurd amount', (d) => withStep(d, { most: 1e300 }), 'document.steps.0.most'],
  ['a label that is no text', (d) => withStep(d, { label: { 'en-CA': 7 } }), 'document.steps.0.label.en-CA'],
  [
    'a label in no language',
    (d) => withStep(d, { label: { english: 'x' } }),
    'document.steps.0.label.english',
  ],
  [
    'a link to a script',
    (d) => ({
      ...d,
      introduction: {
        'en-CA': {
          type: 'doc',
          content: [
            {
              type: 'paragraph',
              content: [
                {
                  type: 'text',
                  text: 'x',
                  marks: [{ type: 'link', attrs: { href: 'javascript:alert(1)' } }],
                },
              ],
            },
          ],
        },
      },
    }),
    'document.introduction.en-CA.content.0.content.0.marks.0.attrs.href',
  ],
  ['a step kind nobody knows', (d) => withStep(d, { asks: 'mood' }), 'document.steps.0.asks'],
  ['an unknown currency', (d) => ({ ...d, currency: 'XXX' }), 'document.currency'],
  ['a list for a document', () => [], 'document'],
])('a draft with %s is refused by field', async (_, spoil, field) => {
  const { id, revision, document } = await ines.make()
  const { status, body } = await ines.ask('PUT', `/api/calculators/${id}/draft`, {
    revision,
    document: spoil(document),
  })
  expect(status).toBe(400)
  expect(body).toMatchObject({ code: 'REQUEST_INVALID', field })
  expect(String(body.sentence)).toMatch(/\w/)
  expect((await ines.open(id)).revision).toBe(revision)
})

const withStep = ({ steps, ...rest }: CalculatorOpened['document'], fields: object) => ({
  ...rest,
  steps: steps.map((step, i) => (i === 0 ? { ...step, ...fields } : step)),
})

test('no list rests on whole drafts: one that cannot be read holds up only itself', async () => {
  const { id } = await ines.make('Unreadable loan')
  await server.database.query(`UPDATE calculators SET draft = draft - 'steps' WHERE id = :id`, {
    replacements: { id },
  })
  expect((await ines.ask('GET', `/api/calculators/${id}`)).status).toBe(500)
  for (const list of ['calculators', 'house-styles', 'placements', 'channels/calculators', 'rate-sheets'])
    expect([list, (await ines.ask('GET', `/api/${list}`)).status]).toEqual([list, 200])
  const month = '/api/audience?from=2026-11-01&to=2026-11-30'
  expect((await ines.ask('GET', month)).status).toBe(200)
  await server.database.query('DELETE FROM calculators WHERE id = :id', { replacements: { id } })
})
