import type { Logger } from 'pino'
import type { LiveCalculator } from '@vivid/contract'
import type { RateSheet } from '@vivid/core'
import { listenForNotices, type Notices } from '../platform/database/notices'
import { changeSaid, EVERYTHING } from './changes'
import { createLiveKeys, type KeysStored, type KnownKey } from './live-keys'
import { createLiveOffers, type Offer, type OffersStored } from './live-offers'
import { createLivePlacements, type LivePlacements, type PlacementsStored } from './live-placements'
import { createLiveSheets, type SheetsStored } from './live-sheets'
import { createRefresher } from './refresher'

export interface LiveDeps {
  readonly offers: OffersStored
  readonly sheets: SheetsStored
  readonly placements: PlacementsStored
  readonly keys: KeysStored
  readonly databaseUrl: string
  readonly log: Logger
}

/**
 * What visitors are served, kept in memory: filled from PostgreSQL at the start, and read anew one thing at a time whenever
 * any server process announces a change. While the database is away, visitors are served what was known.
 */
export interface Live {
  get(slug: string): Offer | undefined
  /** Every calculator that is live. */
  all(): LiveCalculator[]
  /** An edition that visitors had before; not one that waits for its time, or never came to it. */
  edition(slug: string, number: number): Promise<LiveCalculator | undefined>
  /** The sheets of these ids as they stand; one that is not there is left out. */
  sheets(ids: readonly string[]): RateSheet[]
  readonly placements: LivePlacements
  /** The key of this hash, unless it was withdrawn. */
  keyByHash(hash: string): KnownKey | undefined
  /** Goes up whenever something here becomes something else. */
  readonly generation: number
  /** Whether changes are heard of. */
  readonly isConnected: boolean
  /** For how many seconds what is here may have been another in the database; 0: it is as it stands there. */
  readonly secondsBehind: number
  open(): Promise<void>
  close(): Promise<void>
}

export function createLive({ databaseUrl, log, ...stored }: LiveDeps): Live {
  const offers = createLiveOffers(stored.offers)
  const sheets = createLiveSheets(stored.sheets)
  const placements = createLivePlacements(stored.placements)
  const keys = createLiveKeys(stored.keys)
  let generation = 0
  let notices: Notices | undefined

  async function read(notice: string): Promise<void> {
    const change = changeSaid(notice)
    switch (change.of) {
      case 'calculator':
        await offers.refresh(change.slug)
        break
      case 'sheet':
        await sheets.refresh(change.id)
        break
      case 'placements':
        await placements.refresh()
        break
      case 'keys':
        await keys.refresh()
        break
      case 'everything':
        for (const part of [offers, sheets, placements, keys]) await part.refresh()
    }
    generation++
  }
  const refresher = createRefresher(read, log)

  return {
    get: offers.get,
    all: offers.all,
    edition: offers.edition,
    sheets: sheets.of,
    keyByHash: keys.byHash,
    get placements() {
      return placements.now
    },
    get generation() {
      return generation
    },
    get isConnected() {
      return notices !== undefined && notices.unheardSince === undefined
    },
    get secondsBehind() {
      const since = [notices?.unheardSince, refresher.behindSince].flatMap((at) => (at ? [Number(at)] : []))
      return since.length === 0 ? 0 : (Date.now() - Math.min(...since)) / 1000
    },
    async open() {
      notices = await listenForNotices(databaseUrl, log, {
        onNotice: (what) => refresher.refresh(what),
        // Only once listening, so that no change falls between reading and listening.
        onListening: () => refresher.refresh(EVERYTHING),
      })
      await refresher.settled()
    },
    async close() {
      await notices?.close()
      await refresher.stop()
    },
  }
}
