import { isFrameMessage, type FrameMessage } from '@vivid/contract/visitor'

/**
 * Tells the page around us how tall the content is and what it is called, once that page has said hello:
 * only to the origin it spoke from. Returns what stops it.
 */
export function reportHeight(content: HTMLElement, view: Window = window): () => void {
  if (view.parent === view) return () => undefined
  let host: string | undefined
  const report = () => {
    if (host === undefined) return
    const message: FrameMessage = {
      vividMeter: 'height',
      height: Math.ceil(content.getBoundingClientRect().height),
      title: view.document.title,
    }
    view.parent.postMessage(message, host)
  }
  const onMessage = ({ origin, source, data }: MessageEvent) => {
    if (source !== view.parent || !isFrameMessage(data) || data.vividMeter !== 'hello') return
    host = origin
    report()
  }
  const observer = new ResizeObserver(report)
  observer.observe(content)
  view.addEventListener('message', onMessage)
  return () => {
    observer.disconnect()
    view.removeEventListener('message', onMessage)
  }
}
