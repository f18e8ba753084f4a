// @ts-check
import { randomBytes } from 'node:crypto'
import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'

/**
 * A secret of a home folder, in a file that only its owner reads; made where there is none.
 * @param {string} home @param {string} name of the file @param {() => string} make
 */
export function savedSecret(home, name, make) {
  const file = join(home, name)
  if (!existsSync(file)) writeFileSync(file, make(), { mode: 0o600 })
  return readFileSync(file, 'utf8').trim()
}

/** The same where there is one already. @param {string} home @returns {string | undefined} */
export const knownSecretsKey = (home) =>
  existsSync(join(home, 'secrets-key')) ? savedSecretsKey(home) : undefined

/** The key that closes secrets in the database of a home folder. @param {string} home */
export const savedSecretsKey = (home) =>
  savedSecret(home, 'secrets-key', () => randomBytes(32).toString('base64'))
