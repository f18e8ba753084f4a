import { afterEach, vi } from 'vitest'
import type { CalculatorOpened, SheetListed } from '@vivid/contract'
import { emptyCalculator, type CalculatorDocument, type RateSheet } from '@vivid/core'

export const INES = { id: '7f1d9c1e-5f0a-4b55-9d55-0d6f7a1e0001', name: 'Ines Okafor' }
export const CALCULATOR = '7f1d9c1e-5f0a-4b55-9d55-0d6f7a1e0002'

/** A calculator as the server has it. */
export const openedAs = (fields: Partial<CalculatorOpened> = {}): CalculatorOpened => ({
  id: CALCULATOR,
  slug: 'raft-loan',
  revision: 1,
  document: named('Raft loan'),
  state: 'draft',
  lastEditedBy: INES.name,
  lastEditedById: INES.id,
  lastEditedAt: '2026-11-25T09:00:00.000Z',
  contributors: [INES],
  sentBy: null,
  sentNote: '',
  sentBack: null,
  liveEdition: null,
  lastLiveEdition: null,
  editions: [],
  lastPublished: null,
  scheduled: null,
  houseStyle: 'larkmoor',
  style: {},
  ...fields,
})
export const named = (title: string, fields: Partial<CalculatorDocument> = {}): CalculatorDocument => ({
  ...emptyCalculator(),
  title: { 'en-CA': title },
  ...fields,
})

export const listedAs = (sheet: RateSheet, fields: Partial<SheetListed> = {}): SheetListed => ({
  sheet,
  live: sheet,
  revision: 1,
  state: 'live',
  lastEditedBy: INES.name,
  lastEditedById: INES.id,
  lastEditedAt: '2026-11-25T09:00:00.000Z',
  contributors: [],
  sentBy: null,
  sentNote: '',
  sentBack: null,
  editions: [],
  usedBy: [],
  ...fields,
})

export interface Asked {
  readonly method: string
  readonly path: string
  readonly body: unknown
}
type Answer = { readonly status?: number; readonly body: unknown } | 'offline'

/** A server that answers as it is told to, in place of the network. What it was asked is in `asked`. */
export function deskServer(answer: (asked: Asked) => Answer | Promise<Answer>) {
  const asked: Asked[] = []
  vi.stubGlobal('fetch', async (address: string, { method, body }: RequestInit) => {
    const one = {
      method: method ?? 'GET',
      path: address.replace('/api', ''),
      body: typeof body === 'string' ? (JSON.parse(body) as unknown) : undefined,
    }
    asked.push(one)
    const given = await answer(one)
    if (given === 'offline') throw new TypeError('Failed to fetch')
    return new Response(JSON.stringify(given.body), { status: given.status ?? 200 })
  })
  return { asked }
}
export const refusal = (status: number, code: string, sentence: string, more: object = {}): Answer => ({
  status,
  body: { code, sentence, requestId: 'a-request', ...more },
})

afterEach(() => {
  vi.unstubAllGlobals()
  vi.useRealTimers()
})
