import { createHash } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import type { CalculatorOpened, EditionSeen, LiveCalculator } from '@vivid/contract'
import { paragraphs } from '@vivid/core'
import { demoChecklist } from '../../demo/demo-checklist'
import { putLive } from '../../testing/put-live'
import { TestClient, testServer, type TestServer } from '../../testing/test-server'

let server: TestServer
let ines: TestClient
let odile: TestClient
let kofi: TestClient
beforeAll(async () => {
  server = await testServer()
  ines = await new TestClient(server.address).signIn('ines')
  odile = await new TestClient(server.address).signIn('odile')
  kofi = await new TestClient(server.address).signIn('kofi')
})
afterAll(() => server.close())

const post = (who: TestClient, { id, revision }: CalculatorOpened, action: string) =>
  who.ask<CalculatorOpened & { code?: string }>('POST', `/api/calculators/${id}/${action}`, {
    revision,
    ...(action === 'approve' && { checked: demoChecklist }),
  })

const save = async (who: TestClient, calculator: CalculatorOpened, change: object) =>
  (
    await who.ask<CalculatorOpened>('PUT', `/api/calculators/${calculator.id}/draft`, {
      revision: calculator.revision,
      document: { ...calculator.document, ...change },
    })
  ).body

const published = async (slug: string) =>
  (
    await new TestClient(server.address).ask<LiveCalculator & { code?: string }>(
      'GET',
      `/api/public/calculators/${slug}`,
    )
  ).body

async function live(title: string): Promise<CalculatorOpened> {
  const made = await ines.make(title)
  return putLive(ines, odile, made)
}

test('sent, approved by another person, it is live as edition 1', async () => {
  const made = await ines.make('Raft mortgage')
  expect(await published(made.slug)).toMatchObject({ code: 'CALCULATOR_UNKNOWN' })
  expect((await post(ines, made, 'send')).body).toMatchObject({ state: 'sent', sentBy: 'Ines Okafor' })
  const approved = await post(odile, made, 'approve')
  expect(approved.body).toMatchObject({ state: 'live', liveEdition: 1 })
  expect(approved.body.editions[0]).toMatchObject({
    number: 1,
    approvedBy: 'Odile Marchetti',
    editedBy: 'Ines Okafor',
  })
  await expect.poll(async () => (await published(made.slug)).edition).toBe(1)
})

test('whoever changed it last cannot approve it, even as an approver; another approver can', async () => {
  const made = await save(odile, await ines.make('Coracle loan'), {
    introduction: { 'en-CA': paragraphs('Round.') },
  })
  await post(odile, made, 'send')
  expect(await post(odile, made, 'approve')).toMatchObject({
    status: 403,
    body: { code: 'APPROVER_IS_LAST_EDITOR' },
  })
  expect((await post(kofi, made, 'approve')).status).toBe(200)
})

test('authors and keepers cannot put anything live', async () => {
  const made = await ines.make('Skiff loan')
  await post(ines, made, 'send')
  const wren = await new TestClient(server.address).signIn('wren')
  for (const who of [ines, wren])
    expect(await post(who, made, 'approve')).toMatchObject({
      status: 403,
      body: { code: 'ROLE_NOT_ALLOWED' },
    })
})

test('a draft that was not sent, or changed since, cannot go live', async () => {
  const made = await ines.make('Barge loan')
  expect(await post(odile, made, 'approve')).toMatchObject({
    status: 409,
    body: { code: 'NOT_SENT_FOR_APPROVAL' },
  })
  await post(ines, made, 'send')
  const changed = await save(ines, made, { introduction: { 'en-CA': paragraphs('Changed after sending.') } })
  expect(changed.state).toBe('draft')
  expect(await post(odile, made, 'approve')).toMatchObject({ status: 409, body: { code: 'REVISION_STALE' } })
  expect(await post(odile, changed, 'approve')).toMatchObject({
    status: 409,
    body: { code: 'NOT_SENT_FOR_APPROVAL' },
  })
})

test('a draft with something to mend cannot be sent, and says what', async () => {
  const made = await ines.make('Leaky loan')
  const steps = made.document.steps.map((step) => (step.id === 'rate' ? { ...step, default: '99' } : step))
  const broken = await save(ines, made, { steps })
  expect(await post(ines, broken, 'send')).toMatchObject({
    status: 409,
    body: {
      code: 'DRAFT_HAS_PROBLEMS',
      field: 'rate',
      sentence: 'The draft cannot go live yet: rate: The default lies outside of what the question allows.',
    },
  })
})

test('a second edition does not change the first, and visitors see the first until the second is live', async () => {
  const first = await live('Ferry loan')
  await expect.poll(async () => (await published(first.slug)).edition).toBe(1)
  const before = await published(first.slug)
  const changed = await save(ines, first, { title: { 'en-CA': 'Ferry loan, renamed' } })
  expect(changed.state).toBe('liveWithChanges')
  expect(await published(first.slug)).toEqual(before)
  await post(ines, changed, 'send')
  expect(await published(first.slug)).toEqual(before)
  const second = (await post(kofi, changed, 'approve')).body
  await expect.poll(async () => (await published(first.slug)).edition).toBe(2)
  expect((await published(first.slug)).content.program.title).toEqual({ 'en-CA': 'Ferry loan, renamed' })
  const kept = second.editions.find(({ number }) => number === 1)
  expect(kept).toEqual(first.editions[0])
  await odile.ask('POST', `/api/calculators/${first.id}/editions/1/live`)
  await expect.poll(async () => (await published(first.slug)).edition).toBe(1)
  expect(await published(first.slug)).toEqual(before)
})

test('the address of an edition is the SHA-256 of its canonical JSON', async () => {
  const { slug } = await live('Hashed loan')
  await expect.poll(async () => (await published(slug)).edition).toBe(1)
  const { content, sha256 } = await published(slug)
  // RFC 8785 for what an edition holds: keys sorted, no white space, strings and whole numbers as JSON has them.
  const canonical = (value: unknown): string =>
    Array.isArray(value)
      ? `[${value.map(canonical).join(',')}]`
      : value !== null && typeof value === 'object'
        ? `{${Object.keys(value)
            .sort()
            .map((key) => `${JSON.stringify(key)}:${canonical((value as Record<string, unknown>)[key])}`)
            .join(',')}}`
        : JSON.stringify(value)
  expect(createHash('sha256').update(canonical(content)).digest('hex')).toBe(sha256)
})

test('the database itself refuses to change an edition, and to delete one that visitors had', async () => {
  await expect(server.database.query(`UPDATE editions SET content = '{}'`)).rejects.toThrow(
    'an edition never changes',
  )
  await expect(server.database.query('DELETE FROM editions')).rejects.toThrow('an edition visitors had stays')
})

test('taken down, visitors get a decent page; an approver puts the edition back', async () => {
  const calculator = await live('Lost loan')
  await expect.poll(async () => (await published(calculator.slug)).edition).toBe(1)
  const wren = await new TestClient(server.address).signIn('wren')
  expect((await ines.ask('POST', `/api/calculators/${calculator.id}/take-down`)).status).toBe(403)
  expect((await wren.ask('POST', `/api/calculators/${calculator.id}/take-down`)).body).toMatchObject({
    state: 'takenDown',
  })
  await expect.poll(async () => (await published(calculator.slug)).code).toBe('CALCULATOR_TAKEN_DOWN')
  const page = await new TestClient(server.address).ask<string>('GET', `/c/${calculator.slug}`)
  expect(page.status).toBe(200)
  expect(page.body).toContain('not offered at the moment')
  expect((await wren.ask('POST', `/api/calculators/${calculator.id}/take-down`)).status).toBe(404)
  expect((await kofi.ask('POST', `/api/calculators/${calculator.id}/editions/9/live`)).status).toBe(404)
  expect((await kofi.ask('POST', `/api/calculators/${calculator.id}/editions/1/live`)).body).toMatchObject({
    state: 'live',
  })
  await expect.poll(async () => (await published(calculator.slug)).edition).toBe(1)
})

test('an unchanged draft cannot be sent again', async () => {
  const calculator = await live('Same loan')
  expect(await post(ines, calculator, 'send')).toMatchObject({
    status: 409,
    body: { code: 'DRAFT_UNCHANGED' },
  })
})

test('two approvals at once make one edition', async () => {
  const made = await ines.make('Contested loan')
  await post(ines, made, 'send')
  const statuses = (await Promise.all([post(odile, made, 'approve'), post(kofi, made, 'approve')])).map(
    ({ status }) => status,
  )
  expect(statuses.sort()).toEqual([200, 409])
  expect((await ines.open(made.id)).editions).toHaveLength(1)
})

describe('what is said on the way', () => {
  const path = (id: string, rest: string) => `/api/calculators/${id}/${rest}`

  test('a note goes with a draft to the approver and into its edition', async () => {
    const { id, revision } = await ines.make('Noted')
    const sent = await ines.ask('POST', path(id, 'send'), { revision, note: '  Monday’s rate.  ' })
    expect(sent.body).toMatchObject({ state: 'sent', sentNote: 'Monday’s rate.', sentBack: null })
    const { body } = await odile.ask<CalculatorOpened>('POST', path(id, 'approve'), {
      revision,
      checked: demoChecklist,
    })
    expect(body).toMatchObject({ state: 'live', sentNote: '' })
    expect(body.editions[0]).toMatchObject({ number: 1, note: 'Monday’s rate.' })
  })

  test('a draft that is sent back keeps its remarks until it is sent again; only an approver sends back', async () => {
    const { id, revision } = await ines.make('Returned')
    const remarks = [
      { step: 'rate', text: 'Which rate?' },
      { step: null, text: 'A shorter title.' },
    ]
    const back = (client: TestClient, said: unknown = remarks) =>
      client.ask<CalculatorOpened & { code: string }>('POST', path(id, 'send-back'), {
        revision,
        remarks: said,
      })
    expect(await back(odile)).toMatchObject({ status: 409, body: { code: 'NOT_SENT_FOR_APPROVAL' } })
    await ines.ask('POST', path(id, 'send'), { revision })
    expect((await back(ines)).status).toBe(403)
    expect((await back(odile, [])).status).toBe(400)
    const { body } = await back(odile)
    expect(body).toMatchObject({ state: 'draft', sentBack: { by: 'Odile Marchetti', remarks } })
    expect((await odile.ask('POST', path(id, 'approve'), { revision, checked: demoChecklist })).status).toBe(
      409,
    )
    const again = await ines.ask('POST', path(id, 'send'), { revision })
    expect(again.body).toMatchObject({ state: 'sent', sentBack: null })
  })

  test('a message stands where a calculator was taken down, and nothing in it is HTML', async () => {
    const { id, revision, slug } = await ines.make('Gone for now')
    await ines.ask('POST', path(id, 'send'), { revision })
    await odile.ask('POST', path(id, 'approve'), { revision, checked: demoChecklist })
    await odile.ask('POST', path(id, 'take-down'), { message: 'Back in <b>May</b>.' })
    for (let n = 0; n < 40; n++) {
      const { body, status } = await ines.ask<string>('GET', `/c/${slug}`)
      if (body.includes('Back in &lt;b&gt;May&lt;/b&gt;.')) return expect(status).toBe(200)
      await new Promise((done) => setTimeout(done, 50))
    }
    throw new Error('the message was never shown')
  })

  test('an edition is seen as on a day, with the versions of its sheets that had begun', async () => {
    const cards = (await odile.ask<{ id: string; slug: string }[]>('GET', '/api/calculators')).body
    const id = cards.find(({ slug }) => slug === 'floating-home-mortgage')?.id ?? ''
    const seen = (number: number, query = '') =>
      odile.ask<EditionSeen & { code: string }>('GET', path(id, `editions/${number}${query}`))
    const first = (await seen(1)).body
    expect(first).toMatchObject({ number: 1, on: first.publishedAt.slice(0, 10) })
    const rate = first.program.steps.find(({ step }) => step.id === 'rate')?.step
    expect(rate).toMatchObject({ default: '5.09' })
    expect((await seen(1, '?on=2026-10-01')).body.on).toBe('2026-10-01')
    expect(await seen(99)).toMatchObject({ status: 404, body: { code: 'EDITION_UNKNOWN' } })
    expect((await seen(1, '?on=yesterday')).status).toBe(400)
  })
})
