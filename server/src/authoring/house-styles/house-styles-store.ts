import type { Sequelize, Transaction } from 'sequelize'
import { z } from 'zod'
import { FIRST_STYLE, resolveStyle, StyleChoices, type HouseStyle, type SaveStyle } from '@vivid/contract'
import { jsonb, table } from '../../platform/database/table'
import { shippedStyles } from './shipped-styles'

const columns = {
  id: z.string(),
  name: z.string(),
  choices: jsonb(StyleChoices),
  revision: z.number(),
  lastEditedBy: z.string().nullable(),
  lastEditedAt: z.date(),
}

export type HouseStylesStore = ReturnType<typeof createHouseStylesStore>

export function createHouseStylesStore(database: Sequelize) {
  const styles = table(database, 'house_styles', columns)

  return {
    all: () => styles.find('ORDER BY name'),
    /** The custom properties of every style, by address; of one that is gone, those of the first. */
    async resolved(transaction?: Transaction): Promise<(id: string) => HouseStyle> {
      const found = await styles.pick(['id', 'choices'], '', {}, transaction)
      const resolved = new Map(found.map(({ id, choices }) => [id, resolveStyle(choices)]))
      return (id) =>
        resolved.get(id) ?? resolved.get(FIRST_STYLE) ?? resolveStyle(shippedStyles[FIRST_STYLE].choices)
    },
    /** Adds a style unless its address is taken; whether it was added. */
    add: ({ id, name, choices }: SaveStyle, personId: string, transaction: Transaction) =>
      styles.addUnlessTaken({ id, name, choices, lastEditedBy: personId }, transaction),
    /** Saves a style if it still has this revision; whether it had. */
    async save(
      { id, name, choices, revision }: SaveStyle,
      personId: string,
      transaction: Transaction,
    ): Promise<boolean> {
      const edited = { lastEditedBy: personId, lastEditedAt: new Date() }
      const next = { name, choices, revision: revision + 1, ...edited }
      return (await styles.change(next, { id, revision }, transaction)) === 1
    },
    async remove(id: string, transaction: Transaction): Promise<void> {
      await styles.remove({ id }, transaction)
    },
  }
}
