import { defineAsyncComponent, type Component } from 'vue'
import type { Readout } from '@vivid/core/evaluate'
import { fetchAgain } from '../model/fetch-again'
import { inTurn } from '../taking-over/in-turn'
import MissingPart from './MissingPart.vue'

/** Parts of results that not every page has: fetched by the pages that have them. */
const loaders = {
  assumptions: () => import('./AssumptionsResult.vue'),
  schedule: () => import('./ScheduleResult.vue'),
  chart: () => import('./ChartResult.vue'),
  ladder: () => import('./LadderResult.vue'),
  comparison: () => import('./ComparisonResult.vue'),
  payment: () => import('./PaymentTakenApart.vue'),
  explanation: () => import('./ExplanationResult.vue'),
  whatIf: () => import('../what-if/WhatIfResult.vue'),
  actions: () => import('../keep/ActionsResult.vue'),
} satisfies Partial<Record<Readout['shows'], () => Promise<Component>>>
export type FetchedPart = keyof typeof loaders

const fetching = new Map<FetchedPart, Promise<Component>>()
function fetchPart(part: FetchedPart): Promise<Component> {
  const fetched = fetching.get(part) ?? fetchAgain<Component>(loaders[part])
  fetching.set(part, fetched)
  return fetched
}

/** A part that is fetched when it is first shown, and takes over in its turn what the server drew of it. */
const shownOnceFetched = (part: FetchedPart): Component =>
  defineAsyncComponent({ loader: () => fetchPart(part), errorComponent: MissingPart, hydrate: inTurn })

export const fetchedParts = Object.fromEntries(
  (Object.keys(loaders) as FetchedPart[]).map((part) => [part, shownOnceFetched(part)]),
) as Record<FetchedPart, Component>

const PATIENCE_MS = 2_000

/** Fetches parts ahead, for a while at most; one that comes later is shown then. */
export const fetchParts = (shown: readonly Readout['shows'][]): Promise<unknown> =>
  Promise.race([
    Promise.allSettled(shown.flatMap((part) => (part in loaders ? [fetchPart(part as FetchedPart)] : []))),
    new Promise((done) => setTimeout(done, PATIENCE_MS)),
  ])
