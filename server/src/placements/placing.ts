import { Origin, type Placing, type Stray } from '@vivid/contract'
import type { PlacementData, Sighting } from './placements-store'

/** What is placed where, in memory, so that a visitor's page never waits for the database. */
export interface PlacementsInMemory {
  byId(id: string): PlacementData | undefined
  /** The origins of the sites a calculator is placed on. */
  originsOf(slug: string): readonly string[]
  /** Whether anything is placed on a site of this origin. */
  isListed(origin: string): boolean
}

export function placementsInMemory(all: readonly PlacementData[]): PlacementsInMemory {
  const byId = new Map(all.map((placement) => [placement.id, placement]))
  const origins = new Map<string, Set<string>>()
  for (const { slug, origins: allowed } of all) {
    const known = origins.get(slug) ?? new Set()
    allowed.forEach((origin) => known.add(origin))
    origins.set(slug, known)
  }
  const listed = new Set(all.flatMap((placement) => placement.origins))
  return {
    byId: (id) => byId.get(id),
    originsOf: (slug) => [...(origins.get(slug) ?? [])],
    isListed: (origin) => listed.has(origin),
  }
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
  placements: PlacementsInMemory,
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
  function isWorthKeeping(from: string, known: PlacementData | undefined, asked: string): boolean {
    if (!Origin.safeParse(from).success) return false
    return known !== undefined || stateOf(asked) !== 'unknown' || placements.isListed(from)
  }
}

function frameOf(slug: string, placement: PlacementData | undefined): string {
  const query = new URLSearchParams(placement?.answers)
  if (placement?.language) query.set('lang', placement.language)
  if (placement) query.set('placement', placement.id)
  const text = query.toString()
  return `/c/${encodeURIComponent(slug)}${text && `?${text}`}`
}
