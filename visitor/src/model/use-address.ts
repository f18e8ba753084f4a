import { onBeforeUnmount, watch } from 'vue'
import { carries, pageHash, type Carried } from './carried'

const APART_MS = 100
/** Browsers refuse too many changes of an address in a short time. */
const REFUSED_MS = 1_000

/**
 * Keeps what a page carries behind the # of its address, so that it is there again after a reload, another language, or
 * a way back. Nothing is written before something differs from how the page began.
 */
export function useAddress(carried: () => Carried, view: Window = window): void {
  let begun = JSON.stringify(carried())
  let timer: ReturnType<typeof setTimeout> | undefined
  let written = 0
  function write(): void {
    clearTimeout(timer)
    written = Date.now()
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
  watch(
    () => JSON.stringify(carried()),
    () => {
      clearTimeout(timer)
      // At once where it can be: whoever types may reload with the next key.
      const wait = written + APART_MS - Date.now()
      if (wait <= 0) write()
      else timer = setTimeout(write, wait)
    },
  )
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
