import { onBeforeUnmount } from 'vue'
import { isFrameMessage } from '@vivid/contract/visitor'

/**
 * In a frame as tall as its content nothing sticks by itself: the page around it tells how far it is scrolled, and the
 * bar with the result follows, as far as its own column goes.
 */
export function stayInSight(bar: () => HTMLElement | null, view: Window = window): void {
  if (view.parent === view) return
  const follow = ({ source, data }: MessageEvent) => {
    if (source !== view.parent || !isFrameMessage(data) || data.vividMeter !== 'sight') return
    const element = bar()
    const column = element?.parentElement
    if (!element || !column || typeof data.top !== 'number') return
    const most = column.offsetTop + column.offsetHeight - element.offsetTop - element.offsetHeight
    const by = Math.max(0, Math.min(data.top - element.offsetTop, most))
    element.style.transform = by > 0 ? `translateY(${by}px)` : ''
  }
  view.addEventListener('message', follow)
  onBeforeUnmount(() => view.removeEventListener('message', follow))
}
