/** A calculator on a page of the lender's. */
export interface Placement {
  /** Removes the frame and stops listening. */
  remove(): void
}

/** What a host page may listen to on the script element or above it: `vivid-meter:opened` and so on. */
const EVENT = 'vivid-meter:'

/**
 * Puts a calculator into a page, right behind the script element that asks for it: a frame that grows with its
 * content. The element's data say which (`data-calculator`), in which language (`data-language`), with which answers
 * to begin with (`data-answers`, like "homePrice=412,600&rate=4.64"), and how tall it stands until it has said so
 * itself (`data-height`, in pixels), so that nothing below it jumps. Messages are believed only from that frame and
 * only from the calculator's own origin.
 */
export function placeCalculator(script: HTMLScriptElement): Placement | undefined {
  const { calculator, language, answers, title, height } = script.dataset
  if (!calculator) {
    // The site developer's own console is where they look; there is no page of ours to say it on.
    // eslint-disable-next-line no-console
    console.error(
      'Vivid Meter: the script element needs data-calculator, the name of the calculator to show.',
    )
    return undefined
  }
  const { origin } = new URL(script.src)
  const page = script.ownerDocument
  const view = page.defaultView ?? window
  const frame = page.createElement('iframe')
  const query = new URLSearchParams(answers ?? '')
  const spoken = language ?? page.documentElement.lang
  if (spoken) query.set('lang', spoken)
  frame.src = `${origin}/c/${encodeURIComponent(calculator)}?${query}`
  frame.title = title ?? 'Loan calculator'
  frame.allow = 'clipboard-write'
  frame.style.cssText = `display:block;width:100%;border:0;height:${Number(height) > 0 ? Number(height) : 900}px`
  frame.addEventListener('load', () => frame.contentWindow?.postMessage({ vividMeter: 'hello' }, origin))

  const onMessage = ({ origin: from, source, data }: MessageEvent) => {
    if (from !== origin || source !== frame.contentWindow || typeof data !== 'object' || data === null) return
    if (data.vividMeter === 'height') grow(data.height)
    if (data.vividMeter === 'event' && /^[a-zA-Z]{1,20}$/.test(data.event)) {
      const { edition, language: spokenThere } = data
      const detail = { calculator, edition, language: spokenThere }
      frame.dispatchEvent(new CustomEvent(EVENT + data.event, { bubbles: true, detail }))
    }
  }
  function grow(tall: unknown): void {
    if (typeof tall === 'number' && tall > 0 && tall < 200_000) frame.style.height = `${Math.ceil(tall)}px`
  }
  view.addEventListener('message', onMessage)
  script.after(frame)
  return {
    remove: () => {
      view.removeEventListener('message', onMessage)
      frame.remove()
    },
  }
}
