import { randomBytes } from 'node:crypto'
import type { Sequelize, Transaction } from 'sequelize'
import { asking } from '../../platform/database/asking'
import type { PlacementChoices, SaveSite, Site } from '@vivid/contract'
import type { Placed } from '../../live/live-placements'
import type { Sighting } from '../../visitors/counting/placing'

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

  return {
    sites: (transaction?: Transaction): Promise<Site[]> =>
      ask<Site>('SELECT id, name, origins FROM sites ORDER BY name', {}, transaction),
    placements: (transaction?: Transaction): Promise<Placed[]> =>
      ask<Placed>(`${PLACED} ORDER BY s.name, p.page, p.id`, {}, transaction),
    sightings: (): Promise<Sighting[]> =>
      ask<Sighting>(
        'SELECT placement, slug, origin, page, verdict, last_seen AS "lastSeen" FROM sightings ORDER BY last_seen DESC',
      ),

    async addSite({ name, origins }: SaveSite, transaction: Transaction): Promise<string> {
      const [made] = await ask<{ id: string }>(
        'INSERT INTO sites (name, origins) VALUES (:name, CAST(:origins AS jsonb)) RETURNING id',
        { name, origins: JSON.stringify(origins) },
        transaction,
      )
      return made?.id ?? ''
    },
    async changeSite(id: string, { name, origins }: SaveSite, transaction: Transaction): Promise<boolean> {
      const changed = await ask(
        'UPDATE sites SET name = :name, origins = CAST(:origins AS jsonb) WHERE id = :id RETURNING id',
        { id, name, origins: JSON.stringify(origins) },
        transaction,
      )
      return changed.length === 1
    },
    async removeSite(id: string, transaction: Transaction): Promise<void> {
      await ask('DELETE FROM sites WHERE id = :id RETURNING id', { id }, transaction)
    },
    /** The stand-in's own address, which is another at each start. */
    async moveStandIn(origin: string): Promise<boolean> {
      const moved = await ask(
        `UPDATE sites SET origins = CAST(:origins AS jsonb)
          WHERE stand_in AND origins <> CAST(:origins AS jsonb) RETURNING id`,
        { origins: JSON.stringify([origin]) },
      )
      return moved.length > 0
    },

    async add(choices: PlacementChoices, transaction: Transaction): Promise<string> {
      const id = randomBytes(8).toString('hex')
      await ask(
        `INSERT INTO placements (id, site_id, page, calculator_id, language, answers, width)
         VALUES (:id, :site, :page, :calculator, :language, CAST(:answers AS jsonb), :width) RETURNING id`,
        { id, ...choices, answers: JSON.stringify(choices.answers) },
        transaction,
      )
      return id
    },
    async change(id: string, choices: PlacementChoices, transaction: Transaction): Promise<boolean> {
      const changed = await ask(
        `UPDATE placements SET site_id = :site, page = :page, calculator_id = :calculator, language = :language,
           answers = CAST(:answers AS jsonb), width = :width WHERE id = :id RETURNING id`,
        { id, ...choices, answers: JSON.stringify(choices.answers) },
        transaction,
      )
      return changed.length === 1
    },
    async remove(id: string, transaction: Transaction): Promise<boolean> {
      return (
        (await ask('DELETE FROM placements WHERE id = :id RETURNING id', { id }, transaction)).length === 1
      )
    },

    /**
     * Keeps where snippets were seen last. What was not seen there before is new, and of those a day has only so many;
     * the oldest are forgotten where there are too many.
     */
    async keepSightings(seen: readonly Sighting[]): Promise<void> {
      for (const { lastSeen, ...sighting } of seen) {
        const values = { ...sighting, lastSeen, most: MOST_NEW_A_DAY }
        const known = await ask(
          `UPDATE sightings SET verdict = :verdict, last_seen = greatest(last_seen, :lastSeen)
            WHERE placement = :placement AND slug = :slug AND origin = :origin AND page = :page RETURNING slug`,
          values,
        )
        if (known.length > 0) continue
        await ask(
          `INSERT INTO sightings (placement, slug, origin, page, verdict, last_seen)
           SELECT :placement, :slug, :origin, :page, :verdict, :lastSeen
            WHERE (SELECT count(*) FROM sightings WHERE first_seen > now() - interval '1 day') < :most
           ON CONFLICT DO NOTHING RETURNING slug`,
          values,
        )
      }
      await ask(
        `DELETE FROM sightings WHERE last_seen < (
           SELECT last_seen FROM sightings ORDER BY last_seen DESC OFFSET :most LIMIT 1) RETURNING slug`,
        { most: MOST_SIGHTINGS },
      )
    },
  }
}
