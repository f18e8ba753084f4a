import { createHash } from 'node:crypto'
import {
  DataTypes,
  type InferAttributes,
  Model,
  Op,
  QueryTypes,
  type Sequelize,
  Transaction,
} from 'sequelize'
import { RateSheet } from '@vivid/core'

interface SheetRowData {
  readonly id: string
  readonly draft: unknown
  readonly sheet: unknown
  readonly revision: number
  readonly lastEditedBy: string
  readonly lastEditedAt: Date
  readonly liveRevision: number | null
  readonly sentRevision: number | null
  readonly sentBy: string | null
  readonly sentNote: string
  readonly sentBack: SheetSentBack | null
  /** The ids of all who changed the draft since a state of it was approved; the database adds whoever saves. */
  readonly contributors: readonly string[]
}
class SheetRow extends Model<InferAttributes<SheetRow>, Partial<SheetRowData>> {
  declare id: string
  declare draft: unknown
  declare sheet: unknown
  declare revision: number
  declare lastEditedBy: string
  declare lastEditedAt: Date
  declare liveRevision: number | null
  declare sentRevision: number | null
  declare sentBy: string | null
  declare sentNote: string
  declare sentBack: SheetSentBack | null
  declare contributors: readonly string[]
}

export interface SheetSentBack {
  readonly by: string
  /** ISO timestamp */
  readonly at: string
  readonly text: string
}

/** A rate sheet as stored: its draft with a revision, and what of it is in force. */
export interface SheetData extends Omit<SheetRowData, 'draft' | 'sheet'> {
  readonly draft: RateSheet
  readonly live: RateSheet | undefined
}

/** A state of a sheet that was approved. */
export interface SheetEditionData {
  readonly sheetId: string
  readonly number: number
  readonly sheet: RateSheet
  readonly revision: number
  readonly editedBy: string
  readonly approvedBy: string | null
  readonly approvedAt: Date
  readonly note: string
  /** The ids of all who changed it since the state before. */
  readonly contributors: readonly string[]
}
interface SheetEditionRow extends Omit<SheetEditionData, 'sheet'> {
  readonly sheet: unknown
}

export type SheetProgress = Partial<Pick<SheetData, 'sentRevision' | 'sentBy' | 'sentNote' | 'sentBack'>>

export type RateSheetsStore = ReturnType<typeof createRateSheetsStore>

const EDITION_LISTED = `sheet_id AS "sheetId", number, revision, edited_by AS "editedBy",
  approved_by AS "approvedBy", approved_at AS "approvedAt", note, contributors`
const EDITION = `${EDITION_LISTED}, sheet`

export function createRateSheetsStore(database: Sequelize) {
  // A class of its own for each connection: `init` binds the class itself to it.
  const rows = class extends SheetRow {}.init(
    {
      id: { type: DataTypes.TEXT, primaryKey: true },
      draft: DataTypes.JSONB,
      sheet: DataTypes.JSONB,
      revision: { type: DataTypes.INTEGER, defaultValue: 1 },
      lastEditedBy: DataTypes.UUID,
      lastEditedAt: { type: DataTypes.DATE, defaultValue: DataTypes.NOW },
      liveRevision: DataTypes.INTEGER,
      sentRevision: DataTypes.INTEGER,
      sentBy: DataTypes.UUID,
      sentNote: { type: DataTypes.TEXT, defaultValue: '' },
      sentBack: DataTypes.JSONB,
      contributors: DataTypes.ARRAY(DataTypes.UUID),
    },
    {
      sequelize: database,
      modelName: 'rate_sheets',
      tableName: 'rate_sheets',
      underscored: true,
      timestamps: false,
    },
  )
  const plain = (row: SheetRow): SheetData => {
    const { draft, sheet, ...rest } = row.get({ plain: true })
    return { ...rest, draft: RateSheet.parse(draft), live: sheet ? RateSheet.parse(sheet) : undefined }
  }
  const editionsWhere = async (condition: string, replacements: object, transaction?: Transaction) =>
    (
      await database.query<SheetEditionRow>(`SELECT ${EDITION} FROM sheet_editions ${condition}`, {
        replacements: { ...replacements },
        type: QueryTypes.SELECT,
        transaction,
      })
    ).map((row): SheetEditionData => ({ ...row, sheet: RateSheet.parse(row.sheet) }))

  return {
    async all(transaction?: Transaction): Promise<SheetData[]> {
      return (await rows.findAll({ order: ['id'], transaction })).map(plain)
    },
    /** The sheet of an address, if there is one. */
    async byId(id: string): Promise<SheetData[]> {
      return (await rows.findAll({ where: { id } })).map(plain)
    },
    /** What visitors' figures come from. */
    async inForce(transaction?: Transaction): Promise<RateSheet[]> {
      return (await this.all(transaction)).flatMap(({ live }) => live ?? [])
    },
    /** What is in force of one sheet, or of all. Without the drafts, which may be long. */
    async inForceOf(id?: string): Promise<RateSheet[]> {
      const found = await rows.findAll({
        attributes: ['sheet'],
        where: { sheet: { [Op.ne]: null }, ...(id === undefined ? {} : { id }) },
      })
      return found.map(({ sheet }) => RateSheet.parse(sheet))
    },
    /** What drafts are tried with: what is in force, and the draft of a sheet of which nothing was approved yet. */
    async tried(): Promise<RateSheet[]> {
      return (await this.all()).map(({ live, draft }) => live ?? draft)
    },
    /** Says whether any of them is another than it was. */
    async mark(): Promise<string> {
      const found = await rows.findAll({ attributes: ['id', 'revision', 'liveRevision'], order: ['id'] })
      const text = found.map(
        ({ id, revision, liveRevision }) => `${id} ${liveRevision ?? `draft ${revision}`}`,
      )
      return createHash('sha256').update(text.join('\n')).digest('hex').slice(0, 16)
    },
    /** The sheets as they were approved by a moment. */
    async approvedBy(moment: Date): Promise<RateSheet[]> {
      const found = await editionsWhere(
        `AS e WHERE number = (SELECT max(number) FROM sheet_editions
           WHERE sheet_id = e.sheet_id AND approved_at <= :moment) ORDER BY sheet_id`,
        { moment },
      )
      return found.map(({ sheet }) => sheet)
    },
    /** The sheet, kept from anyone else's changes until the transaction ends. */
    async locked(id: string, transaction: Transaction): Promise<SheetData | undefined> {
      const row = await rows.findByPk(id, { transaction, lock: Transaction.LOCK.UPDATE })
      return row ? plain(row) : undefined
    },
    /** Adds a sheet's draft unless its address is taken; whether it was added. */
    async add(sheet: RateSheet, personId: string, transaction: Transaction): Promise<boolean> {
      const [, added] = await rows.findOrCreate({
        where: { id: sheet.id },
        defaults: { id: sheet.id, draft: sheet, lastEditedBy: personId },
        transaction,
      })
      return added
    },
    /** Saves the draft if it still has this revision; whether it had. */
    async save(
      sheet: RateSheet,
      revision: number,
      personId: string,
      transaction: Transaction,
    ): Promise<boolean> {
      const [changed] = await rows.update(
        { draft: sheet, revision: revision + 1, lastEditedBy: personId, lastEditedAt: new Date() },
        { where: { id: sheet.id, revision }, transaction },
      )
      return changed === 1
    },
    async setProgress(id: string, progress: SheetProgress, transaction: Transaction): Promise<void> {
      await rows.update(progress, { where: { id }, transaction })
    },
    /** Puts a sheet's draft in force as its next edition; the edition's number. */
    async putInForce(
      { id, draft, revision, lastEditedBy, sentNote }: SheetData,
      contributors: readonly string[],
      approvedBy: string,
      at: Date,
      transaction: Transaction,
    ): Promise<number> {
      const [made] = await database.query<{ number: number }>(
        `INSERT INTO sheet_editions (sheet_id, number, sheet, revision, edited_by, approved_by, approved_at, note,
           contributors)
         SELECT :id, coalesce(max(number), 0) + 1, CAST(:sheet AS jsonb), :revision, :editedBy, :approvedBy, :at, :note,
           ARRAY(SELECT CAST(jsonb_array_elements_text(CAST(:contributors AS jsonb)) AS uuid))
           FROM sheet_editions WHERE sheet_id = :id RETURNING number`,
        {
          replacements: {
            id,
            sheet: JSON.stringify(draft),
            revision,
            editedBy: lastEditedBy,
            approvedBy,
            at,
            note: sentNote,
            contributors: JSON.stringify(contributors),
          },
          type: QueryTypes.SELECT,
          transaction,
        },
      )
      await rows.update(
        {
          sheet: draft,
          liveRevision: revision,
          sentRevision: null,
          sentBy: null,
          sentNote: '',
          sentBack: null,
          contributors: [],
        },
        { where: { id }, transaction },
      )
      return made?.number ?? 0
    },
    /** The approved states of one sheet or of all, without their rows; newest first. */
    editionsListed: (id?: string): Promise<Omit<SheetEditionData, 'sheet'>[]> =>
      database.query<Omit<SheetEditionData, 'sheet'>>(
        `SELECT ${EDITION_LISTED} FROM sheet_editions
          WHERE CAST(:id AS text) IS NULL OR sheet_id = :id ORDER BY number DESC`,
        { replacements: { id: id ?? null }, type: QueryTypes.SELECT },
      ),
    async edition(id: string, number: number): Promise<SheetEditionData | undefined> {
      return (await editionsWhere('WHERE sheet_id = :id AND number = :number', { id, number }))[0]
    },
  }
}
