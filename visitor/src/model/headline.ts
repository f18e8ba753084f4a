import type { Readout } from '@vivid/core/evaluate'
import type { Then } from './carried'

export type Headline = Extract<Readout, { shows: 'figure' }>

/** The one large figure of a page, if it has one now. */
export const headlineOf = (readouts: readonly Readout[]): Headline | undefined =>
  readouts.find((readout): readout is Headline => readout.shows === 'figure' && readout.headline)

/** What a link said when it was made, if its headline was another one than now. */
export const saidOtherwise = (then: Then | undefined, now: Headline | undefined): Then | undefined =>
  then?.headline && now && JSON.stringify(then.headline) !== JSON.stringify(now.value) ? then : undefined
