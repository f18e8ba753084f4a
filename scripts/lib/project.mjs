// @ts-check
import { createHash } from 'node:crypto'
import { existsSync, readdirSync, readFileSync, statSync } from 'node:fs'
import { join, resolve } from 'node:path'

/** The project's own folder. */
export const root = resolve(import.meta.dirname, '../..')

/** The folder for what running leaves behind: database, logs, secrets. */
export const homeFolder = () => resolve(root, process.env.VIVID_HOME || '.vivid')

/**
 * A hash over files and folders of the project: the same where nothing in them changed.
 * @param {readonly string[]} places paths below the project's folder
 */
export function hashOf(places) {
  const hash = createHash('sha256')
  for (const file of places.flatMap((place) => filesIn(join(root, place)))) {
    hash.update(file.slice(root.length)).update('\0').update(readFileSync(file)).update('\0')
  }
  return hash.digest('hex')
}

/** @param {string} place @returns {string[]} */
function filesIn(place) {
  if (!existsSync(place)) return []
  if (statSync(place).isFile()) return [place]
  const entries = readdirSync(place, { withFileTypes: true, recursive: true })
  return entries
    .filter((entry) => entry.isFile())
    .map((entry) => join(entry.parentPath, entry.name))
    .sort()
}
