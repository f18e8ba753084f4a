import type { Sequelize, Transaction } from 'sequelize'
import { z } from 'zod'
import { asking } from './asking'
import { table } from './table'

/** What this installation keeps under a name, the same for every server process. */
export function keptSettings(database: Sequelize) {
  const settings = table(database, 'settings', { key: z.string(), value: z.string() })
  return {
    get: async (key: string, transaction?: Transaction): Promise<string | undefined> =>
      (await settings.first('WHERE key = :key', { key }, transaction))?.value,
    /** Keeps a value unless there is one already; the one that is kept. */
    async getOrKeep(key: string, value: string): Promise<string> {
      await settings.addUnlessTaken({ key, value })
      return (await settings.first('WHERE key = :key', { key }))?.value ?? value
    },
    async put(key: string, value: string, transaction?: Transaction): Promise<void> {
      await asking(database).run(
        'INSERT INTO settings (key, value) VALUES (:key, :value) ON CONFLICT (key) DO UPDATE SET value = :value',
        { key, value },
        transaction,
      )
    },
  }
}
