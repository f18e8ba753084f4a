import type { Sequelize, Transaction } from 'sequelize'
import { asking } from '../../platform/database/asking'
import { resolveStyle, StyleChoices, type HouseStyle, type SaveStyle } from '@vivid/contract'
import { FIRST_STYLE, shippedStyles } from './shipped-styles'

export interface StyleData {
  readonly id: string
  readonly name: string
  readonly choices: StyleChoices
  readonly revision: number
  readonly lastEditedBy: string | null
  readonly lastEditedAt: Date
}

export type HouseStylesStore = ReturnType<typeof createHouseStylesStore>

const COLUMNS = `id, name, choices, revision, last_edited_by AS "lastEditedBy", last_edited_at AS "lastEditedAt"`

export function createHouseStylesStore(database: Sequelize) {
  const ask = asking(database)

  return {
    async all(): Promise<StyleData[]> {
      const rows = await ask<StyleData>(`SELECT ${COLUMNS} FROM house_styles ORDER BY name`)
      return rows.map((row) => ({ ...row, choices: StyleChoices.parse(row.choices) }))
    },
    /** The custom properties of every style, by address; of one that is gone, those of the first. */
    async resolved(transaction?: Transaction): Promise<(id: string) => HouseStyle> {
      const rows = await ask<StyleData>(`SELECT ${COLUMNS} FROM house_styles`, {}, transaction)
      const styles = new Map(rows.map(({ id, choices }) => [id, resolveStyle(StyleChoices.parse(choices))]))
      return (id) =>
        styles.get(id) ?? styles.get(FIRST_STYLE) ?? resolveStyle(shippedStyles[FIRST_STYLE].choices)
    },
    /** Adds a style unless its address is taken; whether it was added. */
    async add(
      { id, name, choices }: SaveStyle,
      personId: string,
      transaction: Transaction,
    ): Promise<boolean> {
      const made = await ask(
        `INSERT INTO house_styles (id, name, choices, last_edited_by)
         VALUES (:id, :name, CAST(:choices AS jsonb), :personId) ON CONFLICT DO NOTHING RETURNING id`,
        { id, name, choices: JSON.stringify(choices), personId },
        transaction,
      )
      return made.length === 1
    },
    /** Saves a style if it still has this revision; whether it had. */
    async save(
      { id, name, choices, revision }: SaveStyle,
      personId: string,
      transaction: Transaction,
    ): Promise<boolean> {
      const changed = await ask(
        `UPDATE house_styles SET name = :name, choices = CAST(:choices AS jsonb), revision = revision + 1,
           last_edited_by = :personId, last_edited_at = now() WHERE id = :id AND revision = :revision RETURNING id`,
        { id, name, choices: JSON.stringify(choices), revision, personId },
        transaction,
      )
      return changed.length === 1
    },
    async remove(id: string, transaction: Transaction): Promise<void> {
      await ask('DELETE FROM house_styles WHERE id = :id RETURNING id', { id }, transaction)
    },
  }
}
