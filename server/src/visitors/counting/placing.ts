import { Origin, type Placing, type Stray } from '@vivid/contract'
import type { LivePlacements, Placed } from '../../live/live-placements'

/** A snippet that asked to be shown. */
export interface Sighting {
  readonly placement: string
  readonly slug: string
  readonly origin: string
  readonly page: string
  readonly verdict: Stray['why'] | 'shown'
  readonly lastSeen: Date
}

export interface Asked {
  readonly placement: string | undefined
  readonly calculator: string | undefined
  readonly page: string
  /** The page's origin as the browser says it; undefined: a page of our own. */
  readonly origin: string | undefined
}

/** Which frame a page may show for its snippet, and what there is to remember about where the snippet stands. */
export function placingOf(
  { placement: id, calculator, page, origin }: Asked,
  placements: LivePlacements,
  stateOf: (slug: string) => 'live' | 'takenDown' | 'notLive' | 'unknown',
  now: Date,
): { readonly placing: Placing; readonly sighting: Sighting | undefined } {
  const placement = id === undefined ? undefined : placements.byId(id)
  const slug = placement?.slug ?? calculator ?? ''
  const origins = placement ? placement.origins : placements.originsOf(slug)
  const isUnknown = id !== undefined && !placement
  const isListed = origin === undefined || isUnknown || origins.includes(origin)
  const state = isUnknown ? 'unknown' : stateOf(slug)
  const why: Stray['why'] | null = !isListed ? 'unlisted' : state === 'live' ? null : state
  // A calculator that was taken down is shown with the lender's own words about it.
  const isDrawn = isListed && (state === 'live' || state === 'takenDown')
  return {
    placing: {
      calculator: slug,
      frame: isDrawn ? frameOf(slug, placement) : null,
      width: placement?.width ?? null,
      why,
    },
    sighting:
      origin !== undefined && isWorthKeeping(origin, placement, slug)
        ? { placement: id ?? '', slug, origin, page, verdict: why ?? 'shown', lastSeen: now }
        : undefined,
  }

  /** Of what strangers can make up, only what points to something that is here: a site, a placement, or a calculator. */
  function isWorthKeeping(from: string, known: Placed | undefined, asked: string): boolean {
    if (!Origin.safeParse(from).success) return false
    return known !== undefined || stateOf(asked) !== 'unknown' || placements.isListed(from)
  }
}

function frameOf(slug: string, placement: Placed | undefined): string {
  const query = new URLSearchParams(placement?.answers)
  if (placement?.language) query.set('lang', placement.language)
  if (placement) query.set('placement', placement.id)
  const text = query.toString()
  return `/c/${encodeURIComponent(slug)}${text && `?${text}`}`
}
