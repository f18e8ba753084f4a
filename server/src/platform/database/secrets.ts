import { randomBytes } from 'node:crypto'
import type { Sequelize } from 'sequelize'
import { keptSettings } from './kept-settings'
import type { Seal } from './seal'

/** A secret of this installation: made once, kept in the database under the seal, the same for every server process. */
export async function sharedSecret(database: Sequelize, seal: Seal, name: string): Promise<string> {
  const made = seal.close(randomBytes(32).toString('base64'), name)
  return seal.open(await keptSettings(database).getOrKeep(name, made), name)
}
