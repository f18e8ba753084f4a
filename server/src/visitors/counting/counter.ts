import type { Logger } from 'pino'
import type { Answered, Counted } from '@vivid/contract'
import { inBackground, type Background } from '../../platform/background'
import type { Sighting } from './placing'

/** What was counted since the last time it was kept. */
export interface Tally {
  readonly counts: readonly (Counted & { readonly day: string; readonly count: number })[]
  readonly bands: readonly {
    readonly day: string
    readonly calculator: string
    readonly question: string
    readonly band: string
    readonly count: number
  }[]
  readonly sightings: readonly Sighting[]
  /** When each key of another channel was last used. */
  readonly keys: readonly { readonly id: string; readonly at: Date }[]
}

/** Counts in memory, so that no visitor waits; kept in the database every few seconds and when the server stops. */
export interface AudienceCounter extends Background {
  count(event: Counted, day: string): void
  answered(answers: Answered, day: string): void
  seen(sighting: Sighting): void
  keyUsed(id: string): void
}

const KEEP_EVERY_MS = 3_000
/** More different things than this between two keepings are not the doing of visitors. */
const MOST = 20_000

export function startCounting(keep: (tally: Tally) => Promise<void>, log: Logger): AudienceCounter {
  let counts = new Map<string, number>()
  let bands = new Map<string, number>()
  let sightings = new Map<string, Sighting>()
  let keys = new Map<string, Date>()
  const add = (to: Map<string, number>, key: object) => {
    const text = JSON.stringify(key)
    if (to.size < MOST || to.has(text)) to.set(text, (to.get(text) ?? 0) + 1)
  }

  async function keepAll(): Promise<void> {
    if (counts.size + bands.size + sightings.size + keys.size === 0) return
    const taken = { counts, bands, sightings, keys }
    counts = new Map()
    bands = new Map()
    sightings = new Map()
    keys = new Map()
    try {
      await keep({
        counts: read(taken.counts) as Tally['counts'],
        bands: read(taken.bands) as Tally['bands'],
        sightings: [...taken.sightings.values()],
        keys: [...taken.keys].map(([id, at]) => ({ id, at })),
      })
    } catch (err) {
      // Nothing of it was kept: it is counted again with what came meanwhile.
      putBack(taken.counts, counts)
      putBack(taken.bands, bands)
      for (const [key, sighting] of taken.sightings) if (!sightings.has(key)) sightings.set(key, sighting)
      throw err
    }
  }

  const background = inBackground(keepAll, KEEP_EVERY_MS, (err) =>
    log.warn({ err }, 'what was counted could not be kept yet'),
  )
  return {
    count: ({ calculator, edition, language, placement, event }, day) =>
      add(counts, { day, calculator, edition, language, placement, event }),
    answered: ({ calculator, bands: given }, day) => {
      for (const [question, band] of Object.entries(given)) add(bands, { day, calculator, question, band })
    },
    seen: (sighting) => {
      const key = [sighting.placement, sighting.slug, sighting.origin, sighting.page].join(' ')
      if (sightings.size < MOST || sightings.has(key)) sightings.set(key, sighting)
    },
    keyUsed: (id) => void keys.set(id, new Date()),
    hurry: background.hurry,
    stop: async () => {
      await background.stop()
      await keepAll().catch((err: unknown) => log.error({ err }, 'the last counts could not be kept'))
    },
  }
}

const read = (from: ReadonlyMap<string, number>): object[] =>
  [...from].map(([key, count]) => ({ ...(JSON.parse(key) as object), count }))

function putBack(from: ReadonlyMap<string, number>, to: Map<string, number>): void {
  for (const [key, count] of from) to.set(key, (to.get(key) ?? 0) + count)
}
