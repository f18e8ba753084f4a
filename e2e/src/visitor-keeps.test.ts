import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Page } from 'puppeteer-core'
import { afterAll, expect, test } from 'vitest'
import {
  choose,
  click,
  eventually,
  expectText,
  fill,
  goTo,
  press,
  reload,
  textOf,
  useApplication,
} from './support/application'
import { downloadsInto } from './support/downloads'

const app = useApplication()
const folder = mkdtempSync(join(tmpdir(), 'vivid-kept-'))
afterAll(() => rmSync(folder, { recursive: true, force: true }))

const open = async (query = '', slug = 'floating-home-mortgage') => {
  const page = await app.visit(`${app.address}/c/${slug}${query}`)
  await page.waitForSelector('.keeping')
  return page
}
const valueOf = (page: Page, id: string) => page.$eval(`#${id}`, (field) => (field as HTMLInputElement).value)
interface Evaluated {
  readonly edition: number
  readonly readouts: readonly { readonly id: string; readonly figure: string; readonly sentence: string }[]
}
const evaluated = async (slug: string, answers: object, language?: string): Promise<Evaluated> =>
  (await (
    await fetch(`${app.address}/api/public/calculators/${slug}/evaluate`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ answers, ...(language && { language }) }),
    })
  ).json()) as Evaluated

test('what if: an extra is tried, kept, and stands beside a rate and a payment; no answer is lost', async () => {
  const page = await open()
  await fill(page, '#answer-homePrice', '500000')
  await fill(page, '#whatIf-extra', '250')
  await expectText(page, '.what-if .says', 'sooner, $')
  await click(page, 'Keep it beside', '.what-if')
  await expectText(page, '.what-if table', '$250 extra each time')
  // What was kept stays in its field and its sentence; the next is tried with it or without.
  await expectText(page, '.what-if .says', 'sooner, $')
  expect(await valueOf(page, 'whatIf-extra')).toBe('$250')
  await fill(page, '#whatIf-rate', '5.2')
  await expectText(page, '.what-if .says', 'Each payment would be $')
  await page.keyboard.press('Enter')
  await expectText(page, '.what-if table', 'at 5.2%, $250 extra each time')
  expect(await valueOf(page, 'whatIf-rate')).toBe('5.2')
  await fill(page, '#whatIf-extra', '')
  await fill(page, '#whatIf-rate', '')
  await fill(page, '#whatIf-lumpSum', '20k')
  await expectText(page, '.what-if .try', '= $20,000')
  await choose(page, '#whatIf-when', '5')
  await click(page, 'Keep it beside', '.what-if')
  await fill(page, '#whatIf-lumpSum', '')
  await fill(page, '#whatIf-payment', '100')
  await expectText(page, '.what-if .says', 'So small a payment never repays the loan')
  await fill(page, '#whatIf-payment', '1500')
  await click(page, 'Keep it beside', '.what-if')
  const heads = () => page.$$eval('.what-if thead th', (all) => all.map((th) => th.textContent?.trim()))
  expect(await heads()).toEqual([
    'as it is',
    '$250 extra each time',
    'at 5.2%, $250 extra each time',
    '$20,000 after 5 years',
    'paying $1,500',
  ])
  await expectText(page, '.what-if', 'Four stand beside each other already')
  expect(await valueOf(page, 'answer-homePrice')).toBe('$500,000')
  await fill(page, '.kept li:nth-child(2) input', 'if rates rise')
  await expectText(page, '.what-if thead', 'if rates rise')

  // They follow the answers, and each column is the loan the ledger says it is.
  await page.click('#answer-rate', { clickCount: 3 })
  await page.keyboard.type('4')
  await eventually(
    async () =>
      (await textOf(page, '.what-if tbody tr:first-child td:nth-child(2)')) === (await headline(page)),
    () => 'the first column does not follow',
  )
  await click(page, 'Remove if rates rise', '.what-if')
  await eventually(
    async () => (await heads()).length === 4,
    () => 'the column stays',
  )
  // What had the focus is gone; the next has it.
  expect(await page.evaluate(() => document.activeElement?.textContent)).toBe('Remove $20,000 after 5 years')
})

test('a what-if never breaks the page: not all of the loan at once, and not a loan that shrinks under what was kept', async () => {
  const page = await open('?homePrice=400,000&downPayment=20%25')
  await fill(page, '#whatIf-lumpSum', '320000')
  await expectText(page, '.what-if .says', 'That pays everything off at once, and saves $')
  await click(page, 'Keep it beside', '.what-if')
  await fill(page, '#whatIf-lumpSum', '9000000')
  await expectText(page, '.what-if .says', 'That pays everything off at once')
  await choose(page, '#whatIf-when', '20')
  await fill(page, '#whatIf-lumpSum', '1000')
  await click(page, 'Keep it beside', '.what-if')
  await fill(page, '#answer-term', '5')
  await expectText(page, '.what-if .kept', 'The extra does not fit this loan')
  expect(await valueOf(page, 'whatIf-lumpSum')).toBe('$1,000')
  await fill(page, '#answer-downPayment', '100%')
  await eventually(
    async () => (await page.$('.what-if')) === null,
    () => 'a what-if of no loan is shown',
  )
  await fill(page, '#answer-downPayment', '20%')
  await expectText(page, '.what-if .kept', 'Remove $1,000 after 20 years')
  expect(await valueOf(page, 'whatIf-lumpSum')).toBe('$1,000')
})

/** Gives a page the clipboard, as a visitor's own browser does where they press. */
async function mayCopy(page: Page): Promise<void> {
  await page
    .browserContext()
    .overridePermissions(app.address, ['clipboard-read', 'clipboard-write', 'clipboard-sanitized-write'])
  await page.bringToFront()
}

test('where the browser does not let pages copy, the link is shown', async () => {
  const page = await open()
  await page.evaluate(() => Object.defineProperty(navigator, 'clipboard', { value: undefined }))
  await click(page, 'Copy a link to these figures', '.keeping')
  const link = await page.waitForSelector('.keeping input[readonly]')
  expect(await link?.evaluate((field) => (field as HTMLInputElement).value)).toContain('#kept=')
})

const headline = (page: Page) => textOf(page, '.payment .figure')

test('a link brings the same answers back, and says so where the figure is another one today', async () => {
  const page = await open()
  await fill(page, '#answer-homePrice', '455000')
  await mayCopy(page)
  await click(page, 'Copy a link to these figures', '.keeping')
  await expectText(page, '.said-of', 'The link is copied.')
  const address = await page.evaluate(() => navigator.clipboard.readText())
  expect(new URL(address).search).toBe('?lang=en-CA')
  const opened = await app.visit(address)
  expect(await valueOf(opened, 'answer-homePrice')).toBe('$455,000')
  expect(await headline(opened)).toBe(await headline(page))
  expect(await opened.$('.note')).toBeNull()

  const [before, hash = ''] = address.split('kept=')
  interface Sent {
    answers: Record<string, unknown>
    then: { headline: { money: number }; edition: number; on: string }
  }
  const changed = (change: (sent: Sent) => void) => {
    const sent = JSON.parse(Buffer.from(hash, 'base64url').toString()) as Sent
    change(sent)
    return `${before}kept=${Buffer.from(JSON.stringify(sent)).toString('base64url')}`
  }
  // Pasted into the page that is open.
  const paste = (link: string) => opened.evaluate((to) => void (location.href = to), link)
  await paste(changed(({ then }) => void (then.headline.money = 950_00)))
  await expectText(opened, '.note', 'the figure was $950.00; what you see here is as of today.')
  expect(await textOf(opened, '.note')).not.toMatch(/rates|calculator/)
  await paste(
    changed(({ then }) =>
      Object.assign(then, { headline: { unit: 'money', money: 1 }, edition: 1, on: '9999-99-99' }),
    ),
  )
  await expectText(opened, '.note', 'The calculator has been changed since.')
  await paste(changed(({ answers }) => Object.assign(answers, { rate: { much: 1 }, colour: 'red' })))
  await expectText(opened, '.results', 'Some of this link could not be read. These begin as usual: Rate')
  await expectText(opened, '.results', 'This link also answers what is not asked any more.')
  expect(await valueOf(opened, 'answer-homePrice')).toBe('$455,000')
  await paste(`${before}kept=nonsense`)
  await expectText(opened, '.results', 'This link could not be read.')
  expect(await valueOf(opened, 'answer-homePrice')).toBe('$412,600')
})

test('answers, and what was kept beside, are there again after a reload, in another language, and on the way back', async () => {
  const page = await open()
  await fill(page, '#answer-homePrice', '455000')
  await fill(page, '#answer-rate', 'lots')
  const rate = async () => valueOf(page, 'answer-rate')
  const carried = async () =>
    Buffer.from((await page.evaluate(() => location.hash)).split('=')[1] ?? '', 'base64url').toString()
  /** The address is written a moment after the last key. */
  const written = (text: string) => eventually(async () => (await carried()).includes(text), carried)
  const again = async () => {
    await page.waitForSelector('#answer-homePrice')
    expect((await valueOf(page, 'answer-homePrice')).replace(/\D/g, '')).toBe('455000')
  }
  await written('"lots"')
  await reload(page)
  await again()
  expect(await rate()).toBe('lots')
  await fill(page, '#answer-rate', '5')
  await fill(page, '#whatIf-extra', '250')
  await click(page, 'Keep it beside', '.what-if')
  await fill(page, '.kept input', 'the raise')
  await page.keyboard.press('Tab')
  await written('"the raise"')
  await click(page, 'Français')
  await expectText(page, '.what-if', 'Retirer the raise')
  await again()
  await goTo(page, `${app.lender}/`)
  await page.goBack()
  await expectText(page, '.what-if', 'Retirer the raise')
  await again()
  // Begun again it is as it was, and stays so.
  await click(page, 'Recommencer', '.questions')
  await written('41260000')
  await reload(page)
  await page.waitForSelector('#answer-homePrice')
  expect((await valueOf(page, 'answer-homePrice')).replace(/\D/g, '')).toBe('412600')
})

test('on paper stand the figures, the pictures and what was kept, and nothing that is pressed', async () => {
  const page = await open()
  await page.emulateMediaType('print')
  const seen = (selector: string) =>
    page.$$eval(selector, (all) => all.filter((one) => one.getClientRects().length > 0).length)
  expect([await seen('.what-if'), await seen('.picture svg')]).toEqual([0, 2])
  await page.emulateMediaType('screen')
  await fill(page, '#whatIf-extra', '250')
  await click(page, 'Keep it beside', '.what-if')
  await fill(page, '.kept input', 'the raise')
  await page.emulateMediaType('print')
  expect(await textOf(page, '.what-if thead')).toContain('the raise')
  expect([
    await seen('.what-if table'),
    await seen('.trying'),
    await seen('.kept'),
    await seen('.what-if button, .actions button'),
  ]).toEqual([1, 0, 0, 0])
})

test('a text that could be two amounts is asked about; until then the figures stay', async () => {
  const page = await open('?lang=fr-CA')
  const before = await headline(page)
  await fill(page, '#answer-homePrice', '450,000')
  await expectText(page, '.doubt', 'Que voulez-vous dire ?')
  expect(await headline(page)).toBe(before)
  await press(page, '.mean:last-of-type')
  expect((await valueOf(page, 'answer-homePrice')).replace(/\s/g, ' ')).toBe('450 000 $')
  expect(await headline(page)).not.toBe(before)
  await fill(page, '#answer-downPayment', '98.5k')
  await expectText(page, '.question .aside', '= 98 500 $')
})

test('files are saved with the page’s own figures', async () => {
  const page = await open('?homePrice=300,000&downPayment=20%25&rate=5&frequency=monthly')
  const save = await downloadsInto(page, folder)
  const saved = async (label: string): Promise<Buffer> =>
    readFileSync(await save(label, () => click(page, label, '.keeping')))
  const csv = (await saved('Schedule as CSV')).toString()
  const rows = csv.trimEnd().split('\r\n')
  expect(rows).toHaveLength(301)
  const payment = (await headline(page)).replace('$', '').replace(',', '')
  expect(rows[1]?.split(',')[2]).toBe(payment)
  expect(rows.at(-1)?.split(',').at(-1)).toBe('0.00')
  const calendar = (await saved('Payments for your calendar')).toString()
  expect(calendar).toContain(
    `SUMMARY:Loan payment $${Number(payment).toLocaleString('en-CA', { minimumFractionDigits: 2 }).replace(',', '\\,')}`,
  )
  expect((await saved('Everything as a PDF')).subarray(0, 5).toString()).toBe('%PDF-')
  expect((await saved('Schedule as a spreadsheet')).subarray(0, 2).toString()).toBe('PK')
})

test('figures are handed over to the lender’s people only with a name, a way to reach and consent', async () => {
  const page = await open('?homePrice=388,000')
  await click(page, 'Talk to us about this', '.keeping')
  await press(page, '.hand-over button[type=submit]')
  await expectText(page, '#hand-over-name-problem', 'Type your name')
  expect(await page.evaluate(() => document.activeElement?.id)).toBe('hand-over-name')
  await fill(page, '#hand-over-name', 'Wilf <b>Harrow</b>')
  await fill(page, '#hand-over-reach', 'wilf at home')
  await page.keyboard.press('Enter')
  await expectText(page, '#hand-over-reach-problem', 'Type an email address')
  await fill(page, '#hand-over-reach', '555-0199')
  await page.keyboard.press('Enter')
  await expectText(page, '#hand-over-consent-problem', 'without it nothing is sent')
  await page.click('#hand-over-consent')
  await press(page, '.hand-over button[type=submit]')
  await expectText(page, '.said-of', 'Sent. Larkmoor Mutual has your figures')
  expect(await page.$('.hand-over')).toBeNull()
  const figure = await headline(page)
  const people = await app.visit(`${app.lender}/hand-overs`)
  await eventually(
    async () => {
      await people.reload()
      return (await textOf(people, 'main')).includes('Wilf <b>Harrow</b>, 555-0199')
    },
    () => 'nothing arrived',
  )
  expect(await textOf(people, 'main')).toContain(figure)
  expect(await textOf(people, 'main')).toContain('Price of the floating home: $388,000')
})

test('what was typed stays where the server cannot be reached', async () => {
  const page = await open()
  await page.setOfflineMode(true)
  await click(page, 'Everything as a PDF', '.keeping')
  await expectText(page, '.said-of', 'The file could not be made')
  await click(page, 'Talk to us about this', '.keeping')
  await fill(page, '#hand-over-name', 'Edda Lorn')
  await fill(page, '#hand-over-reach', 'edda@example.org')
  await page.click('#hand-over-consent')
  await press(page, '.hand-over button[type=submit]')
  await expectText(page, '.hand-over .problem', 'It could not be sent.')
  expect(await valueOf(page, 'hand-over-name')).toBe('Edda Lorn')
  await page.setOfflineMode(false)
})

test('a figure is copied with one tap', async () => {
  const page = await open()
  await mayCopy(page)
  await page.click('.payment .copy')
  await expectText(page, '.copied', 'Copied')
  expect(await page.evaluate(() => navigator.clipboard.readText())).toBe(
    await headline(page).then((text) => text.replace(/ Copied$/, '')),
  )
})

test('a payment is found by its number, under its year or far down a long list', async () => {
  const page = await open()
  await fill(page, '#schedule-find', '651')
  await page.keyboard.press('Enter')
  await expectText(page, '#schedule-fault', 'This loan has payments 1 to 650.')
  await fill(page, '#schedule-find', '400')
  await page.keyboard.press('Enter')
  await page.waitForSelector('[data-payment="400"].found')
  expect(await page.evaluate(() => (document.activeElement as HTMLElement | null)?.dataset.payment)).toBe(
    '400',
  )

  const long = await open('?term=20&frequency=weekly', 'narrowboat-loan')
  const drawn = () => long.$$eval('[data-payment]', (rows) => rows.length)
  await long.$eval('.schedule', (schedule) => schedule.scrollIntoView({ behavior: 'instant' }))
  await eventually(
    async () => (await drawn()) > 10,
    async () => `${await drawn()} rows are drawn`,
  )
  expect(await drawn()).toBeLessThan(300)
  await fill(long, '#schedule-find', '1000')
  await long.keyboard.press('Enter')
  await long.waitForSelector('[data-payment="1000"].found')
  expect(await drawn()).toBeLessThan(600)
  expect(
    await long.$eval('[data-payment="1000"]', (row) => {
      const { top, bottom } = row.getBoundingClientRect()
      return top > 0 && bottom < window.innerHeight
    }),
  ).toBe(true)
})

test.each([
  [
    'floating-home-mortgage',
    { homePrice: 333_333_33, rate: '3.87', frequency: 'weekly' },
    '?homePrice=333,333.33&rate=3.87&frequency=weekly',
  ],
  ['renew-your-mooring-mortgage', {}, ''],
  ['what-floating-home-can-you-afford', {}, ''],
  ['skipper-training-loan', { grace: 7 }, '?grace=7'],
  ['marine-engine-loan', {}, ''],
  ['narrowboat-loan', {}, ''],
  ['backwater-houseboat-loan', {}, ''],
])('%s: page and server show the same figures', async (slug, answers, query) => {
  const page = await open(query, slug)
  const { readouts } = await evaluated(slug, answers)
  const text = (await textOf(page, '.results')).replace(/\s+/g, ' ')
  const shown = readouts.filter(({ figure }) => figure !== '')
  expect(shown.length).toBeGreaterThan(0)
  for (const { figure, sentence } of shown) {
    expect(text).toContain(figure.replace(/\s+/g, ' '))
    expect(text).toContain(sentence.replace(/\s+/g, ' ').trim())
  }
})
