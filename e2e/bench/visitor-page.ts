import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import type { Page } from 'puppeteer-core'
import { buildApplication } from '../../scripts/lib/build-application.mjs'
import { launchChromium } from '../../scripts/lib/chromium.mjs'
import { root } from '../../scripts/lib/project.mjs'
import { scratchServer } from '../../scripts/lib/scratch-server.mjs'

/**
 * What the visitor's page weighs, how soon it shows its largest part over a slow network, and how soon a keystroke is
 * painted on a slow processor. Printed, never asserted: a machine's own speed is in every figure but the sizes.
 */
const SLOW_NETWORK = { download: (1.6 * 1024 * 1024) / 8, upload: (0.75 * 1024 * 1024) / 8, latency: 150 }
const SLOWED = 4

await buildApplication()
const server = await scratchServer()
const browser = await launchChromium()
const rows: [what: string, figure: string, budget: string][] = []
try {
  for (const row of sizes()) rows.push(row)
  for (const slug of ['floating-home-mortgage', 'narrowboat-loan', 'which-offer-for-the-boat']) {
    const { first, largest, shifted, longest } = await opened(slug)
    rows.push([`first paint, ${slug}`, `${first.toFixed(0)} ms`, '1000 ms'])
    rows.push([`largest paint, ${slug}`, `${largest.toFixed(0)} ms`, ''])
    rows.push([`layout shift, ${slug}`, shifted.toFixed(4), '0.02'])
    rows.push([`longest task, ${slug}`, `${longest.toFixed(0)} ms`, '200 ms'])
  }
  for (const [slug, field] of [
    ['floating-home-mortgage', '#answer-homePrice'],
    ['floating-home-mortgage', '.what-if input'],
    ['narrowboat-loan', '#answer-homePrice'],
    ['which-offer-for-the-boat', '#answer-amount'],
    ['what-floating-home-can-you-afford', '#answer-income'],
  ] as const) {
    const { median, worst } = await keystroke(slug, field)
    rows.push([
      `keystroke to paint, ${slug} ${field.replace('#answer-', '')}`,
      `${median.toFixed(0)} ms, worst ${worst.toFixed(0)} ms`,
      '50 ms',
    ])
  }
} finally {
  await browser.close()
  await server.stop()
}
console.log(`\n${'the visitor’s page'.padEnd(60)}${'figure'.padStart(24)}   budget`)
for (const [what, figure, budget] of rows) console.log(`${what.padEnd(60)}${figure.padStart(24)}   ${budget}`)

function sizes(): [string, string, string][] {
  const dist = join(root, 'visitor/dist')
  const read = (name: string) => readFileSync(join(dist, name))
  const kb = (names: readonly string[]) =>
    `${(names.reduce((sum, name) => sum + read(`${name}.br`).length, 0) / 1024).toFixed(1)} KB`
  const page = read('index.html').toString()
  const first = [...page.matchAll(/(?:src|href)="\/visitor\/(assets\/[^"]+)"/g)].map(([, name = '']) => name)
  const all = readdirSync(join(dist, 'assets')).map((name) => `assets/${name}`)
  const named = (part: string) => all.filter((name) => name.includes(part) && name.endsWith('.js'))
  return [
    ['scripts and styles of the first load, as sent', kb(first), '70 KB'],
    ['placement script, as sent', kb(['embed.js']), '3 KB'],
    ['charts, when one is about to be seen, as sent', kb(named('draw-chart')), ''],
    ['another language, as sent', kb(named('french')), ''],
  ]
}

/** A first visit over a slow network with a slow processor: paints, layout shift, and the longest task, in milliseconds. */
async function opened(slug: string) {
  const page = await (await browser.createBrowserContext()).newPage()
  await page.setViewport({ width: 390, height: 844 })
  const session = await page.createCDPSession()
  await session.send('Network.enable')
  await session.send('Network.emulateNetworkConditions', {
    offline: false,
    latency: SLOW_NETWORK.latency,
    downloadThroughput: SLOW_NETWORK.download,
    uploadThroughput: SLOW_NETWORK.upload,
  })
  await session.send('Emulation.setCPUThrottlingRate', { rate: SLOWED })
  await page.goto(`${server.address}/c/${slug}`, { waitUntil: 'networkidle0' })
  const measured = await page.evaluate(async () => {
    const [paints, largest, shifts, tasks] = await Promise.all(
      ['paint', 'largest-contentful-paint', 'layout-shift', 'longtask'].map(
        (type) =>
          new Promise<{ startTime: number; duration: number; value?: number }[]>((done) => {
            new PerformanceObserver((list) => done(list.getEntries())).observe({ type, buffered: true })
            setTimeout(() => done([]), 500)
          }),
      ),
    )
    return {
      first: paints?.at(-1)?.startTime ?? 0,
      largest: largest?.at(-1)?.startTime ?? 0,
      shifted: (shifts ?? []).reduce((sum, { value = 0 }) => sum + value, 0),
      longest: Math.max(0, ...(tasks ?? []).map(({ duration }) => duration)),
    }
  })
  await page.close()
  return measured
}

/** From a key being pressed to the next frame on the screen, with the processor slowed. */
async function keystroke(slug: string, field: string): Promise<{ median: number; worst: number }> {
  const page: Page = await (await browser.createBrowserContext()).newPage()
  await page.setViewport({ width: 390, height: 844 })
  await page.goto(`${server.address}/c/${slug}`, { waitUntil: 'networkidle0' })
  const session = await page.createCDPSession()
  await session.send('Emulation.setCPUThrottlingRate', { rate: SLOWED })
  await page.evaluate((selector) => {
    const times: number[] = []
    Object.assign(window, { times })
    document.querySelector(selector)?.addEventListener(
      'input',
      ({ timeStamp }) => {
        requestAnimationFrame(() => {
          const { port1, port2 } = new MessageChannel()
          port1.onmessage = () => times.push(performance.now() - timeStamp)
          port2.postMessage(null)
        })
      },
      { capture: true },
    )
  }, field)
  await page.focus(field)
  await page.keyboard.press('End')
  for (let n = 0; n < 30; n++) {
    await page.keyboard.press(n % 2 === 0 ? 'Backspace' : '7')
    await new Promise((done) => setTimeout(done, 180))
  }
  const times = await page.evaluate(() => (window as unknown as { times: number[] }).times)
  await page.close()
  const sorted = times.sort((a, b) => a - b)
  return { median: sorted[Math.floor(sorted.length / 2)] ?? 0, worst: sorted.at(-1) ?? 0 }
}
