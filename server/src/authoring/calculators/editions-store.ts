import { DataTypes, type InferAttributes, Model, type Sequelize, type Transaction } from 'sequelize'
import type { HouseStyle } from '@vivid/contract'
import type { CalculatorDocument } from '@vivid/core'
import { openStored } from './calculators-store'
import { asking } from '../../platform/database/asking'

class EditionRow extends Model<InferAttributes<EditionRow>, EditionData> {
  declare calculatorId: string
  declare number: number
  declare content: string
  declare sha256: string
  declare draft: CalculatorDocument
  declare revision: number
  declare editedBy: string
  declare approvedBy: string
  declare publishedAt: Date
  declare note: string
  declare contributors: readonly string[]
}

/** An edition as stored: frozen, numbered within its calculator. */
export interface EditionData {
  readonly calculatorId: string
  readonly number: number
  /** Canonical JSON of what visitors get. */
  readonly content: string
  readonly sha256: string
  /** The document it was made from, and the draft's revision. */
  readonly draft: CalculatorDocument
  readonly revision: number
  readonly editedBy: string
  readonly approvedBy: string
  readonly publishedAt: Date
  /** What its author said when sending it. */
  readonly note: string
  /** The ids of all who changed the draft since the edition before. */
  readonly contributors: readonly string[]
}

/** An edition without what it holds; and whether visitors ever had it. */
export interface EditionListed extends Omit<EditionData, 'content' | 'draft'> {
  readonly wasLive: boolean
}

/** What the edition that is live was made of, to tell whether one made now would be another. */
export interface LiveMark {
  readonly calculatorId: string
  readonly revision: number
  readonly style: HouseStyle
}

/** A calculator with the edition that is live, if there is one, as stored. */
export interface StoredOffer {
  readonly slug: string
  readonly takenDown: boolean
  readonly takenDownMessage: string
  /** Null: none is live. */
  readonly edition: StoredEdition | null
  /** The numbers of the editions that were live. */
  readonly lived: readonly number[]
}

export interface StoredEdition {
  readonly number: number
  /** Canonical JSON */
  readonly content: string
  readonly sha256: string
  readonly publishedAt: Date
}

interface OfferRow extends Omit<StoredOffer, 'edition'>, Omit<StoredEdition, 'number'> {
  readonly number: number | null
}

export type EditionsStore = ReturnType<typeof createEditionsStore>

export function createEditionsStore(database: Sequelize) {
  const ask = asking(database)
  // A class of its own for each connection: `init` binds the class itself to it.
  const rows = class extends EditionRow {}.init(
    {
      calculatorId: { type: DataTypes.UUID, primaryKey: true },
      number: { type: DataTypes.INTEGER, primaryKey: true },
      content: DataTypes.TEXT,
      sha256: { type: DataTypes.TEXT, field: 'sha256' },
      draft: DataTypes.JSONB,
      revision: DataTypes.INTEGER,
      editedBy: DataTypes.UUID,
      approvedBy: DataTypes.UUID,
      publishedAt: DataTypes.DATE,
      note: DataTypes.TEXT,
      contributors: DataTypes.ARRAY(DataTypes.UUID),
    },
    {
      sequelize: database,
      modelName: 'editions',
      tableName: 'editions',
      underscored: true,
      timestamps: false,
    },
  )
  const plain = (row: EditionRow): EditionData => {
    const data = row.get({ plain: true })
    return { ...data, draft: openStored(data.draft) }
  }

  return {
    /** What visitors are offered: of one address, or all. */
    async offers(slug?: string): Promise<StoredOffer[]> {
      const found = await ask<OfferRow>(
        `SELECT c.slug, c.taken_down_at IS NOT NULL AS "takenDown", c.taken_down_message AS "takenDownMessage",
                e.number, e.content, e.sha256, e.published_at AS "publishedAt",
                ARRAY(SELECT number FROM edition_lives WHERE calculator_id = c.id) AS lived
           FROM calculators c
           LEFT JOIN editions e ON e.calculator_id = c.id AND e.number = c.live_edition
          WHERE CAST(:slug AS text) IS NULL OR c.slug = :slug`,
        { slug: slug ?? null },
      )
      return found.map(({ number, content, sha256, publishedAt, ...offer }) => ({
        ...offer,
        edition: number === null ? null : { number, content, sha256, publishedAt },
      }))
    },
    /** An edition that visitors had before, as it was frozen; not one that waits for its time, or never came to it. */
    async editionThatLived(slug: string, number: number): Promise<StoredEdition | undefined> {
      const [found] = await ask<StoredEdition>(
        `SELECT e.number, e.content, e.sha256, e.published_at AS "publishedAt"
           FROM calculators c JOIN editions e ON e.calculator_id = c.id
           JOIN edition_lives l ON l.calculator_id = e.calculator_id AND l.number = e.number
          WHERE c.slug = :slug AND e.number = :number`,
        { slug, number },
      )
      return found
    },
    /** Newest first. */
    listed: (calculatorId: string, transaction?: Transaction): Promise<EditionListed[]> =>
      ask<EditionListed>(
        `SELECT calculator_id AS "calculatorId", number, sha256, revision, edited_by AS "editedBy",
                approved_by AS "approvedBy", published_at AS "publishedAt", note, contributors,
                EXISTS (SELECT 1 FROM edition_lives l WHERE l.calculator_id = e.calculator_id AND l.number = e.number) AS "wasLive"
           FROM editions e WHERE calculator_id = :calculatorId ORDER BY number DESC`,
        { calculatorId },
        transaction,
      ),
    /** Of one calculator, or of each that is live. */
    liveMarks: (calculatorId?: string, transaction?: Transaction): Promise<LiveMark[]> =>
      ask<LiveMark>(
        `SELECT e.calculator_id AS "calculatorId", e.revision, CAST(e.content AS json) -> 'style' AS style
           FROM calculators c JOIN editions e ON e.calculator_id = c.id AND e.number = c.live_edition
          WHERE CAST(:calculatorId AS uuid) IS NULL OR c.id = :calculatorId`,
        { calculatorId: calculatorId ?? null },
        transaction,
      ),
    /** The document an edition was made from. */
    async draftOf(calculatorId: string, number: number): Promise<CalculatorDocument | undefined> {
      const row = await rows.findOne({ attributes: ['draft'], where: { calculatorId, number } })
      return row ? openStored(row.draft) : undefined
    },
    /** What visitors read above each calculator that is live, in its main language. */
    async liveTitles(): Promise<ReadonlyMap<string, string>> {
      const found = await ask<{ id: string; title: string | null }>(
        `SELECT c.id, p.program -> 'title' ->> (p.program -> 'languages' ->> 0) AS title
           FROM calculators c JOIN editions e ON e.calculator_id = c.id AND e.number = c.live_edition,
                LATERAL (SELECT CAST(e.content AS json) -> 'program' AS program) AS p`,
      )
      return new Map(found.map(({ id, title }) => [id, title ?? '']))
    },
    /** The documents that what is live was made from. */
    async liveDrafts(): Promise<{ readonly id: string; readonly document: CalculatorDocument }[]> {
      const found = await ask<{ id: string; draft: unknown }>(
        `SELECT c.id, e.draft FROM calculators c JOIN editions e ON e.calculator_id = c.id AND e.number = c.live_edition`,
      )
      return found.map(({ id, draft }) => ({ id, document: openStored(draft) }))
    },
    async one(
      calculatorId: string,
      number: number,
      transaction?: Transaction,
    ): Promise<EditionData | undefined> {
      const row = await rows.findOne({ where: { calculatorId, number }, transaction })
      return row ? plain(row) : undefined
    },
    async add(edition: EditionData, transaction: Transaction): Promise<void> {
      await rows.create(edition, { transaction })
    },
  }
}
