import { DataTypes, type InferAttributes, Model, type Sequelize, type Transaction } from 'sequelize'
import type { CalculatorDocument } from '@vivid/core'
import { openStored } from '../calculators/calculators-store'

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
}

export type EditionsStore = ReturnType<typeof createEditionsStore>

export function createEditionsStore(database: Sequelize) {
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
    /** Newest first. */
    async ofCalculator(calculatorId: string, transaction?: Transaction): Promise<EditionData[]> {
      const found = await rows.findAll({ where: { calculatorId }, order: [['number', 'DESC']], transaction })
      return found.map(plain)
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
