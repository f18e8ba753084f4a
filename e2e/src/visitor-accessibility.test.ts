import type { Page } from 'puppeteer-core'
import { describe, expect, test } from 'vitest'
import { click, eventually, expectText, fill, goTo, press, useApplication } from './support/application'
import { brokenRules } from './support/axe'

const app = useApplication()

const open = async (slug = 'floating-home-mortgage', query = '', viewport = { width: 1280, height: 800 }) => {
  const page = await app.visit(`${app.address}/c/${slug}${query}`, viewport)
  await page.waitForSelector('.results')
  return page
}
const focused = (page: Page) =>
  page.evaluate(() => {
    const { id, textContent, tagName } = document.activeElement ?? document.body
    return id || textContent?.trim() || tagName
  })
async function tabTo(page: Page, wanted: string, most = 60): Promise<void> {
  for (let n = 0; n < most; n++) {
    if ((await focused(page)) === wanted) return
    await page.keyboard.press('Tab')
  }
  throw new Error(`the keyboard does not reach ${wanted}; it is at ${await focused(page)}`)
}

describe('no rule of WCAG 2.2 AA is broken', () => {
  test.each([
    'floating-home-mortgage',
    'renew-your-mooring-mortgage',
    'what-floating-home-can-you-afford',
    'skipper-training-loan',
    'marine-engine-loan',
    'harbour-home-loan',
    'which-offer-for-the-boat',
    'boathouse-rates-at-a-glance',
    'replace-your-boat-loan',
    'winter-berth-purchase',
    'no-such-calculator',
  ])('on the page of %s', async (slug) => {
    const page = await app.visit(`${app.address}/c/${slug}`)
    await page.waitForSelector('.keeping, .notice')
    expect(await brokenRules(page)).toEqual([])
  })

  test('in every state of a page', async () => {
    const page = await open('floating-home-mortgage', '?lang=fr')
    await fill(page, '#whatIf-extra', '250')
    await page.keyboard.press('Enter')
    await page.waitForSelector('.what-if table')
    expect(['tried', await brokenRules(page)]).toEqual(['tried', []])
    await click(page, 'En parler avec nous', '.keeping')
    await press(page, '.hand-over button[type=submit]')
    await page.waitForSelector('#hand-over-name-problem')
    expect(['handing over', await brokenRules(page)]).toEqual(['handing over', []])
    await fill(page, '#schedule-find', '9999')
    await page.keyboard.press('Enter')
    await page.waitForSelector('#schedule-fault')
    expect(['not found', await brokenRules(page)]).toEqual(['not found', []])
    await fill(page, '#schedule-find', '12')
    await page.keyboard.press('Enter')
    await page.waitForSelector('.row.found')
    expect(['found', await brokenRules(page)]).toEqual(['found', []])
    await fill(page, '#answer-rate', 'x')
    await page.keyboard.press('Tab')
    await page.waitForSelector('.not-yet')
    expect(['wrong', await brokenRules(page)]).toEqual(['wrong', []])
  })
})

test('the keyboard alone answers, tries and keeps', async () => {
  const page = await open()
  await tabTo(page, 'answer-homePrice')
  await page.keyboard.type('500000')
  await page.keyboard.press('Tab')
  await page.keyboard.press('ArrowRight')
  expect(await page.$eval('#answer-homePrice', (field) => (field as HTMLInputElement).value)).toBe('$501,000')
  await tabTo(page, 'answer-frequency')
  await page.keyboard.press('ArrowUp')
  await tabTo(page, 'whatIf-extra')
  await page.keyboard.type('300')
  await page.keyboard.press('Enter')
  await page.waitForSelector('.what-if table')
  await tabTo(page, 'schedule-find')
  await page.keyboard.type('7')
  await page.keyboard.press('Enter')
  await page.waitForSelector('[data-payment="7"].found')
  await tabTo(page, 'Talk to us about this', 80)
  await page.keyboard.press('Enter')
  await eventually(
    async () => (await focused(page)) === 'hand-over-name',
    () => 'the form did not take the focus',
  )
})

test('a screen reader hears the result once somebody stops typing, and what is wrong', async () => {
  const page = await open()
  const said: string[] = []
  await page.exposeFunction('heard', (text: string) => said.push(text))
  await page.$eval('.calculator > [role=status]', (status) => {
    const { heard } = window as unknown as { heard: (text: string) => void }
    new MutationObserver(() => heard(status.textContent ?? '')).observe(status, {
      childList: true,
      characterData: true,
      subtree: true,
    })
  })
  await fill(page, '#answer-homePrice', '400000')
  await eventually(
    async () => said.length > 0,
    () => 'nothing was said',
  )
  expect(said).toHaveLength(1)
  expect(said[0]).toMatch(/^You would pay \$[\d.,]+ every two weeks\. 650 payments, the last of/)
  await fill(page, '#answer-homePrice', '5')
  await expectText(page, '.calculator > [role=status]', 'This can be no less than $60,000.')
})

test('what is pressed is at least 24 pixels wide and tall', async () => {
  const page = await open('floating-home-mortgage', '', { width: 390, height: 844 })
  await fill(page, '#whatIf-extra', '250')
  await page.keyboard.press('Enter')
  await click(page, 'Talk to us about this', '.keeping')
  await page.waitForSelector('.hand-over')
  const small = await page.evaluate(() =>
    [...document.querySelectorAll<HTMLElement>('button, a, input, select, textarea, summary')]
      .filter((one) => one.offsetParent !== null && getComputedStyle(one).display !== 'inline')
      .map((one) => ({ one, box: one.getBoundingClientRect() }))
      .filter(({ box }) => box.width > 0 && (box.width < 24 || box.height < 24))
      .map(({ one, box }) => `${one.outerHTML.slice(0, 80)} is ${box.width} × ${box.height}`),
  )
  expect(small).toEqual([])
})

test.each([
  'floating-home-mortgage',
  'which-offer-for-the-boat',
  'boathouse-rates-at-a-glance',
  'replace-your-boat-loan',
  'harbour-home-loan',
])('%s enlarged to 400 percent needs scrolling in one direction only, but for its tables', async (slug) => {
  const page = await open(slug, '', { width: 320, height: 256 })
  if (await page.$('#whatIf-extra')) {
    await fill(page, '#whatIf-extra', '250')
    await page.keyboard.press('Enter')
  }
  await page.evaluate(() => new Promise((done) => setTimeout(done, 300)))
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(320)
})

test('nothing moves for those who want it still, and colours of the system are taken over', async () => {
  const page = await open('renew-your-mooring-mortgage')
  const session = await page.createCDPSession()
  await session.send('Emulation.setEmulatedMedia', {
    features: [
      { name: 'prefers-reduced-motion', value: 'reduce' },
      { name: 'forced-colors', value: 'active' },
    ],
  })
  const styles = () =>
    page.evaluate(() => {
      const of = (selector: string) => getComputedStyle(document.querySelector(selector) ?? document.body)
      return {
        moves: of('.caret').transitionProperty,
        forced: matchMedia('(forced-colors: active)').matches,
        bar: of('.meter .part').getPropertyValue('forced-color-adjust'),
      }
    })
  // These rules come with the parts under the schedule, which arrive after the figures.
  await expect.poll(styles).toEqual({ moves: 'none', forced: true, bar: 'none' })
})

test('no field moves while what is typed in it cannot be an answer yet', async () => {
  const page = await app.visit(`${app.address}/c/floating-home-mortgage`, { width: 390, height: 844 })
  await page.waitForSelector('.summary strong')
  const top = () =>
    page.$eval('#answer-homePrice', (field) => field.getBoundingClientRect().top + window.scrollY)
  const isSummarySeen = () =>
    page.$eval('.summary span', (said) => getComputedStyle(said).visibility === 'visible')
  const before = await top()
  await fill(page, '#answer-homePrice', 'x')
  await expect.poll(isSummarySeen).toBe(false)
  expect(await top()).toBe(before)
  await fill(page, '#answer-homePrice', '400000')
  await expect.poll(isSummarySeen).toBe(true)
  expect(await top()).toBe(before)
})

test('nothing that has the focus lies hidden, on a very small screen either', async () => {
  for (const [width, height] of [
    [320, 256],
    [390, 664],
  ] as const) {
    const page = await app.visit(`${app.address}/c/floating-home-mortgage`, { width, height })
    await page.waitForSelector('.keeping')
    const hidden = new Set<string>()
    for (let presses = 0; presses < 45; presses++) {
      await page.keyboard.press('Tab')
      const name = await page.evaluate(() => {
        const element = document.activeElement
        if (!element || element === document.body) return ''
        const { left, top, width: wide, height: tall } = element.getBoundingClientRect()
        const points = [0.2, 0.5, 0.8].map((at) =>
          document.elementFromPoint(left + wide / 2, top + tall * at),
        )
        const isSeen = points.some(
          (one) =>
            one &&
            (element.contains(one) ||
              one.contains(element) ||
              one.closest('label, .choice')?.contains(element)),
        )
        return isSeen ? '' : element.id || element.className || element.tagName
      })
      if (name) hidden.add(name)
    }
    expect([width, [...hidden]]).toEqual([width, []])
  }
})

test('a payment that is looked for is found in ten of ten tries', async () => {
  const page = await app.visit(`${app.address}/c/floating-home-mortgage`, { width: 390, height: 664 })
  await page.waitForSelector('.finder')
  for (const number of [1, 650, 13, 333, 27, 649, 100, 500, 2, 411]) {
    await fill(page, '.finder .typed', String(number))
    await page.keyboard.press('Enter')
    await eventually(
      () =>
        page.evaluate((wanted) => {
          const row = document.querySelector(`[data-payment="${wanted}"]`)
          const { top = -1, bottom = 1e9 } = row?.getBoundingClientRect() ?? {}
          return document.activeElement === row && top > 0 && bottom < innerHeight
        }, number),
      () => `payment ${number} is not in sight`,
    )
    await page.evaluate(() => window.scrollTo(0, 0))
  }
})

test('whoever prefers dark pages gets the dark side of the house style, as easy to read', async () => {
  const page = await app.visit('about:blank', { width: 390, height: 844 })
  await page.emulateMediaFeatures([{ name: 'prefers-color-scheme', value: 'dark' }])
  await goTo(page, `${app.address}/c/floating-home-mortgage`)
  await page.waitForSelector('.keeping')
  const ground = () => page.$eval('body', (body) => getComputedStyle(body).backgroundColor)
  await eventually(
    async () => (await ground()).match(/\d+/g)?.every((part) => Number(part) < 60) ?? false,
    async () => `the ground is ${await ground()}`,
  )
  expect(await brokenRules(page)).toEqual([])
  await page.emulateMediaFeatures([{ name: 'prefers-color-scheme', value: 'light' }])
  await eventually(
    async () => (await ground()) === 'rgb(255, 255, 255)',
    async () => `the ground is ${await ground()}`,
  )
})

test('letters follow the size somebody has set in the browser', async () => {
  const page = await app.visit(`${app.address}/c/floating-home-mortgage`)
  await page.waitForSelector('.payment .figure')
  const sizes = () =>
    page.$$eval('h1, .payment .figure, .typed, .help, .sentence', (all) =>
      all.map((one) => parseFloat(getComputedStyle(one).fontSize)),
    )
  const before = await sizes()
  await page.evaluate(() => (document.documentElement.style.fontSize = '24px'))
  expect(await sizes()).toEqual(before.map((size) => size * 1.5))
})

test('what is cancelled gives the focus back to where it was opened', async () => {
  const page = await app.visit(`${app.address}/c/floating-home-mortgage`)
  await click(page, 'Talk to us about this', '.keeping')
  await click(page, 'Not now', '.keeping')
  expect(await page.evaluate(() => document.activeElement?.textContent?.trim())).toBe('Talk to us about this')
})

test('tables are drawn alike on every page, whatever else stands on it: amounts end under each other', async () => {
  for (const slug of ['which-offer-for-the-boat', 'boathouse-rates-at-a-glance', 'floating-home-mortgage']) {
    const page = await app.visit(`${app.address}/c/${slug}`)
    await page.waitForSelector('.results table .amount')
    const drawn = await page.$eval('.results table', (table) => ({
      collapsed: getComputedStyle(table).borderCollapse,
      amount: getComputedStyle(table.querySelector('td.amount') ?? table).textAlign,
      head: getComputedStyle(table.querySelector('tbody th') ?? table).textAlign,
    }))
    expect([slug, drawn]).toEqual([slug, { collapsed: 'collapse', amount: 'right', head: 'start' }])
  }
})
