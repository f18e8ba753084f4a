import { afterAll, afterEach, beforeAll, inject } from 'vitest'
import puppeteer, {
  type Browser,
  type BrowserContext,
  type ElementHandle,
  type Frame,
  type Page,
} from 'puppeteer-core'
import { scratchServer } from '../../../scripts/lib/scratch-server.mjs'
import { takeSeat, type Seat, type TakenSeat } from './seats'

export interface Application {
  /** Address of the desk, of the server, and of the made-up lender's website. */
  readonly desk: string
  readonly address: string
  readonly lender: string
  readonly databaseUrl: string
  /** A new person's browser: cookies and storage of their own. */
  visit(url: string, viewport?: { width: number; height: number }): Promise<Page>
  /** The desk, signed in as one of the demo people: all calculators, or the page at a path of it. */
  deskAs(firstName: string, path?: string): Promise<Page>
  /** The session of one of them, as a cookie. */
  sessionOf(firstName: string): Promise<string>
  /** Closes every page; what they reported as errors fails the test. */
  closePages(): Promise<void>
  stop(): Promise<void>
}

/** Nothing slides or fades while a test waits for it; what follows an animation's end still does. */
function withoutMotion(): void {
  const still = new CSSStyleSheet()
  still.replaceSync(`
    * { transition-duration: 1ms !important; animation-duration: 1ms !important; }
    /* Given a duration, being seen is a transition too, and what is not seen yet takes no focus. */
    #app:has(> .calculator), .calculator, .calculator * { transition: none !important; }
  `)
  document.adoptedStyleSheets = [still]
}

/** How long anything may take to come: on a machine that others keep busy, many times as long as by itself. */
const PATIENCE_MS = 60_000

/** The built application with demo data, and a browser to use it with. */
async function startApplication(seat: Seat): Promise<Application> {
  const server = await scratchServer(inject('demo'), seat.ports)
  const browser = await puppeteer.connect({ browserWSEndpoint: seat.browser })
  browser.on('targetcreated', () => inFront.delete(browser))
  const profile = browser.defaultBrowserContext()
  const [blank = await profile.newPage()] = await profile.pages()
  const faults: string[] = []
  const contexts: BrowserContext[] = []
  /** Who comes first in a test uses the browser's own profile: it keeps scripts ready to run. */
  let isProfileFree = true

  async function contextOfNewPerson(): Promise<BrowserContext> {
    if (isProfileFree) {
      isProfileFree = false
      return profile
    }
    const context = await browser.createBrowserContext()
    contexts.push(context)
    return context
  }

  /** Closes what was opened in the browser's own profile, and forgets all that a person left in it. */
  async function forgetProfile(): Promise<void> {
    const pages = await profile.pages()
    await Promise.all(pages.filter((page) => page !== blank).map((page) => page.close()))
    const session = await blank.createCDPSession()
    await session.send('Storage.clearCookies')
    const storageTypes = 'local_storage,indexeddb,service_workers,cache_storage'
    for (const origin of [server.address, server.lender, server.address.replace('127.0.0.1', 'localhost')])
      await session.send('Storage.clearDataForOrigin', { origin, storageTypes })
    await session.detach()
    await profile.clearPermissionOverrides()
    isProfileFree = true
  }

  async function visit(
    url: string,
    viewport = { width: 1280, height: 800 },
    session?: string,
  ): Promise<Page> {
    const context = await contextOfNewPerson()
    if (session) await context.setCookie(cookieOf(session))
    const page = await context.newPage()
    page.setDefaultTimeout(PATIENCE_MS)
    await page.setViewport(viewport)
    await page.evaluateOnNewDocument(withoutMotion)
    page.on('pageerror', (error) => faults.push(`${page.url()}: ${String(error)}`))
    page.on('console', (message) => {
      const isRefusal = message.text().startsWith('Failed to load resource')
      if (message.type() === 'error' && !isRefusal) faults.push(`${page.url()}: ${message.text()}`)
    })
    page.on('request', (request) => {
      const { hostname, protocol } = new URL(request.url())
      if (protocol.startsWith('http') && !/^(127\.0\.0\.1|localhost)$/.test(hostname))
        faults.push(`asked ${hostname} for something`)
    })
    await goTo(page, url)
    return page
  }

  async function sessionOf(firstName: string): Promise<string> {
    const response = await fetch(`${server.address}/api/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({
        email: `${firstName.toLowerCase()}@larkmoor.example`,
        password: 'ebb-and-flow',
      }),
    })
    const session = response.headers.get('set-cookie')?.split(';')[0]
    if (!response.ok || !session) throw new Error(`${firstName} could not sign in: ${response.status}`)
    return session
  }

  return {
    ...server,
    visit,
    sessionOf,
    deskAs: async (firstName, path = '') => {
      const page = await visit(`${server.desk}${path}`, undefined, await sessionOf(firstName))
      await page.waitForSelector(path === '' ? '.card' : '.head, .proofs')
      return page
    },
    closePages: async () => {
      await Promise.all(contexts.splice(0).map((context) => context.close()))
      await forgetProfile()
      const reported = faults.splice(0)
      if (reported.length > 0) throw new Error(`the pages reported errors:\n${reported.join('\n')}`)
    },
    stop: async () => {
      await browser.disconnect()
      await server.stop()
    },
  }
}

/** A session's cookie, "name=value", as the browser keeps it. */
const cookieOf = (session: string) => {
  const [name = '', value = ''] = session.split(/=(.*)/)
  return { name, value, domain: '127.0.0.1', path: '/', httpOnly: true, sameSite: 'Strict' as const }
}

/** The application for the tests of a file: started before the first, its pages closed after each. */
export function useApplication(): Application {
  const app = {} as Application
  let seat: TakenSeat | undefined
  beforeAll(async () => {
    seat = takeSeat(inject('seats'), inject('demo').home)
    Object.assign(app, await startApplication(seat))
  })
  afterEach(() => app.closePages())
  afterAll(async () => {
    await app.stop?.()
    seat?.leave()
  })
  return app
}

/** Takes all of a field and types over it, as a person would. */
export async function fill(page: Page | Frame, selector: string, text: string): Promise<void> {
  const field = await page.waitForSelector(selector)
  if (!field) throw new Error(`no field ${selector}`)
  // One that is still to be loaded is there, but cannot be typed in yet.
  await eventually(
    () => field.evaluate((element) => !element.matches(':disabled')),
    () => `${selector} cannot be typed in`,
  )
  await field.focus()
  await field.evaluate((element) => {
    if (element instanceof HTMLInputElement || element instanceof HTMLTextAreaElement) element.select()
    else window.getSelection()?.selectAllChildren(element)
  })
  await field.press('Backspace')
  // All at once, as pasting does: the desk works everything out anew for each key.
  const { keyboard } = 'keyboard' in page ? page : page.page()
  await keyboard.sendCharacter(text)
}

/**
 * Waits until nothing is fetched any more, or for a while: the browser does not always tell of a request’s end, and what
 * a test looks for is waited for anyway.
 */
export const untilQuiet = (page: Page): Promise<void> =>
  // eslint-disable-next-line no-restricted-syntax -- with an end of its own
  page.waitForNetworkIdle({ idleTime: 80, timeout: 3_000 }).catch(() => undefined)

/** Waits until scripts have taken over what the server drew of a visitor's page, where there is one. */
export const takenOver = (page: Page | Frame): Promise<void> =>
  eventually(
    () =>
      page.evaluate(
        () => !document.getElementById('calculator') || document.documentElement.dataset.ready === 'true',
      ),
    async () => `the scripts have not taken the page over: ${JSON.stringify(await page.evaluate(howFar))}`,
  )

/** How far a page has come, for whoever reads why a test failed. */
const howFar = () => ({
  address: location.href,
  state: document.readyState,
  marks: { ...document.documentElement.dataset },
  fetched: performance
    .getEntriesByType('resource')
    .map(({ name, duration }) => `${name.split('/').at(-1)} ${Math.round(duration)} ms`),
})

/** Goes to an address and waits until nothing is fetched any more. */
export async function goTo(page: Page, url: string): Promise<void> {
  await page.goto(url)
  await untilQuiet(page)
  await takenOver(page)
}

export async function reload(page: Page): Promise<void> {
  await page.reload()
  await untilQuiet(page)
  await takenOver(page)
}

/** Waits until a condition holds; asks again and again, since a page behind another draws no frames to wait for. */
export async function eventually(
  holds: () => Promise<boolean>,
  otherwise: () => Promise<string> | string,
): Promise<void> {
  const deadline = Date.now() + PATIENCE_MS
  let fault: unknown
  // Each question takes processor from what is waited for: it is asked less and less often.
  for (let pause = 20; !(await holds().catch((error: unknown) => void (fault = error))); pause *= 2) {
    if (Date.now() > deadline) throw new Error(await otherwise(), { cause: fault })
    await new Promise((resolve) => setTimeout(resolve, Math.min(pause, 100)))
  }
}

const textsOf = (page: Page | Frame, selector: string): Promise<string[]> =>
  page.$$eval(selector, (all) => all.map((element) => element.textContent?.replace(/\s+/g, ' ').trim() ?? ''))

/** Chooses an option as soon as there is one of that value; `page.select` itself passes over one that is not there yet. */
export async function choose(page: Page | Frame, selector: string, value: string): Promise<void> {
  await page.waitForSelector(`${selector} option[value="${value}"]`)
  await page.select(selector, value)
}

/** Waits until an element contains a text. */
export const expectText = (page: Page | Frame, selector: string, expected: string): Promise<void> =>
  eventually(
    async () => (await textsOf(page, selector)).some((text) => text.includes(expected)),
    async () =>
      `"${expected}" does not stand in ${selector}; there is: ${JSON.stringify(await textsOf(page, selector))}`,
  )

/** The page that was brought to the front, until another is opened. */
const inFront = new WeakMap<Browser, Page>()

/**
 * Clicks an element once it is there, stands still and is enabled, and again where the click went elsewhere as the page
 * moved meanwhile; a page that is not in front draws no frames.
 */
export async function press(page: Page | Frame, selector: string): Promise<void> {
  const whole = 'keyboard' in page ? page : page.page()
  if (inFront.get(whole.browser()) !== whole) await whole.bringToFront()
  inFront.set(whole.browser(), whole)
  await eventually(
    async () => {
      const element = await page.$(selector)
      return element !== null && (await element.evaluate(isReadyForClick)) && (await isClicked(element))
    },
    () => `${selector} could not be clicked`,
  )
}

async function isReadyForClick(it: Element): Promise<boolean> {
  const place = () => JSON.stringify(it.getBoundingClientRect())
  const before = place()
  await new Promise((done) => setTimeout(done, 40))
  const { width, height } = it.getBoundingClientRect()
  const isEnabled = !it.closest('button, input')?.matches(':disabled')
  return isEnabled && width > 0 && height > 0 && place() === before
}

/** Clicks where an element stands; whether the click came to it. */
async function isClicked(element: ElementHandle): Promise<boolean> {
  const heard = await element.evaluateHandle((it) => {
    const click = { isHeard: false }
    // A label's control may lie over its text.
    const whole = it.closest('label') ?? it
    whole.addEventListener('click', () => (click.isHeard = true), { once: true, capture: true })
    return click
  })
  await element.click()
  // Where the page is gone that is what the click did.
  return heard.evaluate(({ isHeard }) => isHeard).catch(() => true)
}

export const click = (page: Page | Frame, text: string, within = ''): Promise<void> =>
  press(page, `${within} ::-p-text(${text})`)

export const textOf = (page: Page | Frame, selector: string): Promise<string> =>
  page.$eval(selector, (element) => element.textContent?.replace(/\s+/g, ' ').trim() ?? '')

/** The frame of a calculator placed on another page. */
export async function placedFrame(page: Page): Promise<Frame> {
  const handle = await page.waitForSelector('iframe')
  const frame = await handle?.contentFrame()
  if (!frame) throw new Error('no calculator is placed on this page')
  await frame.waitForSelector('.figure, .notice')
  await takenOver(frame)
  return frame
}
