import { randomBytes } from 'node:crypto'
import type { Sequelize } from 'sequelize'
import { asking } from './asking'
import type { Seal } from './seal'

/** A secret of this installation: made once, kept in the database under the seal, the same for every server process. */
export async function sharedSecret(database: Sequelize, seal: Seal, name: string): Promise<string> {
  const ask = asking(database)
  const insert =
    'INSERT INTO settings (key, value) VALUES (:name, :value) ON CONFLICT DO NOTHING RETURNING key'
  await ask(insert, { name, value: seal.close(randomBytes(32).toString('base64'), name) })
  const [row] = await ask<{ value: string }>('SELECT value FROM settings WHERE key = :name', { name })
  if (!row) throw new Error(`the secret ${name} was written and cannot be read`)
  return seal.open(row.value, name)
}
