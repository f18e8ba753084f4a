// @ts-check
/* global document, setTimeout, addEventListener */
// Asks again for the page's script where it did not arrive, a few times, and then says so. It stands apart from that script.
;(() => {
  const AGAIN_AFTER_MS = 2_000
  const MOST_TRIES = 5
  const script = document.querySelector('script[type=module][src]')
  const hasBegun = () => document.documentElement.dataset.begun === 'true'

  /** @param {number} tries */
  async function again(tries) {
    if (hasBegun()) return
    if (tries > MOST_TRIES) {
      document.getElementById('not-started')?.removeAttribute('hidden')
      return
    }
    try {
      // Another address each time: what failed once may be remembered as failed.
      await import(`${script?.getAttribute('src')}?again=${tries}`)
    } catch {
      setTimeout(() => void again(tries + 1), AGAIN_AFTER_MS)
    }
  }
  // By then every script of the page has arrived, or has not.
  addEventListener('load', () => setTimeout(() => void again(1), AGAIN_AFTER_MS / 4))
})()
