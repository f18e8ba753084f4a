import { isFrameMessage, type FrameMessage } from '@vivid/contract/visitor'

export type Preview = Extract<FrameMessage, { vividMeter: 'preview' }>

/** Shows drafts the desk sends, and only the desk: it is our parent and of our own origin. */
export function followPreview(show: (preview: Preview) => void, view: Window = window): void {
  view.addEventListener('message', ({ origin, source, data }) => {
    if (origin !== view.location.origin || source !== view.parent) return
    if (isFrameMessage(data) && data.vividMeter === 'preview') show(data)
  })
  const ready: FrameMessage = { vividMeter: 'previewReady' }
  view.parent.postMessage(ready, view.location.origin)
}
