import type { Readout } from '@vivid/core/evaluate'
import type { Kept } from './share-link'

export type Headline = Extract<Readout, { shows: 'figure' }>

/** The one large figure of a page, if it has one now. */
export const headlineOf = (readouts: readonly Readout[]): Headline | undefined =>
  readouts.find((readout): readout is Headline => readout.shows === 'figure' && readout.headline)

/** What a link carries, if its headline was another one than now. */
export const saidOtherwise = (kept: Kept | undefined, now: Headline | undefined): Kept | undefined =>
  kept?.headline && now && JSON.stringify(kept.headline) !== JSON.stringify(now.value) ? kept : undefined
