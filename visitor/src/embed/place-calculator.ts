/** A calculator on a page of the lender's. */
export interface Placement {
  /** Removes the frame and stops listening. */
  remove(): void
}

/** What a host page may listen to on the script element or above it: `vivid-meter:opened` and so on. */
const EVENT = 'vivid-meter:'
const AGAIN_AFTER_MS = 2_000

/** What the server says about this page: the frame to draw, or why there is none. */
interface Placing {
  readonly calculator: string
  readonly frame: string | null
  readonly width: number | null
  readonly why: string | null
}

/**
 * Puts a calculator into a page, right behind the script element that asks for it: a frame that grows with its
 * content. The element says which: `data-placement`, what the desk has placed here, or `data-calculator`; the latter in
 * a language (`data-language`), with answers to begin with (`data-answers`, like "homePrice=412,600&rate=4.64"). Either
 * way `data-height` says how tall it stands until it has said so itself (in pixels), so that nothing below it jumps.
 * The server is asked first whether this site may show it; on any other nothing is drawn. Messages are believed only
 * from that frame and only from the calculator's own origin.
 */
export function placeCalculator(script: HTMLScriptElement): Placement | undefined {
  const { placement, calculator, language, answers, title, height } = script.dataset
  if (!placement && !calculator) {
    complain('the script element needs data-placement or data-calculator, which say what to show.')
    return undefined
  }
  const { origin } = new URL(script.src)
  const page = script.ownerDocument
  const view = page.defaultView ?? window
  const frame = page.createElement('iframe')
  let shown = calculator ?? ''
  frame.title = title ?? 'Calculator'
  frame.allow = 'clipboard-write'
  frame.style.cssText = `display:block;width:100%;border:0;height:${Number(height) > 0 ? Number(height) : 900}px`
  const tell = (message: object) => frame.contentWindow?.postMessage(message, origin)
  frame.addEventListener('load', () => {
    tell({ vividMeter: 'hello' })
    tellSight()
  })
  /** How far it is scrolled away: in the frame the result stays in sight while somebody types. */
  const tellSight = () => tell({ vividMeter: 'sight', top: Math.max(0, -frame.getBoundingClientRect().top) })

  const onMessage = ({ origin: from, source, data }: MessageEvent) => {
    if (from !== origin || source !== frame.contentWindow || typeof data !== 'object' || data === null) return
    if (data.vividMeter === 'height') {
      grow(data.height)
      // As the site calls it, else as the calculator is called in the language it is shown in.
      if (!title && typeof data.title === 'string') frame.title = data.title.slice(0, 200)
    }
    if (data.vividMeter === 'event' && /^[a-zA-Z]{1,20}$/.test(data.event)) {
      const { edition, language: spokenThere } = data
      const detail = { calculator: shown, edition, language: spokenThere }
      frame.dispatchEvent(new CustomEvent(EVENT + data.event, { bubbles: true, detail }))
    }
  }
  function grow(tall: unknown): void {
    if (typeof tall === 'number' && tall > 0 && tall < 200_000) frame.style.height = `${Math.ceil(tall)}px`
  }

  async function ask(): Promise<Placing> {
    const asked = new URLSearchParams({ page: view.location.pathname })
    if (placement) asked.set('placement', placement)
    else asked.set('calculator', shown)
    const response = await fetch(`${origin}/api/public/placing?${asked}`, { credentials: 'omit' })
    return (await response.json()) as Placing
  }
  function draw({ calculator: placed, frame: address, width, why }: Placing): void {
    if (!script.isConnected) return
    if (!address) return complain(`nothing is shown here: ${reasons[why ?? ''] ?? 'the server refused it.'}`)
    shown = placed
    const source = new URL(address, origin)
    const spoken = language ?? page.documentElement.lang
    if (spoken && !source.searchParams.has('lang')) source.searchParams.set('lang', spoken)
    for (const [name, value] of new URLSearchParams(answers ?? '')) source.searchParams.set(name, value)
    if (width) frame.style.maxWidth = `${width}px`
    frame.src = source.href
    view.addEventListener('message', onMessage)
    view.addEventListener('scroll', tellSight, { passive: true, capture: true })
    view.addEventListener('resize', tellSight)
    script.after(frame)
  }
  void ask()
    .catch(() => new Promise((again) => setTimeout(again, AGAIN_AFTER_MS)).then(ask))
    .then(draw, () => complain('the server cannot be reached.'))
  return {
    remove: () => {
      view.removeEventListener('message', onMessage)
      view.removeEventListener('scroll', tellSight, { capture: true })
      view.removeEventListener('resize', tellSight)
      frame.remove()
    },
  }
}

const reasons: Record<string, string> = {
  unlisted: 'this site is not among those that may show it; it is added at the desk, under Placements.',
  unknown: 'there is no such placement or calculator (any more).',
  notLive: 'the calculator has not been published.',
}

/** The site developer's own console is where they look; there is no page of ours to say it on. */
function complain(what: string): void {
  // eslint-disable-next-line no-console
  console.error(`Vivid Meter: ${what}`)
}
