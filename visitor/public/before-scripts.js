// @ts-check
/* global document, location, HTMLFormElement, URLSearchParams, setTimeout, addEventListener, PerformanceObserver */
// Stands in the page, apart from its script, and looks after it until that has taken over: hides what the server drew where
// the address brings other answers, remembers what is pressed meanwhile, and asks for the script again where it did not
// arrive, a few times, and then says so.
;(() => {
  const root = document.documentElement
  const asked = [...new URLSearchParams(location.search).keys()]
  const hasPresets = asked.some((name) => name !== 'lang' && name !== 'placement')
  if (hasPresets || /^#(kept|now)=/.test(location.hash)) root.dataset.waits = 'true'

  /** @type {Set<HTMLElement>} */
  const pressed = new Set()
  let isBegun = false
  /** @param {Event} event */
  function remember(event) {
    const target = /** @type {HTMLElement} */ (event.target)
    // What has been taken over answers by itself.
    if (isBegun && !target.closest('[data-waits-its-turn]')) return
    if (event.type === 'submit') event.preventDefault()
    const what = event.type === 'submit' ? target : target.closest('button[type=button]')
    if (what) pressed.add(/** @type {HTMLElement} */ (what))
  }
  for (const kind of ['click', 'submit']) document.addEventListener(kind, remember, true)
  document.addEventListener('vivid-meter:taking-over', () => (isBegun = true))
  document.addEventListener('vivid-meter:taken-over', () => {
    for (const kind of ['click', 'submit']) document.removeEventListener(kind, remember, true)
    for (const one of pressed)
      if (one instanceof HTMLFormElement) one.requestSubmit()
      else one.click()
  })

  // The first format a browser makes is the slowest by far: it is made while scripts are on their way and all is drawn.
  new PerformanceObserver((_, observer) => {
    observer.disconnect()
    new Intl.NumberFormat()
  }).observe({ type: 'paint', buffered: true })

  const AGAIN_AFTER_MS = 2_000
  const MOST_TRIES = 5
  const hasBegun = () => root.dataset.begun === 'true'

  /** @param {number} tries */
  async function again(tries) {
    if (hasBegun()) return
    if (tries > MOST_TRIES) {
      document.getElementById('not-started')?.removeAttribute('hidden')
      delete root.dataset.waits
      return
    }
    try {
      const script = document.querySelector('script[type=module][src]')
      // Another address each time: what failed once may be remembered as failed.
      await import(`${script?.getAttribute('src')}?again=${tries}`)
    } catch {
      setTimeout(() => void again(tries + 1), AGAIN_AFTER_MS)
    }
  }
  // By then every script of the page has arrived, or has not.
  addEventListener('load', () => setTimeout(() => void again(1), AGAIN_AFTER_MS / 4))
})()
