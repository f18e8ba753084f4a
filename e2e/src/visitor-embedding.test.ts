import type { Frame, Page } from 'puppeteer-core'
import { expect, test } from 'vitest'
import { eventually, expectText, fill, takenOver, textOf, useApplication } from './support/application'

const app = useApplication()

async function framesOf(page: Page): Promise<Frame[]> {
  const handles = await page.$$('iframe')
  const frames = await Promise.all(handles.map((handle) => handle.contentFrame()))
  for (const frame of frames) {
    await frame.waitForSelector('.payment .figure')
    await takenOver(frame)
  }
  return frames
}

test('several stand on one page, each with its own answers and language; the page hears what is done, and no more', async () => {
  const page = await app.visit(`${app.lender}/both`)
  const [first, second] = await framesOf(page)
  if (!first || !second) throw new Error('two calculators were placed')
  expect(await first.$eval('#answer-homePrice', (field) => (field as HTMLInputElement).value)).toBe(
    '$500,000',
  )
  expect(await textOf(second, 'h1')).toBe('Renouveler votre prêt d’amarrage')
  // The host speaks its own language: nobody chooses another inside its page.
  expect(await first.$('.languages')).toBeNull()
  await expectText(page, '#followed', 'vivid-meter:opened floating-home-mortgage en-CA.')
  await expectText(page, '#followed', 'vivid-meter:opened renew-your-mooring-mortgage fr-CA.')
  const details: unknown[] = []
  await page.exposeFunction('note', (detail: unknown) => details.push(detail))
  await page.evaluate(() => {
    const { note } = window as unknown as { note: (detail: unknown) => void }
    for (const event of ['changed', 'result'])
      document.addEventListener(`vivid-meter:${event}`, (e) => note((e as CustomEvent).detail))
  })
  await fill(first, '#answer-rate', '5.25')
  await expectText(page, '#followed', 'vivid-meter:result floating-home-mortgage')
  expect(details).toEqual(
    Array.from({ length: 2 }, () => ({
      calculator: 'floating-home-mortgage',
      edition: 3,
      language: 'en-CA',
    })),
  )
  const heights = () => page.$$eval('iframe', (all) => all.map((frame) => frame.clientHeight))
  const inside = () =>
    Promise.all(
      [first, second].map((frame) => frame.evaluate(() => document.body.getBoundingClientRect().height)),
    )
  // A frame far below draws nothing yet, and so says nothing.
  await page.$$eval('iframe', (all) => all.at(-1)?.scrollIntoView())
  await eventually(
    async () => {
      const [outer, inner] = [await heights(), await inside()]
      return outer.every((height, i) => Math.abs(height - (inner[i] ?? 0)) < 2)
    },
    async () => `frames ${(await heights()).join()} hold ${(await inside()).join()}`,
  )
})

test('room that was kept for a calculator is not given up while it loads', async () => {
  const page = await app.visit('about:blank')
  await page.evaluateOnNewDocument(() => {
    const seen: number[] = []
    Object.assign(window, { seen })
    new MutationObserver(() => {
      for (const frame of document.querySelectorAll('iframe')) seen.push(frame.clientHeight)
    }).observe(document, { subtree: true, childList: true, attributes: true })
  })
  await page.goto(`${app.lender}/both`)
  await framesOf(page)
  const seen = await page.evaluate(() => (window as unknown as { seen: number[] }).seen)
  expect(Math.min(...seen)).toBeGreaterThanOrEqual(900)
})

test('no cookie is set, and nothing is stored about a visitor', async () => {
  const page = await app.visit(`${app.lender}/`)
  const [frame] = await framesOf(page)
  if (!frame) throw new Error('no calculator was placed')
  await fill(frame, '#answer-rate', '5.25')
  const { cookies } = await (await page.createCDPSession()).send('Network.getAllCookies')
  expect(cookies).toEqual([])
  expect(await frame.evaluate(() => [localStorage.length, sessionStorage.length])).toEqual([0, 0])
})

test('without scripts the page says what it is, and how the lender is reached', async () => {
  const page = await app.visit('about:blank')
  await page.setJavaScriptEnabled(false)
  await page.goto(`${app.address}/c/floating-home-mortgage?lang=fr`)
  const text = await page.$eval('body', (body) => body.innerText)
  expect(text).toContain('a besoin de JavaScript')
  expect(text).toContain('Appelez le 555-0142')
})

test('a frame is titled by its calculator, and the result stays in sight in it while the page around it is scrolled', async () => {
  const page = await app.visit(`${app.lender}/`, { width: 400, height: 700 })
  const [frame] = await framesOf(page)
  if (!frame) throw new Error('no calculator was placed')
  await eventually(
    async () => (await page.$eval('iframe', ({ title }) => title)) === 'Floating home mortgage',
    () => page.$eval('iframe', ({ title }) => title),
  )
  // Where the bar stands on the screen: in its frame, and the frame on the page.
  const barAt = async () => {
    const outer = await page.$eval('iframe', (one) => one.getBoundingClientRect().top)
    return outer + (await frame.$eval('.summary', (bar) => bar.getBoundingClientRect().top))
  }
  await frame.$eval('#answer-rate', (field) => field.scrollIntoView({ block: 'center' }))
  await page.evaluate(() => window.scrollTo(0, 700))
  await eventually(
    async () => Math.abs(await barAt()) < 2,
    async () => `the bar stands at ${await barAt()}`,
  )
  // And goes no further than the questions it belongs to.
  await page.evaluate(() => window.scrollTo(0, 6000))
  await eventually(
    async () => (await barAt()) < -100,
    async () => `the bar stands at ${await barAt()}`,
  )
})
