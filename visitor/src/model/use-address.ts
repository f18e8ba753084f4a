import { onBeforeUnmount, watch } from 'vue'
import { carries, pageHash, type Carried } from './carried'

const QUIET_MS = 100
/** Browsers refuse too many changes of an address in a short time. */
const REFUSED_MS = 1_000

/**
 * Keeps what a page carries behind the # of its address, so that it is there again after a reload, another language, or
 * a way back. Nothing is written before something differs from how the page began. `follows`: what it is made from.
 */
export function useAddress(carried: () => Carried, follows: () => unknown, view: Window = window): void {
  let begun = JSON.stringify(carried())
  let timer: ReturnType<typeof setTimeout> | undefined
  function write(): void {
    clearTimeout(timer)
    const now = carried()
    const text = JSON.stringify(now)
    if (text === begun) return
    begun = text
    try {
      view.history.replaceState(view.history.state, '', pageHash(now))
    } catch {
      begun = ''
      timer = setTimeout(write, REFUSED_MS)
    }
  }
  watch(follows, () => {
    clearTimeout(timer)
    timer = setTimeout(write, QUIET_MS)
  })
  view.addEventListener('pagehide', write)
  onBeforeUnmount(() => {
    clearTimeout(timer)
    view.removeEventListener('pagehide', write)
  })
}

/** Calls back when another address of ours is put in by hand, as by pasting a link into an open page. */
export function onOtherAddress(begin: () => void, view: Window = window): void {
  view.addEventListener('hashchange', () => carries(view.location.hash) && begin())
}
