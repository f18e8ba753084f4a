import { afterAll, beforeAll, expect, test } from 'vitest'
import type { CalculatorOpened, LiveCalculator, OwnWords, StyleListed } from '@vivid/contract'
import { pluralForms, shippedPhrases, type Phrases } from '@vivid/contract/own-words'
import { putLive } from '../../testing/put-live'
import { TestClient, testServer, type TestServer } from '../../testing/test-server'

let server: TestServer
let ines: TestClient
let odile: TestClient
let calculator: CalculatorOpened
/** A language nobody speaks but by its lender: each phrase is the English one behind a mark. */
let marked: Phrases
const MARK = '¤'
const inMarked = 'nl-NL'

beforeAll(async () => {
  server = await testServer()
  ines = await new TestClient(server.address).signIn('ines')
  odile = await new TestClient(server.address).signIn('odile')
  calculator = await ines.make('Loan in other words')
  const english = await shippedPhrases('en', pluralForms('nl'))
  marked = Object.fromEntries(Object.entries(english).map(([name, text]) => [name, `${MARK}${text}`]))
})
afterAll(() => server.close())

async function keep(words: OwnWords) {
  const { body } = await ines.ask<StyleListed[]>('GET', '/api/house-styles')
  const style = body.find(({ id }) => id === 'larkmoor')
  return ines.ask<StyleListed & { code: string; field: string; sentence: string }>(
    'PUT',
    '/api/house-styles',
    {
      id: 'larkmoor',
      name: style?.name,
      revision: style?.revision,
      choices: { ...style?.choices, words },
    },
  )
}
const speaking = async (languages: readonly string[]) => {
  const { document, revision } = await ines.open(calculator.id)
  await ines.ask('PUT', `/api/calculators/${calculator.id}/draft`, {
    revision,
    document: { ...document, languages },
  })
  calculator = await ines.open(calculator.id)
}

test.each<[string, string, string, string]>([
  ['a figure left out', 'page.from', 'at least', 'has to say {least}'],
  ['a phrase that is none', 'page.nothing', 'x', 'There is no phrase'],
  ['a phrase of nothing', 'page.yes', ' ', 'says nothing'],
  ['a figure of another', 'page.yes', 'Yes, {amount}', 'has no {amount}'],
  ['what every object has', 'constructor', 'x', 'There is no phrase'],
])('%s is refused, and nothing is kept', async (_, phrase, text, says) => {
  const { status, body } = await keep({ en: { [phrase]: text } })
  expect([status, body.code, body.field]).toEqual([422, 'WORDS_UNFIT', `choices.words.en.${phrase}`])
  expect(body.sentence).toContain(says)
})

test('a language with a phrase missing is not sent for approval, and one that is whole goes live', async () => {
  await speaking(['en-CA', inMarked])
  const send = () =>
    ines.ask<{ code: string; field: string; sentence: string }>(
      'POST',
      `/api/calculators/${calculator.id}/send`,
      {
        revision: calculator.revision,
      },
    )
  expect((await send()).body).toMatchObject({ code: 'LANGUAGE_NOT_FILLED', field: 'languages.1' })
  const { 'page.yes': _, ...others } = marked
  expect((await keep({ nl: others })).status).toBe(200)
  const lacking = (await send()).body
  expect([lacking.code, lacking.sentence]).toEqual([
    'LANGUAGE_NOT_FILLED',
    `The page cannot speak ${inMarked} yet; phrases without words: 1. Fill them under House styles, or take the language off.`,
  ])
  expect((await keep({ nl: marked, en: { 'page.results': 'What it comes to' } })).status).toBe(200)
  calculator = await putLive(ines, odile, calculator)
})

const answer = async (path: string, body?: object) => {
  const response = await fetch(`${server.address}${path}`, {
    method: body ? 'POST' : 'GET',
    headers: { 'content-type': 'application/json' },
    ...(body && { body: JSON.stringify(body) }),
  })
  return { status: response.status, text: await response.text() }
}

test('files and other channels speak it; an answer is refused in those words', async () => {
  const path = `/api/public/calculators/${calculator.slug}`
  await expect.poll(async () => (await answer(path)).status).toBe(200)
  const calendar = await answer(`${path}/files/calendar`, {
    answers: {},
    language: inMarked,
    edition: 1,
    on: '2026-11-25',
    beside: {},
  })
  expect([calendar.status, calendar.text.includes(`SUMMARY:${MARK}Loan payment`)]).toEqual([200, true])
  const evaluated = async (answers: object) => {
    const { text } = await answer(`${path}/evaluate`, { answers, language: inMarked })
    return JSON.parse(text) as { problems: { sentence: string }[]; conventions: string[] }
  }
  expect((await evaluated({ rate: 'much' })).problems[0]?.sentence).toContain(
    `${MARK}Type ${MARK}a percentage`,
  )
  const { conventions } = await evaluated({})
  expect(conventions.length).toBeGreaterThan(3)
  expect(conventions.filter((line) => !line.startsWith(MARK))).toEqual([])
})

test('an edition keeps the words it was made with; others make it out of date', async () => {
  const frozen = JSON.parse(
    (await answer(`/api/public/calculators/${calculator.slug}`)).text,
  ) as LiveCalculator
  expect(Object.keys(frozen.content.style.words ?? {}).sort()).toEqual(['en', 'nl'])
  await keep({ nl: marked, fr: { 'page.results': 'Votre prêt' }, en: { 'page.results': 'What it comes to' } })
  const state = async () =>
    (await ines.ask<CalculatorOpened>('GET', `/api/calculators/${calculator.id}`)).body.state
  expect(await state()).toBe('live')
  await keep({ nl: marked })
  expect(await state()).toBe('liveWithChanges')
})
