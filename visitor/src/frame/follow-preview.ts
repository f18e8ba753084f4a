import { isUnreadable } from '@vivid/contract/wording'
import { isFrameMessage, type FrameMessage } from '@vivid/contract/visitor'
import type { Answers } from '@vivid/core/evaluate'
import { markParts, showPart } from './preview-marks'

export type Preview = Extract<FrameMessage, { vividMeter: 'preview' }>

/** Shows drafts the desk sends, and only the desk: it is our parent and of our own origin. One thing after the other. */
export function followPreview(
  show: (preview: Preview) => void | Promise<void>,
  ask: () => void | Promise<void>,
  view: Window = window,
): void {
  let done: Promise<void> = Promise.resolve()
  const next = (act: () => void | Promise<void>) => (done = done.then(act))
  view.addEventListener('message', ({ origin, source, data }) => {
    if (origin !== view.location.origin || source !== view.parent || !isFrameMessage(data)) return
    if (data.vividMeter === 'previewShow') showPart(data.of, view)
    if (data.vividMeter === 'previewAsk') void next(ask)
    if (data.vividMeter !== 'preview') return
    markParts(data.marks, view.document)
    void next(() => show(data))
  })
  tell({ vividMeter: 'previewReady' }, view)
}

/** Tells the desk what is answered, as far as it can be read; what cannot be stays as it was. */
export function tellAnswers(answers: Answers, view: Window = window): void {
  const readable = Object.entries(answers).filter(([, answer]) => !isUnreadable(answer))
  tell({ vividMeter: 'previewAnswers', answers: Object.fromEntries(readable) }, view)
}

/** Tells the desk that results which wait for a button were asked for. */
export const tellAsked = (view: Window = window): void => tell({ vividMeter: 'previewAsked' }, view)

const tell = (message: FrameMessage, view: Window): void =>
  // Plain data only: what Vue watches cannot be sent to another window.
  view.parent.postMessage(JSON.parse(JSON.stringify(message)), view.location.origin)
