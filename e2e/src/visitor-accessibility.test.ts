import type { Page } from 'puppeteer-core'
import { describe, expect, test } from 'vitest'
import { click, eventually, expectText, fill, press, useApplication } from './support/application'
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
    await page.waitForNetworkIdle()
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
  await expect.poll(styles, { timeout: 15_000 }).toEqual({ moves: 'none', forced: true, bar: 'none' })
})
