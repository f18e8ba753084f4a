import { defineAsyncComponent, type Component } from 'vue'
import { fetchAgain } from '../model/fetch-again'
import { inTurn } from '../taking-over/in-turn'
import MissingPart from './MissingPart.vue'

/** A part of the page that not every page has: fetched by the pages that have it. */
export interface FetchedPart {
  /** Shown once it is fetched; takes over in its turn what the server drew of it. */
  readonly component: Component
  /** Fetches it ahead. */
  readonly fetch: () => Promise<unknown>
}

export function fetchedPart(load: () => Promise<Component>): FetchedPart {
  let fetching: Promise<Component> | undefined
  const fetch = () => (fetching ??= fetchAgain<Component>(load))
  return {
    component: defineAsyncComponent({ loader: fetch, errorComponent: MissingPart, hydrate: inTurn }),
    fetch,
  }
}
