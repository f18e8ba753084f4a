import type { Component } from 'vue'
import type { CalculatorStep, Readout } from '@vivid/core/evaluate'
import { fetchedPart, type FetchedPart } from '../pieces/fetched-part'
import { loansPart } from '../questions/loans-part'

/** The results that not every page has. */
const parts = {
  assumptions: fetchedPart(() => import('./AssumptionsResult.vue')),
  schedule: fetchedPart(() => import('./ScheduleResult.vue')),
  chart: fetchedPart(() => import('./ChartResult.vue')),
  ladder: fetchedPart(() => import('./LadderResult.vue')),
  comparison: fetchedPart(() => import('./ComparisonResult.vue')),
  payOff: fetchedPart(() => import('./PayOffResult.vue')),
  payment: fetchedPart(() => import('./PaymentTakenApart.vue')),
  explanation: fetchedPart(() => import('./ExplanationResult.vue')),
  whatIf: fetchedPart(() => import('../what-if/WhatIfResult.vue')),
  actions: fetchedPart(() => import('../keep/ActionsResult.vue')),
} satisfies Partial<Record<Readout['shows'], FetchedPart>>
type Fetched = keyof typeof parts

export const fetchedParts = Object.fromEntries(
  Object.entries(parts).map(([shows, { component }]) => [shows, component]),
) as Record<Fetched, Component>

const PATIENCE_MS = 2_000

/** Fetches what a page of these steps has, ahead and for a while at most; what comes later is shown then. */
export const fetchParts = (steps: readonly CalculatorStep[]): Promise<unknown> =>
  Promise.race([
    Promise.allSettled(steps.flatMap((step) => partOf(step)?.fetch() ?? [])),
    new Promise((done) => setTimeout(done, PATIENCE_MS)),
  ])

function partOf(step: CalculatorStep): FetchedPart | undefined {
  if (step.kind === 'question') return step.asks === 'loans' ? loansPart : undefined
  return step.kind === 'readout' && step.shows in parts ? parts[step.shows as Fetched] : undefined
}
