import type { Sequelize, Transaction } from 'sequelize'
import { z } from 'zod'
import { ResolvedStyle } from '@vivid/contract'
import type { CalculatorDocument } from '@vivid/core'
import { asking } from '../../platform/database/asking'
import { jsonb, table, type RowOf } from '../../platform/database/table'
import { openStored } from './calculators-store'

/** An edition as stored: frozen, numbered within its calculator. */
const columns = {
  calculatorId: z.string(),
  number: z.number(),
  /** Canonical JSON of what visitors get. */
  content: z.string(),
  sha256: z.string(),
  /** The document it was made from, and the draft's revision. */
  draft: jsonb(z.unknown().transform(openStored)),
  revision: z.number(),
  editedBy: z.string(),
  approvedBy: z.string(),
  publishedAt: z.date(),
  /** What its author said when sending it. */
  note: z.string(),
  /** The ids of all who changed the draft since the edition before. */
  contributors: z.array(z.string()).readonly(),
}
export type EditionData = RowOf<typeof columns>

/** An edition without what it holds; and whether visitors ever had it. */
const { content: _content, draft: _draft, ...listedColumns } = columns
const Listed = z.object({ ...listedColumns, wasLive: z.boolean() })

/** What the edition that is live was made of, to tell whether one made now would be another. */
const LiveMark = z.object({
  calculatorId: columns.calculatorId,
  revision: columns.revision,
  style: ResolvedStyle,
})
export type LiveMark = z.output<typeof LiveMark>

const Stored = z.object({
  number: columns.number,
  content: columns.content,
  sha256: columns.sha256,
  publishedAt: columns.publishedAt,
})
export type StoredEdition = z.output<typeof Stored>

/** A calculator with the edition that is live, if there is one. */
const Offer = z.object({
  slug: z.string(),
  takenDown: z.boolean(),
  takenDownMessage: z.string(),
  /** The numbers of the editions that were live. */
  lived: z.array(z.number()),
  /** Null: none is live. */
  edition: Stored.nullable(),
})
export type StoredOffer = z.output<typeof Offer>
const OfferRow = z.union([
  Offer.omit({ edition: true }).extend(Stored.shape),
  Offer.omit({ edition: true }).extend({ number: z.null() }),
])

export type EditionsStore = ReturnType<typeof createEditionsStore>

export function createEditionsStore(database: Sequelize) {
  const ask = asking(database)
  const editions = table(database, 'editions', columns)

  return {
    /** What visitors are offered: of one address, or all. */
    async offers(slug?: string): Promise<StoredOffer[]> {
      const found = await ask.rows(
        OfferRow,
        `SELECT c.slug, c.taken_down_at IS NOT NULL AS "takenDown", c.taken_down_message AS "takenDownMessage",
                e.number, e.content, e.sha256, e.published_at AS "publishedAt",
                ARRAY(SELECT number FROM edition_lives WHERE calculator_id = c.id) AS lived
           FROM calculators c
           LEFT JOIN editions e ON e.calculator_id = c.id AND e.number = c.live_edition
          WHERE CAST(:slug AS text) IS NULL OR c.slug = :slug`,
        { slug: slug ?? null },
      )
      return found.map((row) => {
        const { takenDown, takenDownMessage, lived } = row
        const edition = row.number === null ? null : Stored.parse(row)
        return { slug: row.slug, takenDown, takenDownMessage, lived, edition }
      })
    },
    /** An edition that visitors had before, as it was frozen; not one that waits for its time, or never came to it. */
    editionThatLived: (slug: string, number: number) =>
      ask.first(
        Stored,
        `SELECT e.number, e.content, e.sha256, e.published_at AS "publishedAt"
           FROM calculators c JOIN editions e ON e.calculator_id = c.id
           JOIN edition_lives l ON l.calculator_id = e.calculator_id AND l.number = e.number
          WHERE c.slug = :slug AND e.number = :number`,
        { slug, number },
      ),
    /** Every edition of a calculator, none of which visitors ever had. */
    removeAll: (calculatorId: string, transaction: Transaction) =>
      editions.remove({ calculatorId }, transaction),
    /** Newest first. */
    listed: (calculatorId: string, transaction?: Transaction) =>
      ask.rows(
        Listed,
        `SELECT calculator_id AS "calculatorId", number, sha256, revision, edited_by AS "editedBy",
                approved_by AS "approvedBy", published_at AS "publishedAt", note, contributors,
                EXISTS (SELECT 1 FROM edition_lives l WHERE l.calculator_id = e.calculator_id AND l.number = e.number) AS "wasLive"
           FROM editions e WHERE calculator_id = :calculatorId ORDER BY number DESC`,
        { calculatorId },
        transaction,
      ),
    /** Of one calculator, or of each that is live. */
    liveMarks: (calculatorId?: string, transaction?: Transaction) =>
      ask.rows(
        LiveMark,
        `SELECT e.calculator_id AS "calculatorId", e.revision, CAST(e.content AS json) -> 'style' AS style
           FROM calculators c JOIN editions e ON e.calculator_id = c.id AND e.number = c.live_edition
          WHERE CAST(:calculatorId AS uuid) IS NULL OR c.id = :calculatorId`,
        { calculatorId: calculatorId ?? null },
        transaction,
      ),
    /** The document an edition was made from. */
    async draftOf(calculatorId: string, number: number): Promise<CalculatorDocument | undefined> {
      const where = 'WHERE calculator_id = :calculatorId AND number = :number'
      return (await editions.pick(['draft'], where, { calculatorId, number }))[0]?.draft
    },
    /** What visitors read above each calculator that is live, in its main language. */
    async liveTitles(): Promise<ReadonlyMap<string, string>> {
      const found = await ask.rows(
        z.object({ id: z.string(), title: z.string().nullable() }),
        `SELECT c.id, p.program -> 'title' ->> (p.program -> 'languages' ->> 0) AS title
           FROM calculators c JOIN editions e ON e.calculator_id = c.id AND e.number = c.live_edition,
                LATERAL (SELECT CAST(e.content AS json) -> 'program' AS program) AS p`,
      )
      return new Map(found.map(({ id, title }) => [id, title ?? '']))
    },
    /** The documents that what is live was made from. */
    liveDrafts: () =>
      ask.rows(
        z.object({ id: z.string(), document: columns.draft }),
        `SELECT c.id, e.draft AS document
           FROM calculators c JOIN editions e ON e.calculator_id = c.id AND e.number = c.live_edition`,
      ),
    one: (calculatorId: string, number: number, transaction?: Transaction) =>
      editions.first(
        'WHERE calculator_id = :calculatorId AND number = :number',
        { calculatorId, number },
        transaction,
      ),
    async add(edition: EditionData, transaction: Transaction): Promise<void> {
      await editions.add(edition, transaction)
    },
  }
}
