import { expect, test } from 'vitest'
import {
  choose,
  eventually,
  expectText,
  fill,
  goTo,
  placedFrame,
  takenOver,
  textOf,
  useApplication,
} from './support/application'

const app = useApplication()

/** A page whose scripts wait until they are let through, but for those that never come. */
async function openBeforeScripts(path: string, lost = /^$/) {
  const page = await app.visit('about:blank')
  await page.setRequestInterception(true)
  let letThrough = () => undefined as void
  const gate = new Promise<void>((open) => (letThrough = open))
  page.on('request', (request) => {
    if (lost.test(request.url())) void request.abort()
    else if (request.resourceType() === 'script') void gate.then(() => request.continue())
    else void request.continue()
  })
  await eventually(
    async () => (await (await fetch(`${app.address}${path}`)).text()).includes('data-drawn'),
    () => 'the page is sent without being drawn',
  )
  void page.goto(`${app.address}${path}`).catch(() => undefined)
  await page.waitForSelector('h1')
  return { page, letThrough }
}

test('title, questions and result stand there in the lender’s looks before any script has come', async () => {
  const page = await app.visit('about:blank')
  await page.setJavaScriptEnabled(false)
  // On a busy machine the first may be sent before it is drawn.
  await eventually(
    async () => {
      await page.goto(`${app.address}/c/floating-home-mortgage?lang=fr-CA`)
      return (await page.$('.payment .figure')) !== null
    },
    () => 'the page is sent without being drawn',
  )
  expect(await textOf(page, 'h1')).toBe('Hypothèque pour maison flottante')
  expect(await textOf(page, '.payment .figure')).toContain('907,59')
  const looks = await page.evaluate(() => [
    getComputedStyle(document.documentElement).getPropertyValue('--accent').trim(),
    document.querySelector<HTMLInputElement>('#answer-homePrice')?.value.replace(/\s/g, ' '),
    document.querySelectorAll('.question').length > 3,
    Number(document.querySelector('.meter .part')?.getBoundingClientRect().width) > 20,
  ])
  expect(looks).toEqual(['#5b2a86', '412 600 $', true, true])
})

/** A page that adds up how far what stands on it jumps, in parts of its view (Layout Instability, W3C). */
async function watchedPage() {
  const page = await app.visit('about:blank')
  await page.evaluateOnNewDocument(() => {
    const shifts: number[] = []
    Object.assign(window, { shifts })
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries()) shifts.push((entry as unknown as { value: number }).value)
    }).observe({ type: 'layout-shift', buffered: true })
    // The first heading that stands there is the one of the server, where that drew the page.
    new MutationObserver(() => {
      const heading = document.querySelector('h1')
      if (heading && !document.querySelector('[data-first]')) heading.dataset.first = 'true'
    }).observe(document, { childList: true, subtree: true })
  })
  return {
    page,
    async jumped() {
      const shifts = await page.evaluate(() => (window as unknown as { shifts: number[] }).shifts)
      return shifts.reduce((sum, shift) => sum + shift, 0)
    },
  }
}

test.each([
  ['floating-home-mortgage?lang=en-CA'],
  ['floating-home-mortgage?lang=fr-CA'],
  ['which-offer-for-the-boat'],
  ['what-floating-home-can-you-afford'],
  ['harbour-home-loan'],
  ['replace-your-boat-loan'],
  ['boathouse-rates-at-a-glance'],
  ['floating-home-mortgage?lang=en-CA&homePrice=500000'],
])('scripts take %s over as it stands, and nothing jumps', async (address) => {
  const { page, jumped } = await watchedPage()
  await goTo(page, `${app.address}/c/${address}`)
  expect(await page.$$eval('h1[data-first]', (all) => all.length)).toBe(1)
  expect(await jumped()).toBeLessThan(0.02)
})

// On a busy machine the first visitor may get a page that is not drawn yet.
test.each([['floating-home-mortgage'], ['which-offer-for-the-boat'], ['replace-your-boat-loan']])(
  'where the server did not draw %s in time, nothing jumps either',
  async (address) => {
    const { page, jumped } = await watchedPage()
    await page.setRequestInterception(true)
    page.on('request', (request) => {
      if (request.resourceType() !== 'document') return void request.continue()
      void fetch(request.url()).then(async (drawn) => {
        const html = await drawn.text()
        const [from, to] = [html.indexOf('<div id="app"'), html.indexOf('<script type="application/json"')]
        const body = `${html.slice(0, from)}<div id="app"></div>${html.slice(to)}`
        await request.respond({ contentType: 'text/html', body })
      })
    })
    await goTo(page, `${app.address}/c/${address}`)
    expect(await jumped()).toBeLessThan(0.02)
  },
)

test('what was typed and chosen before the scripts came is worked out then, and the cursor stays', async () => {
  const { page, letThrough } = await openBeforeScripts('/c/floating-home-mortgage')
  await page.$eval('#answer-homePrice', (field) => (field as HTMLInputElement).select())
  await page.keyboard.press('Backspace')
  await page.keyboard.type('500000')
  await choose(page, '#answer-frequency', 'monthly')
  await page.focus('#answer-rate')
  const before = await textOf(page, '.payment .figure')
  letThrough()
  await eventually(
    async () => (await textOf(page, '.payment .figure')) !== before,
    () => textOf(page, '.payment .figure'),
  )
  const typed = await page.evaluate(() => [
    document.querySelector<HTMLInputElement>('#answer-homePrice')?.value,
    document.querySelector<HTMLSelectElement>('#answer-frequency')?.value,
    document.activeElement?.id,
  ])
  expect(typed).toEqual(['$500,000', 'monthly', 'answer-rate'])
})

test.each([
  ['goes on with what was drawn', /^$/],
  ['is drawn anew, since words that were drawn do not come', /assets\/english-[^/]*\.js/],
])('whoever types on while a page %s loses no letter, whenever its scripts come', async (_, lost) => {
  for (const after of [0, 2, 4, 6]) {
    const { page, letThrough } = await openBeforeScripts('/c/floating-home-mortgage', lost)
    await page.$eval('#answer-homePrice', (field) => (field as HTMLInputElement).select())
    await page.keyboard.press('Backspace')
    const typed = [...'1234567']
    for (const [i, key] of typed.entries()) {
      if (i === after) letThrough()
      await page.keyboard.type(key)
      await new Promise((done) => setTimeout(done, 70))
    }
    await takenOver(page)
    await page.type('#whatIf-extra', '100')
    await expectText(page, '.payment .figure', '$2,')
    expect(await page.$eval('#answer-homePrice', (field) => (field as HTMLInputElement).value)).toBe(
      '$1,234,567',
    )
    await page.close()
  }
})

test('what is typed and pressed while one part after the other takes over is done too', async () => {
  const { page, letThrough } = await openBeforeScripts('/c/floating-home-mortgage')
  await page.evaluate(() => {
    // In the task after the page began to take over no part has had its turn.
    const { port1, port2 } = new MessageChannel()
    port1.onmessage = () => {
      const extra = document.querySelector<HTMLInputElement>('#whatIf-extra')
      if (extra) extra.value = '250'
      document.querySelector<HTMLElement>('.schedule .year button')?.click()
    }
    document.addEventListener('vivid-meter:taking-over', () => port2.postMessage(undefined))
  })
  letThrough()
  await takenOver(page)
  await expectText(page, '.what-if .says', 'sooner')
  expect(await page.$eval('.schedule .year button', (year) => year.getAttribute('aria-expanded'))).toBe(
    'true',
  )
})

test('what was pressed and opened before the scripts came is done then', async () => {
  const { page, letThrough } = await openBeforeScripts('/c/floating-home-mortgage')
  await page.click('.units button:first-child')
  await page.click('.schedule .year button')
  await page.$eval('.as-table', (table) => ((table as HTMLDetailsElement).open = true))
  await page.type('#whatIf-extra', '250')
  await page.keyboard.press('Enter')
  letThrough()
  await takenOver(page)
  await page.waitForSelector('.what-if table')
  await page.waitForSelector('.as-table td')
  expect(await page.$eval('.schedule .year button', (year) => year.getAttribute('aria-expanded'))).toBe(
    'true',
  )
  expect(await page.$eval('#answer-downPayment', (field) => (field as HTMLInputElement).value)).toBe(
    '$61,890',
  )
})

test('a page that begins with other answers shows none before they have come', async () => {
  const { page, letThrough } = await openBeforeScripts('/c/floating-home-mortgage?rate=6%25')
  const isSeen = () =>
    page.$eval('.payment .figure', (figure) => getComputedStyle(figure).visibility === 'visible')
  expect(await isSeen()).toBe(false)
  letThrough()
  await expectText(page, '.payment .figure', '$1,0')
  await eventually(isSeen, () => 'the figure stays hidden')
})

test('a page that is opened with somebody’s answers never shows those of others', async () => {
  const page = await app.visit(`${app.address}/c/floating-home-mortgage`)
  const seen: string[] = []
  await page.exposeFunction('note', (figure: string) => seen.push(figure))
  await page.$eval('#answer-rate', (field) => (field as HTMLInputElement).select())
  await page.keyboard.type('6')
  await expectText(page, '.payment .figure', '$1,0')
  await eventually(
    () => page.evaluate(() => location.hash.startsWith('#now=')),
    () => page.url(),
  )
  await page.evaluateOnNewDocument(() => {
    const look = () => {
      const figure = document.querySelector('.payment .figure')
      if (figure && getComputedStyle(figure).visibility === 'visible')
        void (window as unknown as { note: (figure: string) => void }).note(figure.textContent ?? '')
      requestAnimationFrame(look)
    }
    look()
  })
  await page.reload()
  await expectText(page, '.payment .figure', '$1,0')
  await eventually(
    async () => seen.length > 2,
    () => 'no figure was seen',
  )
  expect([...new Set(seen.map((figure) => figure.slice(0, 4)))]).toEqual(['$1,0'])
})

test('in a frame it is drawn without its own choice of languages', async () => {
  const page = await app.visit(`${app.lender}/`)
  const frame = await placedFrame(page)
  await frame.waitForSelector('.payment .figure')
  const drawn = await frame.evaluate(async () => {
    const here = await fetch(location.href)
    return [(await here.text()).includes('class="languages"'), document.querySelector('.languages') === null]
  })
  // Asked for by a script it is no frame's document: there languages are chosen.
  expect(drawn).toEqual([true, true])
})

test('a part that breaks says so, and leaves the rest of the page', async () => {
  const page = await app.visit('about:blank')
  await page.setRequestInterception(true)
  page.on('request', (request) => {
    if (!/AssumptionsResult-[^/]*\.js/.test(request.url())) return void request.continue()
    const body = 'export default { setup() { throw new Error("broken on purpose") } }'
    void request.respond({ contentType: 'text/javascript', body })
  })
  await page.goto(`${app.address}/c/floating-home-mortgage?rate=5`)
  await takenOver(page)
  await expectText(page, '.setback', 'This part cannot be shown just now')
  await fill(page, '#answer-homePrice', '500000')
  await expectText(page, '.payment .figure', '$1,139')
  expect(await page.$$eval('.schedule .year', (years) => years.length)).toBeGreaterThan(20)
})
