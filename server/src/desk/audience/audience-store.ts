import { QueryTypes, type Sequelize } from 'sequelize'
import type { AudienceEvent, AudienceQuery } from '@vivid/contract'
import type { Tally } from '../../visitors/counting/counter'

/** A count of one event of one calculator, edition, language and placement, on one day. */
export interface CountRow {
  readonly day: string
  readonly calculator: string
  readonly edition: number
  readonly language: string
  readonly placement: string
  readonly event: AudienceEvent
  readonly count: number
}
export interface BandRow {
  readonly question: string
  readonly band: string
  readonly count: number
}

export type AudienceStore = ReturnType<typeof createAudienceStore>

export function createAudienceStore(database: Sequelize) {
  return {
    /** Adds what was counted, all of it or nothing. */
    keep: ({ counts, bands }: Pick<Tally, 'counts' | 'bands'>): Promise<void> =>
      database.transaction(async (transaction) => {
        // In one order everywhere, so that two processes never wait for each other's rows.
        await database.query(
          `INSERT INTO audience_counts (day, calculator, edition, language, placement, event, count)
           SELECT * FROM json_to_recordset(:rows)
             AS r (day date, calculator text, edition integer, language text, placement text, event text, count bigint)
            ORDER BY 1, 2, 3, 4, 5, 6
           ON CONFLICT (day, calculator, edition, language, placement, event)
             DO UPDATE SET count = audience_counts.count + excluded.count`,
          { replacements: { rows: JSON.stringify(counts) }, transaction },
        )
        await database.query(
          `INSERT INTO audience_bands (day, calculator, question, band, count)
           SELECT * FROM json_to_recordset(:rows)
             AS r (day date, calculator text, question text, band text, count bigint)
            ORDER BY 1, 2, 3, 4
           ON CONFLICT (day, calculator, question, band)
             DO UPDATE SET count = audience_bands.count + excluded.count`,
          { replacements: { rows: JSON.stringify(bands) }, transaction },
        )
      }),

    /** Counts within days and whatever else is asked for. */
    async counts(query: AudienceQuery): Promise<CountRow[]> {
      const rows = await database.query<Omit<CountRow, 'count'> & { count: string }>(
        `SELECT to_char(day, 'YYYY-MM-DD') AS day, calculator, edition, language, placement, event, count
           FROM audience_counts WHERE ${conditions(query)} ORDER BY day`,
        { replacements: { ...query }, type: QueryTypes.SELECT },
      )
      return rows.map((row) => ({ ...row, count: Number(row.count) }))
    },
    /** How often answers lay in each band, of one calculator. */
    async bands(query: Pick<AudienceQuery, 'from' | 'to'> & { calculator: string }): Promise<BandRow[]> {
      const rows = await database.query<Omit<BandRow, 'count'> & { count: string }>(
        `SELECT question, band, sum(count) AS count FROM audience_bands
          WHERE day BETWEEN :from AND :to AND calculator = :calculator GROUP BY question, band`,
        { replacements: { ...query }, type: QueryTypes.SELECT },
      )
      return rows.map((row) => ({ ...row, count: Number(row.count) }))
    },
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
