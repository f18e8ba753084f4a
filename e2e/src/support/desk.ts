import type { Page } from 'puppeteer-core'
import { type Application, click, eventually, fill, press } from './application'

/** The desk with a calculator that was just made from a starter. */
export async function withStarter(
  app: Application,
  starter: string,
  title: string,
  person = 'Ines',
): Promise<Page> {
  const response = await fetch(`${app.address}/api/calculators`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', cookie: await app.sessionOf(person) },
    body: JSON.stringify({ from: 'starter', starter, title }),
  })
  const { id } = (await response.json()) as { id: string }
  const page = await app.deskAs(person, `/calculators/${id}`)
  await page.waitForSelector('.proofs')
  return page
}

/** The same on a page that is signed in already. */
export async function openStarter(
  app: Application,
  page: Page,
  starter: string,
  title: string,
): Promise<void> {
  const id = await page.evaluate(
    async (body) => {
      const made = await fetch('/api/calculators', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(body),
      })
      return ((await made.json()) as { id: string }).id
    },
    { from: 'starter', starter, title },
  )
  await page.goto(`${app.desk}/calculators/${id}`)
  await page.waitForSelector('.proofs')
}

/** The document as the server has it. */
export const storedDocument = (
  page: Page,
): Promise<{ steps: { id: string; name: string; kind: string }[]; proofs: unknown[] }> =>
  page.evaluate(async () => {
    const id = location.pathname.split('/').at(-1)
    return ((await (await fetch(`/api/calculators/${id}`)).json()) as { document: never }).document
  })

/** Opens a line of the tape and writes its formula anew. */
export async function writeFormula(page: Page, step: string, field: string, text: string): Promise<void> {
  if (!(await page.$(`#${step}-${field}`))) await press(page, `#line-${step}`)
  await fill(page, `#${step}-${field}`, text)
}

export const openLine = async (page: Page, step: string): Promise<void> => {
  await press(page, `#line-${step}`)
  await page.waitForSelector(`#editor-${step}`)
}

export const addWorking = async (page: Page, name: string, formula: string): Promise<void> => {
  await press(page, '[data-add=workings]')
  await press(page, '[data-kind=working]')
  await fill(page, '#working-name', name)
  await fill(page, '#working-formula', formula)
}

export const confirm = (page: Page, text: string): Promise<void> => click(page, text, '.ant-modal-confirm')

/** Closes the dialog that is open, and waits until it is out of the way. */
export async function closeDialog(page: Page): Promise<void> {
  await page.keyboard.press('Escape')
  await eventually(
    () =>
      page.$$eval('.ant-modal-wrap', (all) => all.every((wrap) => getComputedStyle(wrap).display === 'none')),
    () => 'the dialog did not close',
  )
}

/** Sends the open draft for approval, with a word for the approver. */
export async function sendForApproval(page: Page, note = ''): Promise<void> {
  await click(page, 'Send for approval')
  await page.waitForSelector('#send-note', { visible: true })
  if (note) await fill(page, '#send-note', note)
  await click(page, 'Send it', '.ant-modal')
  await page.waitForSelector('#send-note', { hidden: true })
}

/** Opens what waits for approval beside what is live. */
export async function readSent(page: Page, edition: number): Promise<void> {
  await click(page, `Read edition ${edition}`)
  await page.waitForSelector('.go-live .items')
}

/** Reads and ticks, and puts what waits for approval live, now or at a time; from the tape, or where it is read already. */
export async function putLive(
  page: Page,
  edition: number,
  at?: { day: string; time: string },
): Promise<void> {
  if (!(await page.$('.go-live'))) await readSent(page, edition)
  for (const tick of await page.$$('.go-live .ant-checkbox-input')) await tick.click()
  await click(page, `Put edition ${edition} live`, '.go-live')
  await page.waitForSelector('.ant-modal .ant-radio-group', { visible: true })
  if (at) {
    await click(page, 'at a time', '.ant-modal')
    for (const [selector, value] of [
      ['#live-day', at.day],
      ['#live-time', at.time],
    ] as const)
      await page.$eval(
        selector,
        (field, text) => {
          ;(field as HTMLInputElement).value = text
          field.dispatchEvent(new Event('input', { bubbles: true }))
        },
        value,
      )
  }
  await click(page, at ? 'Put it live then' : 'Put it live now', '.ant-modal')
}
