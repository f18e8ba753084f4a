import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import type { CalculatorOpened, EvaluateResponse } from '@vivid/contract'
import { amortize } from '@vivid/core'
import { putLive } from '../testing/put-live'
import { TestClient, testServer, type TestServer } from '../testing/test-server'

let server: TestServer
let visitor: TestClient
beforeAll(async () => {
  server = await testServer()
  visitor = new TestClient(server.address)
})
afterAll(() => server.close())

const SLUG = '/api/public/calculators/floating-home-mortgage'
const evaluate = (answers: unknown) =>
  visitor.ask<EvaluateResponse & { code: string; field: string }>('POST', `${SLUG}/evaluate`, { answers })

test('answers give the figures of the core, with every payment of the schedule', async () => {
  const { status, body } = await evaluate({
    homePrice: 500_000_00,
    downPayment: { money: 100_000_00 },
    term: { years: 20, months: 0 },
    rate: '5.2',
    frequency: 'monthly',
  })
  const ledger = amortize({
    principal: 400_000_00,
    annualRate: '5.2',
    compounding: 2,
    frequency: 'monthly',
    term: { years: 20 },
    firstPayment: '2026-12-25',
  })
  if (!ledger.ok) throw new Error(ledger.code)
  expect(status).toBe(200)
  const byId = (id: string) => body.readouts.find((readout) => readout.id === id)
  expect(byId('payment')).toMatchObject({
    value: { money: ledger.payment, every: 'monthly' },
    parts: [{ value: { money: ledger.at(1).principal } }, { value: { money: ledger.at(1).interest } }],
  })
  expect(byId('totalInterest')).toMatchObject({ value: { money: ledger.totals.interest } })
  expect(byId('endDate')).toMatchObject({ value: { date: '2046-11-25' }, sentence: 'After 240 payments.' })
  expect(byId('schedule')?.payments).toHaveLength(240)
  expect(byId('schedule')?.payments?.[17]).toEqual(ledger.at(18))
})

test('no answers at all give the figures of the defaults', async () => {
  expect((await evaluate({})).body.readouts[0]).toMatchObject({
    shows: 'figure',
    value: { money: 907_59 },
    figure: '$907.59',
  })
})

describe('borderline loans work', () => {
  test('a zero rate divides the loan evenly', async () => {
    const { body } = await evaluate({
      homePrice: 120_000_00,
      downPayment: { percent: '50' },
      rate: '0',
      term: { years: 5, months: 0 },
      frequency: 'monthly',
    })
    expect(body.readouts[0]).toMatchObject({
      value: { money: 1000_00 },
      parts: [{ value: { money: 1000_00 } }, { value: { money: 0 } }],
    })
  })
  test('a down payment of the whole price leaves nothing to borrow', async () => {
    const { status, body } = await evaluate({ homePrice: 120_000_00, downPayment: { money: 120_000_00 } })
    expect(status).toBe(200)
    expect(body.values.loan).toEqual({ unit: 'loan', principal: 0, payment: 0, count: 0 })
    expect(body.readouts.find(({ id }) => id === 'nothingToBorrow')?.sentence).toBe(
      'There is nothing to borrow: your down payment covers the whole price.',
    )
  })
  test('a loan of one payment repays it all', async () => {
    const ines = await new TestClient(server.address).signIn('ines')
    const odile = await new TestClient(server.address).signIn('odile')
    const made = await ines.make('Yearly loan')
    const steps = made.document.steps.map((step) =>
      step.id === 'frequency' ? { ...step, options: ['yearly'], default: 'yearly' } : step,
    )
    const { body: saved } = await ines.ask<CalculatorOpened>('PUT', `/api/calculators/${made.id}/draft`, {
      revision: made.revision,
      document: { ...made.document, steps, proofs: [] },
    })
    await putLive(ines, odile, saved)
    const ask = () =>
      visitor.ask<EvaluateResponse>('POST', `/api/public/calculators/${made.slug}/evaluate`, {
        answers: {
          homePrice: 100_000_00,
          downPayment: { percent: '50' },
          term: { years: 1, months: 0 },
          rate: '10',
        },
      })
    await expect.poll(async () => (await ask()).status).toBe(200)
    // Half-yearly compounding: 50,000 × 1.05².
    expect((await ask()).body.readouts[0]).toMatchObject({ value: { money: 55_125_00 } })
    expect((await ask()).body.values.loan).toMatchObject({ count: 1 })
  })
})

test.each<[string, Record<string, unknown>, string, string]>([
  ['an unknown field', { colour: 'red' }, 'answers.colour', 'ANSWER_UNKNOWN'],
  ['a field from the prototype', { constructor: 1 }, 'answers.constructor', 'ANSWER_UNKNOWN'],
  ['text for an amount', { homePrice: 'lots' }, 'answers.homePrice', 'ANSWER_UNREADABLE'],
  ['an amount with a fraction of a cent', { homePrice: 1.5 }, 'answers.homePrice', 'ANSWER_UNREADABLE'],
  ['a negative amount', { homePrice: -5 }, 'answers.homePrice', 'ANSWER_BELOW_LEAST'],
  ['an absurd amount', { homePrice: 1e300 }, 'answers.homePrice', 'ANSWER_UNREADABLE'],
  ['nothing where something is needed', { rate: null }, 'answers.rate', 'ANSWER_MISSING'],
  ['a number for a percentage', { rate: 4.64 }, 'answers.rate', 'ANSWER_UNREADABLE'],
  ['a rate of 464 %', { rate: '464' }, 'answers.rate', 'ANSWER_ABOVE_MOST'],
  ['a negative rate', { rate: '-1' }, 'answers.rate', 'ANSWER_BELOW_LEAST'],
  ['a down payment of 4 %', { downPayment: { percent: '4' } }, 'answers.downPayment', 'ANSWER_BELOW_LEAST'],
  [
    'a down payment above the price',
    { downPayment: { money: 900_000_00 } },
    'answers.downPayment',
    'SHARE_ABOVE_WHOLE',
  ],
  [
    'a down payment both ways',
    { downPayment: { money: 1, percent: '5' } },
    'answers.downPayment',
    'ANSWER_UNREADABLE',
  ],
  [
    'a term of thirteen months too many',
    { term: { years: 1, months: 13 } },
    'answers.term',
    'ANSWER_UNREADABLE',
  ],
  ['a term of a thousand years', { term: { years: 1000, months: 0 } }, 'answers.term', 'ANSWER_ABOVE_MOST'],
  ['a frequency that is not offered', { frequency: 'yearly' }, 'answers.frequency', 'ANSWER_NOT_AN_OPTION'],
  ['a list for a frequency', { frequency: ['monthly'] }, 'answers.frequency', 'ANSWER_UNREADABLE'],
])('%s is answered by code, field and sentence', async (_, answers, field, code) => {
  const { status, body } = await evaluate(answers)
  expect(status).toBe(422)
  expect(body).toMatchObject({ code: 'ANSWERS_INVALID', field, problems: [{ field, code }] })
  expect(body.problems[0]?.sentence).toMatch(/^[“A-Z].*\.$/)
})

test.each<[string, string, string, unknown, Record<string, string>, number, string]>([
  ['no answers', 'POST', `${SLUG}/evaluate`, {}, {}, 400, 'REQUEST_INVALID'],
  ['a list for a body', 'POST', `${SLUG}/evaluate`, [], {}, 400, 'REQUEST_INVALID'],
  [
    'an unknown field beside the answers',
    'POST',
    `${SLUG}/evaluate`,
    { answers: {}, more: 1 },
    {},
    400,
    'REQUEST_INVALID',
  ],
  [
    'an answer by a name that JavaScript has for itself',
    'POST',
    `${SLUG}/evaluate`,
    '{"answers":{"__proto__":5}}',
    {},
    400,
    'REQUEST_INVALID',
  ],
  ['broken JSON', 'POST', `${SLUG}/evaluate`, '{"answers":', {}, 400, 'BODY_UNREADABLE'],
  [
    'another content type',
    'POST',
    `${SLUG}/evaluate`,
    'a=b',
    { 'content-type': 'application/x-www-form-urlencoded' },
    415,
    'BODY_NOT_JSON',
  ],
  [
    'an unknown encoding',
    'POST',
    `${SLUG}/evaluate`,
    '{}',
    { 'content-encoding': 'rot13' },
    400,
    'BODY_UNREADABLE',
  ],
  [
    '10 MB',
    'POST',
    `${SLUG}/evaluate`,
    { answers: { homePrice: 'x'.repeat(10_000_000) } },
    {},
    413,
    'BODY_TOO_LARGE',
  ],
  [
    'an unknown slug',
    'GET',
    '/api/public/calculators/no-such-thing',
    undefined,
    {},
    404,
    'CALCULATOR_UNKNOWN',
  ],
  ['a slug that is no text', 'GET', '/api/public/calculators/%00%ff', undefined, {}, 404, 'ADDRESS_UNKNOWN'],
  [
    'a slug from the prototype',
    'GET',
    '/api/public/calculators/__proto__',
    undefined,
    {},
    404,
    'CALCULATOR_UNKNOWN',
  ],
  [
    'an unpublished calculator',
    'GET',
    '/api/public/calculators/boathouse-mortgage',
    undefined,
    {},
    404,
    'CALCULATOR_NOT_LIVE',
  ],
  [
    'one that was taken down',
    'GET',
    '/api/public/calculators/winter-berth-purchase',
    undefined,
    {},
    410,
    'CALCULATOR_TAKEN_DOWN',
  ],
  ['a wrong method', 'DELETE', SLUG, undefined, {}, 405, 'METHOD_NOT_ALLOWED'],
  ['a wrong method at the desk', 'PATCH', '/api/session', undefined, {}, 405, 'METHOD_NOT_ALLOWED'],
  ['an unknown address', 'GET', '/api/nowhere', undefined, {}, 404, 'ADDRESS_UNKNOWN'],
  [
    '10 MB at the sign-in',
    'POST',
    '/api/session',
    { email: 'x'.repeat(10_000_000), password: 'x' },
    {},
    413,
    'BODY_TOO_LARGE',
  ],
  [
    'a NUL in the e-mail',
    'POST',
    '/api/session',
    { email: 'a\u0000b', password: 'x' },
    {},
    400,
    'REQUEST_INVALID',
  ],
  [
    'half a character',
    'POST',
    '/api/session',
    '{"email":"\\ud800","password":"x"}',
    {},
    400,
    'REQUEST_INVALID',
  ],
  ['a number for an e-mail', 'POST', '/api/session', { email: 7, password: 'x' }, {}, 400, 'REQUEST_INVALID'],
])('%s gets a typed error', async (_, method, path, body, headers, status, code) => {
  const answer = await visitor.ask(method, path, body, headers)
  expect(answer).toMatchObject({ status, body: { code } })
  expect(answer.body.sentence).toMatch(/\.$/)
  expect(answer.body.requestId).toMatch(/^[0-9a-f-]{36}$/)
  expect(JSON.stringify(answer.body)).not.toMatch(/\bat .*\.(ts|js):\d|node_modules|SELECT/)
})

test('a live edition has an ETag, and the same is not sent twice', async () => {
  for (const path of [SLUG, '/c/floating-home-mortgage']) {
    const first = await visitor.ask('GET', path)
    const etag = first.headers.get('etag') ?? ''
    expect(etag).toMatch(/^"[0-9a-f]{32}-3-2026-11-25(-[0-9a-f]{8}-en-CA)?"$/)
    expect(
      (await visitor.ask('GET', path, undefined, { 'if-none-match': etag, 'cache-control': 'max-age=0' }))
        .status,
    ).toBe(304)
  }
})

test('the page carries the edition as data no text can break out of', async () => {
  const ines = await new TestClient(server.address).signIn('ines')
  const odile = await new TestClient(server.address).signIn('odile')
  const made = await ines.make('</script><script>alert(1)</script>')
  await putLive(ines, odile, made)
  await expect.poll(async () => (await visitor.ask('GET', `/c/${made.slug}`)).status).toBe(200)
  const { body, headers } = await visitor.ask<string>('GET', `/c/${made.slug}`)
  expect(body).not.toContain('<script>alert')
  expect(body.match(/<\/script>/g)).toHaveLength(1)
  expect(headers.get('content-security-policy')).toContain("script-src 'self'")
})

test('a change made through one server process reaches another', async () => {
  const other = await testServer({ databaseUrl: server.databaseUrl })
  const [ines, odile] = [
    await new TestClient(server.address).signIn('ines'),
    await new TestClient(server.address).signIn('odile'),
  ]
  const made = await ines.make('Shared loan')
  await putLive(ines, odile, made)
  const elsewhere = new TestClient(other.address)
  await expect
    .poll(async () => (await elsewhere.ask('GET', `/api/public/calculators/${made.slug}`)).status)
    .toBe(200)
  await other.close()
})

test('while the database is away visitors are served, the desk says what is wrong, and both recover', async () => {
  const lonely = await testServer()
  const client = await new TestClient(lonely.address).signIn('ines')
  const name = lonely.databaseUrl.split('/').at(-1) ?? ''
  const cut = `SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE datname = '${name}'`
  await server.database.query(`ALTER DATABASE ${name} WITH ALLOW_CONNECTIONS false`)
  await server.database.query(cut)
  const outside = new TestClient(lonely.address)
  expect((await outside.ask('POST', `${SLUG}/evaluate`, { answers: {} })).status).toBe(200)
  expect(await client.ask('GET', '/api/calculators')).toMatchObject({
    status: 503,
    body: { code: 'DATABASE_AWAY' },
  })
  await server.database.query(`ALTER DATABASE ${name} WITH ALLOW_CONNECTIONS true`)
  await expect.poll(async () => (await client.ask('GET', '/api/calculators')).status).toBe(200)
  await lonely.close()
})

test.each(['floating-home-mortgage', 'no-such-thing', 'winter-berth-purchase'])(
  'another site may read what is answered about %s, also where it is refused',
  async (slug) => {
    const { headers } = await new TestClient(server.address).ask('GET', `/api/public/calculators/${slug}`)
    expect(headers.get('access-control-allow-origin')).toBe('*')
    expect(headers.get('x-content-type-options')).toBe('nosniff')
  },
)
