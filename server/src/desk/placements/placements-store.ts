import { randomBytes } from 'node:crypto'
import type { Sequelize, Transaction } from 'sequelize'
import { z } from 'zod'
import { asking } from '../../platform/database/asking'
import { jsonb, table } from '../../platform/database/table'
import type { PlacementChoices, SaveSite, Site } from '@vivid/contract'
import type { Placed } from '../../live/live-placements'
import type { Sighting } from '../../visitors/counting/placing'

const siteColumns = {
  id: z.string(),
  name: z.string(),
  origins: jsonb(z.array(z.string())),
  /** The demo's own, whose address is another at each start. */
  standIn: z.boolean(),
}
const placementColumns = {
  id: z.string(),
  siteId: z.string(),
  page: z.string(),
  calculatorId: z.string(),
  language: z.string(),
  answers: jsonb(z.record(z.string(), z.string())),
  width: z.number().nullable(),
}
const { siteId: site, calculatorId: calculator, ...plainColumns } = placementColumns
const Placement = z.object({
  ...plainColumns,
  site,
  calculator,
  siteName: z.string(),
  origins: z.array(z.string()),
  slug: z.string(),
  isLive: z.boolean(),
  isTakenDown: z.boolean(),
})
const sightingColumns = {
  placement: z.string(),
  slug: z.string(),
  origin: z.string(),
  page: z.string(),
  verdict: z.enum(['shown', 'unlisted', 'notLive', 'takenDown', 'unknown']),
  lastSeen: z.date(),
}

export type PlacementsStore = ReturnType<typeof createPlacementsStore>

const PLACED = `SELECT p.id, p.site_id AS site, p.page, p.calculator_id AS calculator, p.language, p.answers, p.width,
    s.name AS "siteName", s.origins, c.slug, c.live_edition IS NOT NULL AS "isLive",
    c.live_edition IS NULL AND c.taken_down_at IS NOT NULL AS "isTakenDown"
  FROM placements p JOIN sites s ON s.id = p.site_id JOIN calculators c ON c.id = p.calculator_id`

/** Whoever wants to fill the table of sightings with made-up ones gets no further than this. */
const MOST_SIGHTINGS = 4_000
const MOST_NEW_A_DAY = 500

export function createPlacementsStore(database: Sequelize) {
  const ask = asking(database)
  const sites = table(database, 'sites', siteColumns)
  const placements = table(database, 'placements', placementColumns)
  const sightings = table(database, 'sightings', sightingColumns)

  return {
    sites: (transaction?: Transaction): Promise<Site[]> =>
      sites.pick(['id', 'name', 'origins'], 'ORDER BY name', {}, transaction),
    placements: (transaction?: Transaction): Promise<Placed[]> =>
      ask.rows(Placement, `${PLACED} ORDER BY s.name, p.page, p.id`, {}, transaction),
    sightings: (): Promise<Sighting[]> => sightings.find('ORDER BY last_seen DESC'),

    addSite: async ({ name, origins }: SaveSite, transaction: Transaction): Promise<string> =>
      (await sites.add({ name, origins }, transaction)).id,
    changeSite: async (id: string, { name, origins }: SaveSite, transaction: Transaction) =>
      (await sites.change({ name, origins }, { id }, transaction)) === 1,
    async removeSite(id: string, transaction: Transaction): Promise<void> {
      await sites.remove({ id }, transaction)
    },
    /** The stand-in's own address, which is another at each start. */
    async moveStandIn(origin: string): Promise<boolean> {
      const moved = await ask.run(
        `UPDATE sites SET origins = CAST(:origins AS jsonb)
          WHERE stand_in AND origins <> CAST(:origins AS jsonb)`,
        { origins: JSON.stringify([origin]) },
      )
      return moved > 0
    },

    async add(choices: PlacementChoices, transaction: Transaction): Promise<string> {
      return (await placements.add({ id: randomBytes(8).toString('hex'), ...asStored(choices) }, transaction))
        .id
    },
    change: async (id: string, choices: PlacementChoices, transaction: Transaction) =>
      (await placements.change(asStored(choices), { id }, transaction)) === 1,
    remove: async (id: string, transaction: Transaction) =>
      (await placements.remove({ id }, transaction)) === 1,

    /**
     * Keeps where snippets were seen last. What was not seen there before is new, and of those a day has only so many;
     * the oldest are forgotten where there are too many.
     */
    async keepSightings(seen: readonly Sighting[]): Promise<void> {
      for (const { lastSeen, ...sighting } of seen) {
        const values = { ...sighting, lastSeen, most: MOST_NEW_A_DAY }
        const known = await ask.run(
          `UPDATE sightings SET verdict = :verdict, last_seen = greatest(last_seen, :lastSeen)
            WHERE placement = :placement AND slug = :slug AND origin = :origin AND page = :page`,
          values,
        )
        if (known > 0) continue
        await ask.run(
          `INSERT INTO sightings (placement, slug, origin, page, verdict, last_seen)
           SELECT :placement, :slug, :origin, :page, :verdict, :lastSeen
            WHERE (SELECT count(*) FROM sightings WHERE first_seen > now() - interval '1 day') < :most
           ON CONFLICT DO NOTHING`,
          values,
        )
      }
      await ask.run(
        `DELETE FROM sightings WHERE last_seen < (
           SELECT last_seen FROM sightings ORDER BY last_seen DESC OFFSET :most LIMIT 1)`,
        { most: MOST_SIGHTINGS },
      )
    },
  }
}

const asStored = ({ site: siteId, calculator: calculatorId, ...choices }: PlacementChoices) => ({
  siteId,
  calculatorId,
  ...choices,
})
