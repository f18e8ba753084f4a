import type { Page } from 'puppeteer-core'
import { describe, expect, test } from 'vitest'
import {
  eventually,
  click,
  expectText,
  fill,
  goTo,
  placedFrame,
  press,
  takenOver,
  textOf,
  useApplication,
} from './support/application'

const app = useApplication()

const open = (query = '', viewport = { width: 1280, height: 800 }) =>
  app.visit(`${app.address}/c/floating-home-mortgage${query}`, viewport)
const valueOf = (page: Page, id: string) =>
  page.$eval(`#answer-${id}`, (field) => (field as HTMLInputElement).value)
const focused = (page: Page) => page.evaluate(() => document.activeElement?.id)

test('a wrong answer is pointed out in its place, gets the focus, and nothing typed is lost', async () => {
  const page = await open()
  await fill(page, '#answer-rate', '5.5')
  await fill(page, '#answer-homePrice', 'a lot')
  await page.keyboard.press('Enter')
  await expectText(page, '#answer-homePrice-problem', 'Type an amount, like $250,000.')
  expect(await focused(page)).toBe('answer-homePrice')
  expect(await valueOf(page, 'homePrice')).toBe('a lot')
  expect(await valueOf(page, 'rate')).toBe('5.5%')
  await expectText(page, '.not-yet', 'Your figures appear here once this is right:')
  await fill(page, '#answer-homePrice', '9000')
  await page.keyboard.press('Tab')
  await expectText(page, '#answer-homePrice-problem', 'This can be no less than $60,000.')
  await fill(page, '#answer-homePrice', '300k')
  await page.keyboard.press('Tab')
  await expectText(page, '.payment .figure', '$')
  expect(await valueOf(page, 'homePrice')).toBe('$300,000')
  expect(await page.$('.problem')).toBeNull()
})

test('a problem named among the results leads to its question', async () => {
  const page = await open()
  await fill(page, '#answer-term', '90 years')
  await press(page, '.not-yet button')
  await eventually(
    async () => (await focused(page)) === 'answer-term',
    () => 'the term did not get the focus',
  )
  await expectText(page, '#answer-term-problem', 'This can be no more than 30 years.')
})

test('numbers are grouped as they are typed, with the caret behind the same digit', async () => {
  const page = await open()
  await fill(page, '#answer-homePrice', '1234567')
  expect(await valueOf(page, 'homePrice')).toBe('1,234,567')
  await page.keyboard.press('Home')
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press('ArrowRight')
  await page.keyboard.type('9')
  expect(await valueOf(page, 'homePrice')).toBe('19,234,567')
  await page.keyboard.press('Backspace')
  expect(await valueOf(page, 'homePrice')).toBe('1,234,567')
})

test('the down payment goes between an amount and a percentage, and may be the whole price', async () => {
  const page = await open()
  await press(page, '.units button:first-child')
  expect(await valueOf(page, 'downPayment')).toBe('$61,890')
  await fill(page, '#answer-downPayment', '100%')
  await expectText(page, '.said .sentence', 'There is nothing to borrow')
  expect(await page.$('.payment')).toBeNull()
  expect(await page.$('.schedule')).toBeNull()
  await fill(page, '#answer-downPayment', '500,000')
  await page.keyboard.press('Tab')
  await expectText(
    page,
    '#answer-downPayment-problem',
    'This can be no more than the price itself, $412,600.',
  )
})

test('a zero rate works, and starting again brings the defaults back', async () => {
  const page = await open('?homePrice=300,000&downPayment=20%25&rate=0&frequency=monthly')
  // 240,000 over 300 months.
  expect(await textOf(page, '.payment .figure')).toBe('$800.00')
  expect(await textOf(page, '.result .figure')).toBe('$0.00')
  await press(page, '::-p-text(Start again)')
  await expectText(page, '.payment .figure', '$907.59')
  expect(await valueOf(page, 'homePrice')).toBe('$412,600')
})

test('a slider beside the exact entry moves it', async () => {
  const page = await open()
  await page.focus('.slider')
  await page.keyboard.press('ArrowRight')
  expect(await valueOf(page, 'homePrice')).toBe('$414,000')
})

test.each(['floating-home-mortgage', 'backwater-houseboat-loan', 'narrowboat-loan'])(
  '%s needs no sideways scrolling from 320 pixels up, with every year open',
  async (slug) => {
    const page = await app.visit(`${app.address}/c/${slug}`, { width: 320, height: 700 })
    for (const button of (await page.$$('.year button')).slice(0, 2)) await button.click()
    for (const width of [320, 390, 620, 768, 861, 1280]) {
      await page.setViewport({ width, height: 700 })
      const { scroll, cut } = await page.evaluate(() => ({
        scroll: document.documentElement.scrollWidth,
        cut: [...document.querySelectorAll('.schedule .scroll')].some(
          (e) => e.scrollWidth > e.clientWidth + 1,
        ),
      }))
      expect([width, scroll, cut]).toEqual([width, width, false])
    }
  },
)

test('groups follow the locale: lakh and crore', async () => {
  const page = await app.visit(`${app.address}/c/backwater-houseboat-loan`)
  expect(await valueOf(page, 'homePrice')).toBe('₹48,50,000')
  await fill(page, '#answer-homePrice', '12345678')
  expect(await valueOf(page, 'homePrice')).toBe('1,23,45,678')
})

test('only the calculator’s own frame is believed about its height', async () => {
  const page = await app.visit(`${app.lender}/`)
  await placedFrame(page)
  const height = () => page.$eval('iframe', (frame) => frame.clientHeight)
  // It stands at 900 pixels until it is told, and grows while parts of it still arrive.
  let before = 900
  await eventually(
    async () => {
      const now = await height()
      const rests = now !== 900 && now === before
      before = now
      await page.evaluate(() => new Promise((resolve) => setTimeout(resolve, 400)))
      return rests
    },
    () => 'the frame was never told its height, or never came to rest',
  )
  await page.evaluate(() => window.postMessage({ vividMeter: 'height', height: 5000 }, '*'))
  await page.evaluate(() => new Promise((resolve) => setTimeout(resolve, 200)))
  expect(await height()).toBe(before)
})

test('an unknown calculator gets a decent page too', async () => {
  const page = await app.visit(`${app.address}/c/no-such-thing`)
  expect(await textOf(page, '.notice h1')).toBe('There is no calculator at this address')
})

test('a word of the trade is explained where it stands, with the visitor’s own figures, and the lender’s words go before', async () => {
  const page = await app.visit(`${app.address}/c/floating-home-mortgage`)
  await click(page, 'compounds', '.assumptions')
  await expectText(page, '.assumptions .meaning', 'Here 4.64% comes to 4.69% in a year.')
  await fill(page, '#answer-rate', '6')
  await expectText(page, '.assumptions .meaning', 'Here 6% comes to 6.09% in a year.')
  await click(page, 'compounds', '.assumptions')
  expect(await textOf(page, '.assumptions .meaning')).toBe('')
  const renewal = await app.visit(`${app.address}/c/renew-your-mooring-mortgage?lang=fr`)
  await press(renewal, '.results button.word')
  await expectText(renewal, '.meaning', 'Les années pour lesquelles votre taux est convenu.')
  await expectText(renewal, '.next-steps', 'Gardez ces chiffres')
})

describe('a script that does not arrive', () => {
  const openWithout = async (name: RegExp, times: number) => {
    const page = await app.visit('about:blank')
    await page.setRequestInterception(true)
    let left = times
    page.on('request', (request) => {
      if (!name.test(request.url()) || left <= 0) return void request.continue()
      left--
      void request.abort()
    })
    await page.goto(`${app.address}/c/floating-home-mortgage?lang=fr`, { waitUntil: 'domcontentloaded' })
    return page
  }
  test.each([
    ['the page’s own', /assets\/index-[^/]*\.js/],
    ['what it is worked out with', /assets\/page-[^/]*\.js/],
    ['its language', /assets\/french-[^/]*\.js/],
  ])('%s is asked for again, and the page works', async (_, name) => {
    const page = await openWithout(name, 1)
    await eventually(
      async () => (await page.$('#not-started')) === null,
      () => 'no script has come',
    )
    await takenOver(page)
    await fill(page, '#answer-homePrice', '500000')
    await expectText(page, '.payment .figure', '099')
  })
  test('and never comes: that is said, with how the lender is reached', async () => {
    const page = await openWithout(/assets\/index-[^/]*\.js/, 1e9)
    await page.waitForSelector('#not-started:not([hidden])')
    const said = await page.$eval('#not-started', (notice) => notice.textContent)
    expect(said).toContain('n’a pas pu être chargé')
    expect(said).toContain('555-0142')
  })
  test('a browser without ways to count or to keep anything works figures out all the same', async () => {
    const page = await app.visit('about:blank')
    await page.evaluateOnNewDocument(() => {
      Object.defineProperty(navigator, 'sendBeacon', { value: undefined })
      for (const name of ['localStorage', 'sessionStorage', 'indexedDB'])
        Object.defineProperty(window, name, {
          get() {
            throw new DOMException('not here', 'SecurityError')
          },
        })
    })
    await goTo(page, `${app.address}/c/floating-home-mortgage`)
    await fill(page, '#answer-homePrice', '500000')
    await expectText(page, '.payment .figure', '$1,0')
  })
})
