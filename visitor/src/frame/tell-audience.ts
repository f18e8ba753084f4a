import type { Answers, Evaluation, Program } from '@vivid/core/evaluate'
import type { HostEvent } from '@vivid/contract/visitor'
import type { LivePage } from '../model/calculator-source'

/** Counts what happens on a live page: never who, never a figure. */
export interface TellAudience {
  (event: HostEvent): void
  /** When the page is left, the answers of somebody who changed some: each as the coarse band it lies in. */
  left(program: Program, answers: Answers, values: Evaluation['values']): void
}

/**
 * Sends what the server counts, in the background; whether it arrives matters to nobody here. A browser that asks for
 * nobody to be followed is not counted at all.
 */
export function createTellAudience(
  live: LivePage | undefined,
  language: string,
  view: Window = window,
): TellAudience {
  const isCounted = live !== undefined && !asksForQuiet(view.navigator)
  const placement = new URLSearchParams(view.location.search).get('placement') ?? ''
  let isChanged = false
  /** Only the pages of those who change something need it. */
  let inBands: typeof import('./answers-in-bands').answersInBands | undefined
  const fetchBands = () =>
    import('./answers-in-bands').then(
      ({ answersInBands }) => (inBands = answersInBands),
      () => undefined,
    )
  const send = (path: string, what: object) => {
    const body = new Blob([JSON.stringify(what)], { type: 'application/json' })
    // Not every browser has it, and some take it away: nothing on the page depends on being counted.
    try {
      view.navigator.sendBeacon(`/api/public/audience${path}`, body)
    } catch {
      return
    }
  }
  const tell = (event: HostEvent) => {
    if (!isCounted) return
    if (event === 'changed' && !isChanged) void fetchBands()
    isChanged ||= event === 'changed'
    send('', { calculator: live.slug, edition: live.edition, language, placement, event })
  }
  const left: TellAudience['left'] = (program, answers, values) => {
    if (!isCounted || !isChanged || !inBands) return
    isChanged = false
    send('/answers', {
      calculator: live.slug,
      edition: live.edition,
      bands: inBands(program, answers, values),
    })
  }
  return Object.assign(tell, { left })
}

/** "Do not track", or the newer signal of the same wish. */
const asksForQuiet = (navigator: Navigator & { globalPrivacyControl?: boolean }): boolean =>
  navigator.doNotTrack === '1' || navigator.globalPrivacyControl === true
