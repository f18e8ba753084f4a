import { randomBytes } from 'node:crypto'
import { QueryTypes, type Sequelize } from 'sequelize'

/** A secret of this installation: made once, kept in the database, the same for every server process. */
export async function sharedSecret(database: Sequelize, name: string): Promise<string> {
  await database.query('INSERT INTO settings (key, value) VALUES (:name, :secret) ON CONFLICT DO NOTHING', {
    replacements: { name, secret: randomBytes(32).toString('base64') },
  })
  const [row] = await database.query<{ value: string }>('SELECT value FROM settings WHERE key = :name', {
    replacements: { name },
    type: QueryTypes.SELECT,
  })
  if (!row) throw new Error(`the secret ${name} was written and cannot be read`)
  return row.value
}
