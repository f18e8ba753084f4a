import type { Frame, Page } from 'puppeteer-core'
import { expect, test } from 'vitest'
import {
  choose,
  click,
  eventually,
  expectText,
  fill,
  goTo,
  placedFrame,
  press,
  reload,
  textOf,
  untilQuiet,
  useApplication,
} from './support/application'
import { brokenRules } from './support/axe'
import { putLive, readSent, sendForApproval, withStarter } from './support/desk'

const app = useApplication()

async function openAs(person: string, title: string): Promise<Page> {
  const page = await app.deskAs(person)
  await click(page, title)
  await page.waitForSelector('#line-homePrice')
  return page
}
const valueOf = (page: Page, selector: string) =>
  page.$eval(selector, (field) => ('value' in field ? String(field.value) : (field.textContent ?? '')))

test('two people changing different things at once both keep theirs', async () => {
  const [ines, rasmus] = [
    await openAs('Ines', 'Boathouse mortgage'),
    await openAs('Rasmus', 'Boathouse mortgage'),
  ]
  await press(ines, '#line-page')
  await fill(ines, '#page-introduction', 'From Ines.')
  await expectText(ines, '.note', 'Draft saved')
  await press(rasmus, '#line-rate')
  await fill(rasmus, '#rate-help', 'From Rasmus.')
  await expectText(rasmus, '.note', 'with what Ines Okafor changed meanwhile')
  await expectText(rasmus, '.note', 'Draft saved')
  await reload(ines)
  await press(ines, '#line-page')
  await press(ines, '#line-rate')
  await ines.waitForSelector('#rate-help')
  expect(await valueOf(ines, '#rate-help')).toBe('From Rasmus.')
  await press(ines, '#line-page')
  await ines.waitForSelector('#page-introduction')
  expect(await valueOf(ines, '#page-introduction')).toBe('From Ines.')
})

test('where two people changed the same thing, a person says which stays, and sees both', async () => {
  const [ines, rasmus] = [
    await openAs('Ines', 'Boathouse mortgage'),
    await openAs('Rasmus', 'Boathouse mortgage'),
  ]
  await press(ines, '#line-homePrice')
  await fill(ines, '#homePrice-label', 'Ines’s label')
  await expectText(ines, '.note', 'Draft saved')
  await press(rasmus, '#line-homePrice')
  await fill(rasmus, '#homePrice-label', 'Rasmus’s label')
  await expectText(rasmus, '.ant-modal', 'Ines Okafor changed the same fields')
  const offered = await textOf(rasmus, '.ant-modal')
  expect(offered).toContain('Mine: Rasmus’s label')
  expect(offered).toContain('Theirs: Ines’s label')
  await click(rasmus, 'Theirs: Ines', '.ant-modal')
  await click(rasmus, 'Keep these', '.ant-modal')
  await expectText(rasmus, '.note', 'Draft saved')
  expect(await valueOf(rasmus, '#homePrice-label')).toBe('Ines’s label')
})

test('what is typed without a connection is kept through a reload and saved when it is back', async () => {
  const page = await openAs('Ines', 'cottage')
  await press(page, '#line-page')
  await page.setOfflineMode(true)
  await fill(page, '#page-introduction', 'Typed offline.')
  await expectText(page, '.note', 'Not saved yet: The server cannot be reached.')
  await page.setOfflineMode(false)
  await reload(page)
  await press(page, '#line-page')
  await page.waitForSelector('#page-introduction')
  expect(await valueOf(page, '#page-introduction')).toBe('Typed offline.')
  await expectText(page, '.note', 'Draft saved')
})

test('what cannot be read stays as it was typed, says what would be right, and is not saved', async () => {
  const page = await openAs('Ines', 'Winter berth')
  await press(page, '#line-homePrice')
  const before = await textOf(page, '#line-homePrice .value')
  await fill(page, '#homePrice-default', 'about 70k or so')
  await page.keyboard.press('Tab')
  await expectText(page, '.field-problem', 'Type an amount, like 250,000.')
  expect(await valueOf(page, '#homePrice-default')).toBe('about 70k or so')
  expect(await textOf(page, '#line-homePrice .value')).toBe(before)
})

test('a default outside its range is a problem at its line and at the foot, and keeps the draft from being sent', async () => {
  const page = await openAs('Rasmus', 'cottage')
  await expectText(page, '.line-note.bad', 'The default lies outside of what the question allows.')
  await expectText(page, '.problems', '1 to mend')
  const send = () =>
    page.$eval('.actions .ant-btn-primary', (button) => (button as HTMLButtonElement).disabled)
  expect(await send()).toBe(true)
  await click(page, '1 to mend', '.problems')
  await eventually(
    async () => (await page.evaluate(() => document.activeElement?.id)) === 'rate-default',
    () => 'the list of problems did not jump to the very field',
  )
  await fill(page, '#rate-default', '5.4')
  // Nothing stops it any more; that a help text is not in French is only a question.
  await expectText(page, '.problems', '1 question')
  await expectText(page, '#line-rate .value', '5.4%')
  await eventually(
    async () => !(await send()),
    () => 'the draft cannot be sent',
  )
})

test('the tape is walked and opened by keyboard, and shows what a step uses and what uses it', async () => {
  const page = await openAs('Ines', 'Floating home mortgage')
  await page.focus('#line-homePrice')
  await expectText(page, '#line-downPayment', '↑ uses this')
  await expectText(page, '#line-loan', '↑ uses this')
  await page.keyboard.press('ArrowDown')
  await expectText(page, '#line-homePrice', '↓ used here')
  expect(await page.evaluate(() => document.activeElement?.id)).toBe('line-downPayment')
  await page.keyboard.press('Enter')
  await page.waitForSelector('#downPayment-label')
  await page.focus('#downPayment-label')
  await page.keyboard.press('Escape')
  await eventually(
    async () => (await page.evaluate(() => document.activeElement?.id)) === 'line-downPayment',
    () => 'Escape did not go back to the line',
  )
  expect(await page.$('#downPayment-label')).toBeNull()
})

test('the visitor’s view is set along its ruler, by keyboard and by its marks', async () => {
  const page = await openAs('Ines', 'Floating home mortgage')
  const preview = await placedFrame(page)
  const innerWidth = () => preview.evaluate(() => window.innerWidth)
  await page.focus('[role=slider]')
  await page.keyboard.press('PageUp')
  await eventually(
    async () => (await innerWidth()) === 768,
    () => 'the view is not 768 wide',
  )
  await click(page, '1280', '.marks')
  await eventually(
    async () => (await innerWidth()) === 1280,
    () => 'the view is not 1280 wide',
  )
  await page.focus('[role=slider]')
  await page.keyboard.press('ArrowLeft')
  await eventually(
    async () => (await innerWidth()) === 1270,
    () => 'the view is not 1270 wide',
  )
})

test('a keeper reads the tape and can change nothing but what is live', async () => {
  const page = await openAs('Wren', 'Narrowboat loan')
  const inert = await page.$eval('.tape-pane', (pane) => (pane as HTMLElement).inert)
  expect(inert).toBe(true)
  const bar = await textOf(page, '.bar')
  expect(bar).toContain('Take down')
  expect(bar).not.toMatch(/Send for approval|Put edition/)
})

test('a calculator is found by words and state, which are there again on the way back; a starter by what it answers', async () => {
  const page = await app.deskAs('Ines')
  const titles = () => page.$$eval('.card h2', (all) => all.map(({ textContent }) => textContent?.trim()))
  const all = (await titles()).length
  await fill(page, '[aria-label="Find a calculator"]', 'mortg')
  await press(page, '.filter:nth-child(3)')
  await eventually(
    async () => (await titles()).length === 3,
    async () => String(await titles()),
  )
  expect((await titles()).every((title) => title?.toLowerCase().includes('mortgage'))).toBe(true)
  await press(page, '.card')
  await page.waitForSelector('.proofs')
  await page.goBack()
  await page.waitForSelector('.card')
  expect((await titles()).length).toBe(3)
  await fill(page, '[aria-label="Find a calculator"]', 'no such thing')
  await expectText(page, '.none-found', `None of ${all} calculators fits.`)
  await click(page, 'Show all', '.none-found')
  await eventually(
    async () => (await titles()).length === all,
    () => 'not all are shown',
  )

  await click(page, 'New calculator')
  await fill(page, '[aria-label="Find a starter"]', 'insurance')
  await expectText(page, '.starters', 'insurance')
  const offered = await page.$$eval('.starter strong', (starters) => starters.map((one) => one.textContent))
  expect(offered).toContain('Monthly mortgage insurance by credit band')
  expect(offered).not.toContain('Extra payments')
  // Enter looks; it makes nothing.
  await page.keyboard.press('Enter')
  expect(new URL(page.url()).pathname).toMatch(/\/desk\/?$/)
})

test('calculators are moved to a folder, put away, and what visitors never had is removed for good', async () => {
  const page = await withStarter(app, 'personal-loan', 'Passing loan')
  await click(page, 'Calculators')
  await page.waitForSelector('.card')
  const titles = () => page.$$eval('.card h2', (all) => all.map(({ textContent }) => textContent?.trim()))
  const expectTitles = (expected: string[]) =>
    eventually(
      async () => String(await titles()) === String(expected),
      async () => String(await titles()),
    )
  const act = async (title: string) => {
    await press(page, `[aria-label="Move, put away or remove ${title}"]`)
    await page.waitForSelector('#card-folder', { visible: true })
  }
  await act('Passing loan')
  await fill(page, '#card-folder', 'By the way')
  await click(page, 'Move it', '.ant-modal')
  await expectText(page, '.folder-name', 'Boats and engines')
  await choose(page, '.folder', 'in By the way')
  await expectTitles(['Passing loan'])
  await act('Passing loan')
  await click(page, 'Put it away', '.ant-modal')
  await expectText(page, '.none-found', 'fits.')
  await press(page, '.filter:last-child')
  await expectTitles(['Passing loan'])
  await act('Passing loan')
  await click(page, 'Remove it for good …', '.ant-modal')
  await click(page, 'Remove it for good', '.ant-modal')
  await expectText(page, '.none-found', 'fits.')
  await click(page, 'Show all')
  expect(await titles()).not.toContain('Passing loan')
  await act('Floating home mortgage')
  await expectText(page, '.ant-modal', 'Visitors have it: taken down, it can be put away.')
  expect(await brokenRules(page)).toEqual([])
})

test('a starter is seen before it is chosen, and what is to be made one’s own ticks itself off', async () => {
  const page = await app.deskAs('Ines')
  await click(page, 'New calculator')
  const shown = async () => (await (await page.waitForSelector('.shown iframe'))?.contentFrame()) as Frame
  await expectText(await shown(), '.payment .figure', '$1,968.47')
  await expectText(page, '.shown', 'The rate compounds every half-year.')
  await fill(page, '[aria-label="Find a starter"]', 'income')
  await click(page, 'What can I afford?', '.starters')
  await expectText(await shown(), 'h1', 'What can I afford?')
  await expectText(page, '.shown', 'Currency and way of writing: CAD, as in Canadian English')
  await click(page, 'Make it', '.ant-modal')
  await expectText(page, '.yours', '0 of 5 done')
  await click(page, 'Currency and way of writing', '.yours')
  await page.waitForSelector('#page-currency')
  await press(page, '#line-page')
  await press(page, '[aria-label="Rates: right as it is"]')
  await expectText(page, '.yours', '1 of 5 done')
  await press(page, '#line-page')
  await fill(page, '#page-introduction', 'What our people can lend you.')
  await expectText(page, '.yours', '2 of 5 done')
  await expectText(page, '.note', 'Draft saved')
  await reload(page)
  await expectText(page, '.yours', '2 of 5 done')
  expect(await brokenRules(page)).toEqual([])
  await click(page, 'All of it is right')
  await page.waitForSelector('.yours', { hidden: true })
})

test('whoever is not signed in is asked to, and comes back to where they wanted to go', async () => {
  const page = await openAs('Ines', 'Floating home mortgage')
  const wanted = page.url()
  await click(page, 'Sign out')
  await page.waitForSelector('#email')
  await goTo(page, wanted)
  await fill(page, '#email', 'ines@larkmoor.example')
  await fill(page, '#password', 'wrong')
  await page.keyboard.press('Enter')
  await expectText(page, '.ant-alert', 'No one here has this e-mail address with this password.')
  expect(await valueOf(page, '#email')).toBe('ines@larkmoor.example')
  await fill(page, '#password', 'ebb-and-flow')
  await page.keyboard.press('Enter')
  await page.waitForSelector('#line-homePrice')
  expect(page.url()).toBe(wanted)
  // What is for others says so, and leads on; nothing of it is shown.
  for (const path of ['/people', '/people/archive']) {
    await goTo(page, `${app.desk}${path}`)
    await expectText(page, 'h1', 'This is for keepers')
    expect(await page.$$eval('main button, main table', (all) => all.length)).toBe(0)
  }
})

test('what could not be loaded is said, and nothing stands there as if it were empty', async () => {
  const page = await app.deskAs('Wren')
  await goTo(page, `${app.desk}/worksheet`)
  await expectText(page, 'h1', 'This is for authors and approvers')
  await page.setRequestInterception(true)
  page.on('request', (request) => {
    const { pathname } = new URL(request.url())
    if (!pathname.startsWith('/api/') || pathname === '/api/session') return void request.continue()
    void request.respond({ status: 500, contentType: 'application/json', body: '{}' })
  })
  const areas = [
    '/rate-sheets',
    '/house-styles',
    '/placements',
    '/audience',
    '/channels',
    '/record',
    '/people',
  ]
  for (const path of [...areas, '/me']) {
    await page.goto(`${app.desk}${path}`)
    await expectText(page, '[role=alert]', 'The server gave an answer that cannot be read.')
    expect([path, await page.$$eval('main button, main table, .ant-skeleton', (all) => all.length)]).toEqual([
      path,
      0,
    ])
  }
})

test('a session that ends while someone types loses nothing: after signing in again it is saved', async () => {
  const page = await openAs('Ines', 'cottage')
  await press(page, '#line-page')
  await page.waitForSelector('#page-introduction')
  // What is still asked for would be refused, and lead to the sign-in before anything is typed.
  await untilQuiet(page)
  await page.evaluate(() => fetch('/api/session', { method: 'DELETE' }))
  await fill(page, '#page-introduction', 'Typed after the session ended.')
  await page.waitForSelector('#email')
  await click(page, 'Ines Okafor')
  await press(page, 'button[type=submit]')
  await page.waitForSelector('#line-page')
  await press(page, '#line-page')
  await page.waitForSelector('#page-introduction')
  expect(await valueOf(page, '#page-introduction')).toBe('Typed after the session ended.')
  await expectText(page, '.note', 'Draft saved')
})

test('an approver who looks at an outdated draft is shown how it stands now, and nothing goes live', async () => {
  const [ines, odile] = [
    await openAs('Ines', 'Tidewater teahouse loan'),
    await openAs('Odile', 'Tidewater teahouse loan'),
  ]
  await sendForApproval(ines)
  await expectText(ines, '.state', 'Waiting for approval')
  await reload(odile)
  await readSent(odile, 1)
  await press(ines, '#line-page')
  await fill(ines, '#page-title', 'Tidewater teahouse loan, corrected')
  await expectText(ines, '.note', 'Draft saved')
  await putLive(odile, 1)
  await expectText(odile, '.go-live .ant-alert', 'Someone else changed this')
  expect(await odile.$$('.go-live .ant-checkbox-checked')).toEqual([])
  await expectText(odile, 'h1', 'Tidewater teahouse loan, corrected')
  await expectText(odile, '.state', 'Draft')
})
