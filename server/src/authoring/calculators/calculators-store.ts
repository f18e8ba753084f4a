import { DataTypes, type InferAttributes, Model, Op, type Sequelize, Transaction } from 'sequelize'
import type { Remark } from '@vivid/contract'
import { openDocument, type Answers, type CalculatorDocument } from '@vivid/core'
import { asking } from '../../platform/database/asking'
import { FIRST_STYLE } from '../house-styles/shipped-styles'

class CalculatorRow extends Model<InferAttributes<CalculatorRow>, NewCalculator> {
  declare id: string
  declare slug: string
  declare draft: unknown
  declare revision: number
  declare lastEditedBy: string
  declare lastEditedAt: Date
  declare sentRevision: number | null
  declare sentBy: string | null
  declare liveEdition: number | null
  declare takenDownAt: Date | null
  declare houseStyle: string
  declare sentNote: string
  declare sentBack: SentBackData | null
  declare takenDownMessage: string
  declare scheduledEdition: number | null
  declare scheduledAt: Date | null
  declare scheduledBy: string | null
  declare contributors: readonly string[]
  declare sentContent: string | null
  declare sentSheets: SheetsSent | null
}

/** The rate sheets a draft looked up in when it was sent: the SHA-256 of each, by its address. */
export type SheetsSent = Readonly<Record<string, string>>

export interface NewCalculator {
  readonly slug: string
  readonly draft: CalculatorDocument
  readonly lastEditedBy: string
  readonly contributors: readonly string[]
}

/** A calculator as stored: its draft with a revision, and how far it has come. */
export interface CalculatorData {
  readonly id: string
  readonly slug: string
  readonly draft: CalculatorDocument
  /** Goes up by one with every save. */
  readonly revision: number
  readonly lastEditedBy: string
  readonly lastEditedAt: Date
  readonly sentRevision: number | null
  readonly sentBy: string | null
  readonly liveEdition: number | null
  readonly takenDownAt: Date | null
  readonly houseStyle: string
  readonly sentNote: string
  readonly sentBack: SentBackData | null
  readonly takenDownMessage: string
  /** An approved edition that goes live at a time to come, and who approved it. */
  readonly scheduledEdition: number | null
  readonly scheduledAt: Date | null
  readonly scheduledBy: string | null
  /** The ids of all who changed the draft since its last edition; the database adds whoever saves. */
  readonly contributors: readonly string[]
  /** What an edition of the draft would hold, frozen when it was sent. */
  readonly sentContent: string | null
  readonly sentSheets: SheetsSent | null
}

/** What the list says of a calculator, without its draft; and what its meter was worked out from, if it was. */
export interface CardData extends Pick<
  CalculatorData,
  | 'id'
  | 'slug'
  | 'revision'
  | 'lastEditedBy'
  | 'lastEditedAt'
  | 'sentRevision'
  | 'liveEdition'
  | 'takenDownAt'
  | 'houseStyle'
> {
  readonly title: CalculatorDocument['title']
  readonly languages: CalculatorDocument['languages']
  readonly currency: CalculatorDocument['currency']
  readonly sampleName: string
  readonly meterMark: string | null
}

/** A draft sent back, as stored. */
export interface SentBackData {
  readonly by: string
  /** ISO timestamp */
  readonly at: string
  readonly remarks: readonly Remark[]
}

export type CalculatorProgress = Partial<
  Pick<
    CalculatorData,
    | 'sentRevision'
    | 'sentBy'
    | 'liveEdition'
    | 'takenDownAt'
    | 'sentNote'
    | 'sentBack'
    | 'takenDownMessage'
    | 'scheduledEdition'
    | 'scheduledAt'
    | 'scheduledBy'
    | 'contributors'
    | 'sentContent'
    | 'sentSheets'
  >
>

/** A stored document of whatever version; one that cannot be read is a fault of ours. */
export function openStored(stored: unknown): CalculatorDocument {
  const opened = openDocument(stored)
  if (!opened.ok) throw new Error(`a stored document cannot be read at ${opened.field}: ${opened.what}`)
  return opened.document
}

export type CalculatorsStore = ReturnType<typeof createCalculatorsStore>

export function createCalculatorsStore(database: Sequelize) {
  const ask = asking(database)
  // A class of its own for each connection: `init` binds the class itself to it.
  const rows = class extends CalculatorRow {}.init(
    {
      id: { type: DataTypes.UUID, primaryKey: true, defaultValue: DataTypes.UUIDV4 },
      slug: DataTypes.TEXT,
      draft: DataTypes.JSONB,
      revision: { type: DataTypes.INTEGER, defaultValue: 1 },
      lastEditedBy: DataTypes.UUID,
      lastEditedAt: { type: DataTypes.DATE, defaultValue: DataTypes.NOW },
      sentRevision: DataTypes.INTEGER,
      sentBy: DataTypes.UUID,
      liveEdition: DataTypes.INTEGER,
      takenDownAt: DataTypes.DATE,
      houseStyle: { type: DataTypes.TEXT, defaultValue: FIRST_STYLE },
      sentNote: { type: DataTypes.TEXT, defaultValue: '' },
      sentBack: DataTypes.JSONB,
      takenDownMessage: { type: DataTypes.TEXT, defaultValue: '' },
      scheduledEdition: DataTypes.INTEGER,
      scheduledAt: DataTypes.DATE,
      scheduledBy: DataTypes.UUID,
      contributors: DataTypes.ARRAY(DataTypes.UUID),
      sentContent: DataTypes.TEXT,
      sentSheets: DataTypes.JSONB,
    },
    {
      sequelize: database,
      modelName: 'calculators',
      tableName: 'calculators',
      underscored: true,
      timestamps: false,
    },
  )
  const plain = (row: CalculatorRow): CalculatorData => {
    const data = row.get({ plain: true })
    return { ...data, draft: openStored(data.draft) }
  }

  return {
    /** With whole drafts; only for the few that are asked for. */
    async byIds(ids: readonly string[]): Promise<ReadonlyMap<string, CalculatorData>> {
      const found = await rows.findAll({ where: { id: [...ids] } })
      return new Map(found.map((row) => [row.id, plain(row)]))
    },
    async bySlug(slug: string): Promise<CalculatorData | undefined> {
      const row = await rows.findOne({ where: { slug } })
      return row ? plain(row) : undefined
    },
    /** What the first sample visitor of each answers, by slug. */
    async firstAnswers(): Promise<ReadonlyMap<string, Answers>> {
      const found = await ask<{ readonly slug: string; readonly answers: Answers | null }>(
        `SELECT slug, coalesce(draft #> '{samples,0,answers}', draft #> '{sample,answers}') AS answers FROM calculators`,
      )
      return new Map(found.map(({ slug, answers }) => [slug, answers ?? {}]))
    },
    /** Last changed first. */
    async cards(): Promise<CardData[]> {
      const found = await ask<CardData & { readonly languages: CardData['languages'] | null }>(
        `SELECT id, slug, revision, last_edited_by AS "lastEditedBy", last_edited_at AS "lastEditedAt",
                sent_revision AS "sentRevision", live_edition AS "liveEdition", taken_down_at AS "takenDownAt",
                house_style AS "houseStyle", draft -> 'title' AS title, draft -> 'languages' AS languages,
                draft ->> 'currency' AS currency, coalesce(draft -> 'samples' -> 0 ->> 'name', '') AS "sampleName",
                m.mark AS "meterMark"
           FROM calculators LEFT JOIN calculator_meters m ON m.calculator_id = id ORDER BY last_edited_at DESC`,
      )
      // A document of the first version has its title otherwise, and no languages.
      return Promise.all(
        found.map(async (card): Promise<CardData> => {
          if (card.languages !== null) return card
          const draft = (await this.byId(card.id))?.draft
          if (!draft) return card
          const { title, languages, currency, samples } = draft
          return { ...card, title, languages, currency, sampleName: samples[0]?.name ?? '' }
        }),
      )
    },
    async byId(id: string): Promise<CalculatorData | undefined> {
      const row = await rows.findByPk(id)
      return row ? plain(row) : undefined
    },
    /** Which calculators look values up in which sheets, by their titles in their main language. */
    sheetUsers: (): Promise<{ readonly sheet: string; readonly title: string }[]> =>
      ask(
        `SELECT DISTINCT step ->> 'sheet' AS sheet, coalesce(draft -> 'title' ->> (draft -> 'languages' ->> 0), '') AS title
           FROM calculators, jsonb_array_elements(draft -> 'steps') AS step
          WHERE step ->> 'kind' = 'lookUp' ORDER BY title`,
      ),
    /** The calculator, kept from anyone else's changes until the transaction ends. */
    async locked(id: string, transaction: Transaction): Promise<CalculatorData | undefined> {
      const row = await rows.findByPk(id, { transaction, lock: Transaction.LOCK.UPDATE })
      return row ? plain(row) : undefined
    },
    async slugsLike(start: string): Promise<Set<string>> {
      const found = await rows.findAll({ attributes: ['slug'], where: { slug: { [Op.startsWith]: start } } })
      return new Set(found.map(({ slug }) => slug))
    },
    async add(calculator: NewCalculator, transaction: Transaction): Promise<CalculatorData> {
      return plain(await rows.create(calculator, { transaction }))
    },
    /** Changes a locked calculator's draft or style: its next revision. */
    async change(
      { id, revision }: CalculatorData,
      fields: Partial<Pick<CalculatorData, 'draft' | 'houseStyle'>>,
      personId: string,
      transaction: Transaction,
    ): Promise<void> {
      await rows.update(
        { ...fields, revision: revision + 1, lastEditedBy: personId, lastEditedAt: new Date() },
        { where: { id }, transaction },
      )
    },
    /** The calculator whose timed edition is due longest, kept from every other process until the transaction ends. */
    async claimDue(now: Date, transaction: Transaction): Promise<CalculatorData | undefined> {
      const row = await rows.findOne({
        where: { scheduledAt: { [Op.lte]: now } },
        order: ['scheduledAt'],
        lock: Transaction.LOCK.UPDATE,
        skipLocked: true,
        transaction,
      })
      return row ? plain(row) : undefined
    },
    async setProgress(id: string, progress: CalculatorProgress, transaction: Transaction): Promise<void> {
      await rows.update(progress, { where: { id }, transaction })
    },
  }
}
