import {
  DataTypes,
  type InferAttributes,
  type InferCreationAttributes,
  Model,
  type Sequelize,
  type Transaction,
} from 'sequelize'
import { RateSheet } from '@vivid/core'

class SheetRow extends Model<InferAttributes<SheetRow>, InferCreationAttributes<SheetRow>> {
  declare id: string
  declare sheet: unknown
  declare revision: number
  declare lastEditedBy: string
  declare lastEditedAt: Date
}

export interface SheetData {
  readonly sheet: RateSheet
  readonly revision: number
}

export type RateSheetsStore = ReturnType<typeof createRateSheetsStore>

export function createRateSheetsStore(database: Sequelize) {
  // A class of its own for each connection: `init` binds the class itself to it.
  const rows = class extends SheetRow {}.init(
    {
      id: { type: DataTypes.TEXT, primaryKey: true },
      sheet: DataTypes.JSONB,
      revision: DataTypes.INTEGER,
      lastEditedBy: DataTypes.UUID,
      lastEditedAt: DataTypes.DATE,
    },
    {
      sequelize: database,
      modelName: 'rate_sheets',
      tableName: 'rate_sheets',
      underscored: true,
      timestamps: false,
    },
  )
  const plain = (row: SheetRow): SheetData => ({ sheet: RateSheet.parse(row.sheet), revision: row.revision })

  return {
    async all(transaction?: Transaction): Promise<SheetData[]> {
      return (await rows.findAll({ order: ['id'], transaction })).map(plain)
    },
    async byId(id: string): Promise<SheetData | undefined> {
      const row = await rows.findByPk(id)
      return row ? plain(row) : undefined
    },
    /** Adds a sheet unless its address is taken; whether it was added. */
    async add(sheet: RateSheet, personId: string, transaction?: Transaction): Promise<boolean> {
      const [, added] = await rows.findOrCreate({
        where: { id: sheet.id },
        defaults: { id: sheet.id, sheet, revision: 1, lastEditedBy: personId, lastEditedAt: new Date() },
        transaction,
      })
      return added
    },
    /** Saves the sheet if it still has this revision; whether it had. */
    async save(
      sheet: RateSheet,
      revision: number,
      personId: string,
      transaction: Transaction,
    ): Promise<boolean> {
      const [changed] = await rows.update(
        { sheet, revision: revision + 1, lastEditedBy: personId, lastEditedAt: new Date() },
        { where: { id: sheet.id, revision }, transaction },
      )
      return changed === 1
    },
  }
}
