import type { Sequelize } from 'sequelize'
import { z } from 'zod'
import { Counted, type AudienceQuery } from '@vivid/contract'
import { asking } from '../../platform/database/asking'
import type { Tally } from '../../visitors/counting/counter'

/** A count of one event of one calculator, edition, language and placement, on one day. */
const CountRow = z.object({
  day: z.string(),
  calculator: z.string(),
  edition: z.number(),
  language: z.string(),
  placement: z.string(),
  event: Counted.shape.event,
  count: z.coerce.number(),
})
export type CountRow = z.output<typeof CountRow>

const BandRow = z.object({ question: z.string(), band: z.string(), count: z.coerce.number() })
export type BandRow = z.output<typeof BandRow>

export type AudienceStore = ReturnType<typeof createAudienceStore>

export function createAudienceStore(database: Sequelize) {
  const ask = asking(database)
  return {
    /** Adds what was counted, all of it or nothing. */
    keep: ({ counts, bands }: Pick<Tally, 'counts' | 'bands'>): Promise<void> =>
      database.transaction(async (transaction) => {
        // In one order everywhere, so that two processes never wait for each other's rows.
        await ask.run(
          `INSERT INTO audience_counts (day, calculator, edition, language, placement, event, count)
           SELECT * FROM json_to_recordset(:rows)
             AS r (day date, calculator text, edition integer, language text, placement text, event text, count bigint)
            ORDER BY 1, 2, 3, 4, 5, 6
           ON CONFLICT (day, calculator, edition, language, placement, event)
             DO UPDATE SET count = audience_counts.count + excluded.count`,
          { rows: JSON.stringify(counts) },
          transaction,
        )
        await ask.run(
          `INSERT INTO audience_bands (day, calculator, question, band, count)
           SELECT * FROM json_to_recordset(:rows)
             AS r (day date, calculator text, question text, band text, count bigint)
            ORDER BY 1, 2, 3, 4
           ON CONFLICT (day, calculator, question, band)
             DO UPDATE SET count = audience_bands.count + excluded.count`,
          { rows: JSON.stringify(bands) },
          transaction,
        )
      }),

    /** Counts within days and whatever else is asked for. */
    counts: (query: AudienceQuery) =>
      ask.rows(
        CountRow,
        `SELECT to_char(day, 'YYYY-MM-DD') AS day, calculator, edition, language, placement, event, count
           FROM audience_counts WHERE ${conditions(query)} ORDER BY day`,
        query,
      ),
    /** How often answers lay in each band, of one calculator. */
    bands: (query: Pick<AudienceQuery, 'from' | 'to'> & { calculator: string }) =>
      ask.rows(
        BandRow,
        `SELECT question, band, sum(count) AS count FROM audience_bands
          WHERE day BETWEEN :from AND :to AND calculator = :calculator GROUP BY question, band`,
        query,
      ),
  }
}

const conditions = ({ calculator, placement, edition, language }: AudienceQuery): string =>
  [
    'day BETWEEN :from AND :to',
    calculator !== undefined && 'calculator = :calculator',
    placement !== undefined && 'placement = :placement',
    edition !== undefined && 'edition = :edition',
    language !== undefined && 'language = :language',
  ]
    .filter(Boolean)
    .join(' AND ')
