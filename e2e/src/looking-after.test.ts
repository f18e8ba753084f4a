import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import type { Page } from 'puppeteer-core'
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
  useApplication,
} from './support/application'
import { brokenRules } from './support/axe'
import { confirm, putLive, sendForApproval, withStarter } from './support/desk'

const app = useApplication()

const cell = (page: Page, row: number, column: number) =>
  page.$eval(`input[data-cell="${row} ${column}"]`, (input) => (input as HTMLInputElement).value)
const paste = (page: Page, text: string) =>
  page.evaluate((block) => {
    const data = new DataTransfer()
    data.setData('text/plain', block)
    document.activeElement?.dispatchEvent(
      new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }),
    )
  }, text)

test('a rate sheet is edited by keyboard, a block is pasted and undone, what it would change is said, and it goes from approval to visitors', async () => {
  const ines = await app.deskAs('Ines', '/rate-sheets?sheet=insurance-premiums')
  await press(ines, 'input[data-cell="1 1"]')
  expect(await cell(ines, 1, 1)).toBe('2.80')
  await paste(ines, '3.00 %\r\n3.50 %\r\n4.50 %\r\n')
  expect([await cell(ines, 1, 1), await cell(ines, 2, 1), await cell(ines, 3, 1)]).toEqual([
    '3.00',
    '3.50',
    '4.50',
  ])
  await ines.keyboard.down('Control')
  await ines.keyboard.press('z')
  await ines.keyboard.up('Control')
  expect(await cell(ines, 2, 1)).toBe('3.10')
  await click(ines, 'Redo')
  expect(await cell(ines, 2, 1)).toBe('3.50')
  // The arrows walk the table, as the marks at the left say which figures are not in force.
  await press(ines, 'input[data-cell="1 1"]')
  await ines.keyboard.press('ArrowDown')
  expect(await ines.evaluate(() => document.activeElement?.getAttribute('data-cell'))).toBe('2 1')
  expect(await ines.$$('td.changed')).toHaveLength(3)

  await fill(ines, 'input[data-cell="2 1"]', '350')
  await expectText(ines, '.ant-alert', 'Row 3, value: lies outside 0 to 100 %')
  await fill(ines, 'input[data-cell="2 1"]', '3.5')
  await click(ines, 'What would it change?')
  await expectText(ines, '.impact', 'Liveaboard mortgage, insured')
  await expectText(ines, '.impact', '+$')
  expect(await brokenRules(ines)).toEqual([])
  await click(ines, 'Send for approval')
  await ines.waitForSelector('#sheet-note', { visible: true })
  await fill(ines, '#sheet-note', 'The insurer’s new year.')
  await click(ines, 'Send it', '.ant-modal')
  await expectText(ines, '.choose-list', 'waits for approval')

  const visitor = await app.visit(`${app.address}/c/liveaboard-mortgage-insured`)
  const before = await textOf(visitor, '.payment .figure')
  const odile = await app.deskAs('Odile', '/rate-sheets?sheet=insurance-premiums')
  await expectText(odile, '.words', 'Ines Okafor says: The insurer’s new year.')
  await click(odile, 'Put it in force')
  await expectText(odile, '.editions', 'Approved so far: 2')
  await eventually(
    async () => {
      await reload(visitor)
      return (await textOf(visitor, '.payment .figure')) !== before
    },
    () => `the visitor’s payment is still ${before}`,
  )
})

test('a house style shows on a real calculator while it is changed; colours too alike are named and not kept', async () => {
  const ines = await app.deskAs('Ines', '/house-styles')
  expect(await brokenRules(ines)).toEqual([])
  const frame = await (await ines.waitForSelector('iframe'))?.contentFrame()
  if (!frame) throw new Error('no preview')
  await frame.waitForSelector('.questions')
  await fill(ines, '[aria-label^="Softer text"]', '#c8ccc0')
  await ines.keyboard.press('Tab')
  await expectText(ines, '.ant-alert', '“Softer text” on “Behind the figures”')
  expect(await ines.$eval('.foot .ant-btn-primary', (button) => (button as HTMLButtonElement).disabled)).toBe(
    true,
  )
  await click(ines, 'Undo')
  await expectText(ines, '.sound', 'Every pair of colours')
  await fill(ines, '[aria-label^="Accent, as"]', '#7a2048')
  await ines.keyboard.press('Tab')
  await eventually(
    () => frame.evaluate(() => document.documentElement.style.getPropertyValue('--accent') === '#7a2048'),
    () => 'the preview does not wear it',
  )
  const ground = () => frame.evaluate(() => document.documentElement.style.getPropertyValue('--card'))
  const light = await ground()
  await press(ines, '.dark-too input')
  await eventually(
    async () => (await ground()) !== light,
    () => 'the preview stays light',
  )
  expect(await brokenRules(ines)).toEqual([])
  await click(ines, 'Save', '.foot')
  await expectText(ines, '.ant-message', 'Saved')
  await goTo(ines, `${app.desk}/`)
  await click(ines, 'Skipper training loan')
  await expectText(ines, '.state', 'changes')
})

test('an edition is approved for a time and waits in the ribbon; it can be kept back', async () => {
  const ines = await withStarter(app, 'mortgage-payment', 'Later loan')
  await sendForApproval(ines)
  await expectText(ines, '.state', 'Waiting for approval')
  const odile = await app.deskAs('Odile', ines.url().slice(app.desk.length))
  await putLive(odile, 1, { day: '2031-02-03', time: '09:00' })
  await expectText(odile, '.ribbon', '1 from Feb 3, 2031, 09:00')
  expect((await fetch(`${app.address}/c/later-loan`)).status).toBe(404)
  await click(odile, 'Keep edition 1 back')
  await eventually(
    async () => !(await textOf(odile, '.ribbon')).includes('2031'),
    () => 'it still waits',
  )
})

test('on a site that is not listed nothing is shown, the developer is told why, and the desk warns of it', async () => {
  const page = `<!doctype html><html lang="en-CA"><title>Elsewhere</title><link rel="icon" href="data:,"><body>
    <script async src="${app.address}/embed.js" data-calculator="floating-home-mortgage"></script></body></html>`
  const elsewhere = createServer((_req, res) => res.setHeader('content-type', 'text/html').end(page))
  await new Promise<void>((done) => elsewhere.listen(0, '127.0.0.1', done))
  const origin = `http://127.0.0.1:${(elsewhere.address() as AddressInfo).port}`
  const visitor = await app.visit('about:blank')
  const said: string[] = []
  visitor.removeAllListeners('console')
  visitor.on('console', (message) => said.push(message.text()))
  await goTo(visitor, `${origin}/finance`)
  await eventually(
    () => Promise.resolve(said.some((text) => text.includes('not among those that may show it'))),
    () => `the console says ${said.join()}`,
  )
  expect(await visitor.$('iframe')).toBeNull()
  // Nor by hand: the browser itself refuses the frame.
  await visitor.setContent(`<iframe src="${app.address}/c/floating-home-mortgage"></iframe>`)
  await eventually(
    () => Promise.resolve(said.some((text) => text.includes('frame-ancestors'))),
    () => `the browser says ${said.join()}`,
  )
  const framed = visitor.frames().filter((one) => one !== visitor.mainFrame())
  const shown = await Promise.all(framed.map((one) => one.$('.questions').catch(() => null)))
  expect(shown.every((questions) => questions === null)).toBe(true)
  elsewhere.close()

  await seenAt(origin)
  const wren = await app.deskAs('Wren', '/placements')
  await expectText(wren, '.strays', `${origin}/finance`)
  expect(await brokenRules(wren)).toEqual([])
})

test('a placement brings language and answers to the page that has its snippet, and is seen there', async () => {
  const visitor = await app.visit('about:blank')
  await goTo(visitor, `${app.lender}/placed/5a1c0d2e9b7f4a12`)
  const frame = await placedFrame(visitor)
  expect(await textOf(frame, 'h1')).toBe('Renouveler votre prêt d’amarrage')
  await seenAt('/placed/5a1c0d2e9b7f4a12')
  const wren = await app.deskAs('Wren', '/placements?calculator=renew-your-mooring-mortgage')
  await expectText(wren, '.ant-table-tbody', 'on http')
})

/** Waits until the server has kept that a snippet was seen there; it does so every few seconds. */
async function seenAt(place: string): Promise<void> {
  const cookie = await app.sessionOf('Wren')
  const listed = async () => (await fetch(`${app.address}/api/placements`, { headers: { cookie } })).text()
  await eventually(
    async () => (await listed()).includes(place),
    () => `nothing was seen at ${place}`,
  )
}

test('visitors are counted for the audience, and those who ask not to be followed never are', async () => {
  const cookie = await app.sessionOf('Wren')
  const day = new Date().toLocaleDateString('en-CA')
  const count = async () => {
    const query = `from=${day}&to=${day}&calculator=skipper-training-loan`
    const response = await fetch(`${app.address}/api/audience?${query}`, { headers: { cookie } })
    return ((await response.json()) as { total: Record<string, number> }).total
  }
  const before = await count()
  const quiet = await app.visit('about:blank')
  await quiet.evaluateOnNewDocument(() => Object.defineProperty(navigator, 'doNotTrack', { get: () => '1' }))
  const sent: string[] = []
  quiet.on('request', (request) => sent.push(request.url()))
  await goTo(quiet, `${app.address}/c/skipper-training-loan`)
  expect(sent.filter((url) => url.includes('audience'))).toEqual([])

  const visitor = await app.visit(`${app.address}/c/skipper-training-loan`)
  await fill(visitor, '[id^=answer-]', '20,000')
  await eventually(
    async () => {
      const now = await count()
      return now.opened === (before.opened ?? 0) + 1 && now.changed === (before.changed ?? 0) + 1
    },
    async () => `counted ${JSON.stringify(await count())} after ${JSON.stringify(before)}`,
  )
  const wren = await app.deskAs('Wren', '/audience')
  await wren.waitForSelector('.chart canvas')
  expect(await brokenRules(wren)).toEqual([])
  await choose(wren, '#audience-calculator', 'floating-home-mortgage')
  await expectText(wren, '.answers', 'Price of the floating home')
  expect(await brokenRules(wren)).toEqual([])
})

test('somebody is invited, comes in by their link with a password of their own, and is shown out again', async () => {
  const wren = await app.deskAs('Wren', '/people')
  expect(await brokenRules(wren)).toEqual([])
  await click(wren, 'Invite somebody')
  await fill(wren, '#person-name', 'Juno Eastvale')
  await fill(wren, '#person-email', 'juno@larkmoor.example')
  await click(wren, 'Send the link', '.ant-modal')
  // The link goes to the person: in the demo to a mail box that can be read there.
  let link = ''
  await eventually(
    async () => {
      const mail = await (await fetch(`${app.lender}/mail`)).text()
      link = /href="([^"]+#[^"]+)"/.exec(mail)?.[1] ?? ''
      return link !== ''
    },
    () => 'no link was sent',
  )
  expect(await textOf(wren, 'main')).not.toContain(link.split('#')[1])
  const juno = await app.visit(link)
  await expectText(juno, 'h1', 'Welcome, Juno Eastvale')
  expect(await brokenRules(juno)).toEqual([])
  await fill(juno, '#new-password', 'juno')
  await fill(juno, '#new-password-again', 'juno')
  await click(juno, 'Come in')
  await expectText(juno, '.ant-alert', 'fewer than 12 characters')
  await fill(juno, '#new-password', 'a boat called Thursday')
  await fill(juno, '#new-password-again', 'a boat called Thursday')
  await click(juno, 'Come in')
  await expectText(juno, '.who', 'Juno Eastvale, author')
  await goTo(juno, `${app.desk}/me`)
  await expectText(juno, 'li', 'Chrome on Linux')
  expect(await brokenRules(juno)).toEqual([])
  // What is not for an author is not offered to one.
  expect(await textOf(juno, 'nav')).not.toContain('People')

  await wren.waitForSelector('tr ::-p-text(Juno Eastvale)')
  await wren.evaluate(() => {
    const row = [...document.querySelectorAll('tbody tr')].find((one) => one.textContent?.includes('Juno'))
    ;[...(row?.querySelectorAll('button') ?? [])].at(-1)?.click()
  })
  await confirm(wren, 'Close it to them')
  await expectText(wren, 'tbody', 'gone')
  await goTo(juno, `${app.desk}/`)
  await juno.waitForSelector('#email')
})

test('another channel is tried at the desk, gets the same cents as the page, and a key is made for it', async () => {
  const wren = await app.deskAs('Wren', '/channels')
  await wren.waitForSelector('#channel-calculator')
  await choose(wren, '#channel-calculator', 'floating-home-mortgage')
  await click(wren, 'Ask for the figures')
  await expectText(wren, '#channel-answer', '"figure": "$907.59"')
  await wren.waitForSelector('.ant-btn-loading', { hidden: true })
  expect(await brokenRules(wren)).toEqual([])
  await fill(wren, '#channel-answers', '{"rate":')
  await expectText(wren, '.field-problem', 'no JSON yet')
  await click(wren, 'Make a key')
  await fill(wren, '#key-name', 'Kiosk')
  await press(wren, '#key-calculators [value=narrowboat-loan]')
  await wren.$eval('#key-end', (field) => {
    ;(field as HTMLInputElement).value = '2031-12-31'
    field.dispatchEvent(new Event('input'))
  })
  expect(await brokenRules(wren)).toEqual([])
  await click(wren, 'Make it', '.ant-modal')
  await wren.waitForSelector('#new-key')
  await expectText(wren, '.ant-table', 'only narrowboat-loan; until Dec 31, 2031')
  const key = await textOf(wren, '#new-key')
  const statusFor = async (slug: string) =>
    (
      await fetch(`${app.address}/api/public/calculators/${slug}/evaluate`, {
        method: 'POST',
        headers: { 'content-type': 'application/json', authorization: `Bearer ${key}` },
        body: '{"answers":{}}',
      })
    ).status
  expect(await statusFor('narrowboat-loan')).toBe(200)
  expect(await statusFor('floating-home-mortgage')).toBe(403)
})
