import { DataTypes, type InferAttributes, Model, Op, type Sequelize, Transaction } from 'sequelize'
import type { Remark } from '@vivid/contract'
import { openDocument, type CalculatorDocument } from '@vivid/core'

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
}

export interface NewCalculator {
  readonly slug: string
  readonly draft: CalculatorDocument
  readonly lastEditedBy: string
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
    'sentRevision' | 'sentBy' | 'liveEdition' | 'takenDownAt' | 'sentNote' | 'sentBack' | 'takenDownMessage'
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
      houseStyle: { type: DataTypes.TEXT, defaultValue: 'larkmoor' },
      sentNote: { type: DataTypes.TEXT, defaultValue: '' },
      sentBack: DataTypes.JSONB,
      takenDownMessage: { type: DataTypes.TEXT, defaultValue: '' },
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
    async all(): Promise<CalculatorData[]> {
      return (await rows.findAll({ order: [['lastEditedAt', 'DESC']] })).map(plain)
    },
    async byId(id: string): Promise<CalculatorData | undefined> {
      const row = await rows.findByPk(id)
      return row ? plain(row) : undefined
    },
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
    /** Saves the draft if it still has this revision; the new revision, or undefined where it has moved on. */
    async saveDraft(
      id: string,
      revision: number,
      draft: CalculatorDocument,
      personId: string,
      transaction: Transaction,
    ): Promise<number | undefined> {
      const [changed] = await rows.update(
        { draft, revision: revision + 1, lastEditedBy: personId, lastEditedAt: new Date() },
        { where: { id, revision }, transaction },
      )
      return changed === 1 ? revision + 1 : undefined
    },
    async setProgress(id: string, progress: CalculatorProgress, transaction: Transaction): Promise<void> {
      await rows.update(progress, { where: { id }, transaction })
    },
  }
}
