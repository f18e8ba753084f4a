/** Where the placed frame reads messages from and how it is told that it is placed. */
export interface Placement {
  /** Removes the frame and stops listening. */
  remove(): void
}

/**
 * Puts a calculator into a page, right behind the script element that asks for it: a frame that grows with its
 * content. Heights are believed only from that frame and only from the calculator's own origin.
 */
export function placeCalculator(script: HTMLScriptElement): Placement | undefined {
  const slug = script.dataset.calculator
  if (!slug) {
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
  frame.src = `${origin}/c/${encodeURIComponent(slug)}`
  frame.title = script.dataset.title ?? 'Loan calculator'
  frame.style.cssText = 'display:block;width:100%;border:0;height:640px'
  frame.addEventListener('load', () => frame.contentWindow?.postMessage({ vividMeter: 'hello' }, origin))

  const onMessage = ({ origin: from, source, data }: MessageEvent) => {
    if (from !== origin || source !== frame.contentWindow || data?.vividMeter !== 'height') return
    const { height } = data
    if (typeof height === 'number' && height > 0 && height < 100_000)
      frame.style.height = `${Math.ceil(height)}px`
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
