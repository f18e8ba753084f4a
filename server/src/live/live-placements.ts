import type { PlacementChoices } from '@vivid/contract'

/** A placement with what it leads to. */
export interface Placed extends PlacementChoices {
  readonly id: string
  readonly siteName: string
  readonly origins: readonly string[]
  readonly slug: string
  readonly isLive: boolean
  readonly isTakenDown: boolean
}

export interface PlacementsStored {
  placements(): Promise<readonly Placed[]>
}

/** What is placed where. */
export interface LivePlacements {
  byId(id: string): Placed | undefined
  /** The origins of the sites a calculator is placed on. */
  originsOf(slug: string): readonly string[]
  /** Whether anything is placed on a site of this origin. */
  isListed(origin: string): boolean
}

export function createLivePlacements(stored: PlacementsStored) {
  let placements = placementsOf([])
  return {
    get now(): LivePlacements {
      return placements
    },
    async refresh(): Promise<void> {
      placements = placementsOf(await stored.placements())
    },
  }
}

export function placementsOf(all: readonly Placed[]): LivePlacements {
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
