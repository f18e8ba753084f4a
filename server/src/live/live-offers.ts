import type { LiveCalculator } from '@vivid/contract'
import { readEdition } from '../authoring/approval/edition-content'
import type { EditionsStore, StoredEdition, StoredOffer } from '../authoring/calculators/editions-store'

/** What visitors may know of a slug: a live calculator, or that it is not or no longer offered. */
export type Offer =
  | {
      readonly state: 'live'
      readonly calculator: LiveCalculator
      /** The numbers of all editions visitors ever had. */
      readonly lived: ReadonlySet<number>
    }
  /** With what visitors read in its place; empty: the page's own words. */
  | { readonly state: 'takenDown'; readonly message: string }
  | { readonly state: 'notLive' }

export type OffersStored = Pick<EditionsStore, 'offers' | 'editionThatLived'>

/** The calculators on offer, by slug. */
export function createLiveOffers(stored: OffersStored) {
  const offers = new Map<string, Offer>()
  return {
    get: (slug: string): Offer | undefined => offers.get(slug),
    all: (): LiveCalculator[] =>
      [...offers.values()].flatMap((offer) => (offer.state === 'live' ? [offer.calculator] : [])),
    async edition(slug: string, number: number): Promise<LiveCalculator | undefined> {
      const edition = await stored.editionThatLived(slug, number)
      return edition && calculatorOf(slug, edition)
    },
    async refresh(slug?: string): Promise<void> {
      const found = await stored.offers(slug)
      for (const one of found) offers.set(one.slug, offerOf(one))
      if (slug !== undefined) return
      const here = new Set(found.map((one) => one.slug))
      for (const known of offers.keys()) if (!here.has(known)) offers.delete(known)
    },
  }
}

function offerOf({ slug, takenDown, takenDownMessage, edition, lived }: StoredOffer): Offer {
  if (!edition) return takenDown ? { state: 'takenDown', message: takenDownMessage } : { state: 'notLive' }
  return { state: 'live', calculator: calculatorOf(slug, edition), lived: new Set(lived) }
}

const calculatorOf = (
  slug: string,
  { number, content, sha256, publishedAt }: StoredEdition,
): LiveCalculator => ({
  slug,
  edition: number,
  sha256,
  publishedAt: publishedAt.toISOString(),
  content: readEdition(content),
})
