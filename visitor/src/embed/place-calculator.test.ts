// @vitest-environment happy-dom
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { placeCalculator } from './place-calculator'

const ORIGIN = 'https://calculators.example'
const SHOWN = { calculator: 'raft-loan', frame: '/c/raft-loan?placement=abc', width: 640, why: null }

let complaints: string[]
beforeEach(() => {
  document.body.innerHTML = ''
  complaints = []
  vi.spyOn(console, 'error').mockImplementation((text: string) => void complaints.push(text))
})
afterEach(() => {
  vi.restoreAllMocks()
  vi.unstubAllGlobals()
  vi.useRealTimers()
})

/** A script element on a page of the lender's, and what the server answers to it. */
async function placed(data: Record<string, string>, answers: readonly (object | 'offline')[] = [SHOWN]) {
  const asked: string[] = []
  const left = [...answers]
  vi.stubGlobal('fetch', async (address: string) => {
    asked.push(address)
    const answer = left.shift()
    if (answer === 'offline' || !answer) throw new TypeError('Failed to fetch')
    return new Response(JSON.stringify(answer))
  })
  const script = document.createElement('script')
  script.type = 'text/plain'
  Object.defineProperty(script, 'src', { value: `${ORIGIN}/embed.js` })
  Object.assign(script.dataset, data)
  document.body.append(script)
  const placement = placeCalculator(script)
  await vi.waitFor(() => expect(asked).toHaveLength(Math.min(1, data.placement || data.calculator ? 1 : 0)))
  await new Promise((next) => setTimeout(next))
  const frame = document.querySelector('iframe')
  return { asked, placement, script, frame }
}
/** A message to the page, from a frame or from somebody else. */
const say = (data: unknown, source: unknown, origin = ORIGIN) => {
  const message = new MessageEvent('message', { data, origin })
  Object.defineProperty(message, 'source', { value: source })
  window.dispatchEvent(message)
}

test('the server is asked first; the frame stands behind the script, in the page’s language and with its answers', async () => {
  document.documentElement.lang = 'fr-CA'
  const { asked, frame, script } = await placed({ placement: 'abc', answers: 'homePrice=412,600&rate=4.64' })
  expect(asked[0]).toBe(
    `${ORIGIN}/api/public/placing?page=${encodeURIComponent(location.pathname)}&placement=abc`,
  )
  expect(frame?.previousElementSibling).toBe(script)
  const { origin, pathname, searchParams } = new URL(frame?.src ?? '')
  expect([origin, pathname]).toEqual([ORIGIN, '/c/raft-loan'])
  expect(Object.fromEntries(searchParams)).toEqual({
    placement: 'abc',
    lang: 'fr-CA',
    homePrice: '412,600',
    rate: '4.64',
  })
  expect([frame?.style.maxWidth, frame?.style.height]).toEqual(['640px', '900px'])
})

test.each([
  [{ ...SHOWN, frame: null, why: 'unlisted' }, 'this site is not among those that may show it'],
  [{ ...SHOWN, frame: null, why: 'unknown' }, 'no such placement or calculator'],
  [{ ...SHOWN, frame: null, why: 'notLive' }, 'has not been published'],
  [{ ...SHOWN, frame: null, why: 'something new' }, 'the server refused it'],
])(
  'where nothing may be shown nothing is drawn, and the site’s developer is told why (%#)',
  async (answer, words) => {
    const { frame } = await placed({ calculator: 'raft-loan' }, [answer])
    expect(frame).toBeNull()
    expect(complaints.join()).toContain(words)
  },
)

test('a script that does not say what to show asks nobody, and says what it needs', async () => {
  const { asked, placement } = await placed({})
  expect([asked, placement]).toEqual([[], undefined])
  expect(complaints.join()).toContain('data-placement or data-calculator')
})

test('a server that is away once is asked again; one that stays away is told of', async () => {
  vi.useFakeTimers({ toFake: ['setTimeout'], shouldAdvanceTime: true, advanceTimeDelta: 200 })
  await placed({ calculator: 'raft-loan' }, ['offline', SHOWN])
  await vi.waitFor(() => expect(document.querySelector('iframe')).not.toBeNull(), { timeout: 5_000 })
  document.body.innerHTML = ''
  await placed({ calculator: 'raft-loan' }, ['offline', 'offline'])
  await vi.waitFor(() => expect(complaints.join()).toContain('cannot be reached'), { timeout: 5_000 })
  expect(document.querySelector('iframe')).toBeNull()
})

test('only its own frame from its own origin is believed about its height and its name', async () => {
  const { frame } = await placed({ calculator: 'raft-loan', height: '500' })
  const own = frame?.contentWindow
  expect(frame?.style.height).toBe('500px')
  say({ vividMeter: 'height', height: 1234.2, title: 'Prêt' }, own)
  expect([frame?.style.height, frame?.title]).toEqual(['1235px', 'Prêt'])
  for (const [data, source, origin] of [
    [{ vividMeter: 'height', height: 10 }, window, ORIGIN],
    [{ vividMeter: 'height', height: 10 }, own, 'https://elsewhere.example'],
    [{ vividMeter: 'height', height: 'tall' }, own, ORIGIN],
    [{ vividMeter: 'height', height: 1e9 }, own, ORIGIN],
    [{ vividMeter: 'height', height: -5 }, own, ORIGIN],
    [null, own, ORIGIN],
    ['height', own, ORIGIN],
  ] as const)
    say(data, source, origin)
  expect(frame?.style.height).toBe('1235px')
})

test('a name the site gave stays, and what is done in the frame is told to the page', async () => {
  const { frame } = await placed({ calculator: 'raft-loan', title: 'Our raft loan' })
  const heard: unknown[] = []
  document.body.addEventListener('vivid-meter:result', (event) => heard.push((event as CustomEvent).detail))
  say({ vividMeter: 'height', height: 700, title: 'Raft' }, frame?.contentWindow)
  say({ vividMeter: 'event', event: 'result', edition: 3, language: 'en-CA' }, frame?.contentWindow)
  say({ vividMeter: 'event', event: 're sult"', edition: 3 }, frame?.contentWindow)
  expect(frame?.title).toBe('Our raft loan')
  expect(heard).toEqual([{ calculator: 'raft-loan', edition: 3, language: 'en-CA' }])
})

test('what is removed is gone, and hears nothing more', async () => {
  const { frame, placement } = await placed({ calculator: 'raft-loan' })
  const own = frame?.contentWindow
  placement?.remove()
  say({ vividMeter: 'height', height: 123 }, own)
  expect([document.querySelector('iframe'), frame?.style.height]).toEqual([null, '900px'])
})

test('a script that was taken out while the server was asked draws nothing', async () => {
  let answer = () => undefined as void
  vi.stubGlobal(
    'fetch',
    () => new Promise((done) => (answer = () => done(new Response(JSON.stringify(SHOWN))))),
  )
  const script = document.createElement('script')
  script.type = 'text/plain'
  Object.defineProperty(script, 'src', { value: `${ORIGIN}/embed.js` })
  script.dataset.calculator = 'raft-loan'
  document.body.append(script)
  placeCalculator(script)
  script.remove()
  answer()
  await new Promise((next) => setTimeout(next, 5))
  expect(document.querySelector('iframe')).toBeNull()
})
