import type { FrameMessage, HostEvent } from '@vivid/contract/visitor'
import type { LivePage } from '../model/calculator-source'

/** Tells the page around us, and the lender's count, that something happened: no answer, no figure, nobody's name. */
export type TellHost = (event: HostEvent) => void

/** Each event at most once in a page's life, but for what is kept and handed over, which may happen again. */
export function createTellHost(
  live: LivePage | undefined,
  language: string,
  audience: TellHost,
  view: Window = window,
): TellHost {
  const told = new Set<HostEvent>()
  return (event) => {
    if (!live || (told.has(event) && event !== 'kept' && event !== 'handedOver')) return
    told.add(event)
    audience(event)
    if (view.parent === view) return
    const message: FrameMessage = {
      vividMeter: 'event',
      event,
      calculator: live.slug,
      edition: live.edition,
      language,
    }
    // The host's address is not known here, and nothing in it is anyone's secret.
    view.parent.postMessage(message, '*')
  }
}
