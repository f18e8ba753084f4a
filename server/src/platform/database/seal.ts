import { createCipheriv, createDecipheriv, randomBytes } from 'node:crypto'
import type { Sequelize } from 'sequelize'
import { keptSettings } from './kept-settings'

/**
 * Keeps secrets in the database unreadable for whoever has the database alone, or a backup of it.
 * AES-256-GCM (NIST SP 800-38D) under a key that stands in the settings of the server.
 */
export interface Seal {
  /** `use` is what the secret is for: closed for one use it does not open for another. */
  close(secret: string, use: string): string
  /** Opens with whichever key closed it. What was kept before there was a seal comes back as it is. */
  open(kept: string, use: string): string
}

/** Nothing that this key opens: it was closed with another one, for another use, or was tampered with. */
export class SealBroken extends Error {}

const MARK = 'sealed:'
const NONCE = 12
const TAG = 16
/** Bytes of a key. */
export const SEAL_KEY_BYTES = 32

/** The first key closes; any of them opens, so that a key can be replaced. */
export function createSeal(keys: readonly [Buffer, ...Buffer[]]): Seal {
  const openWith = (key: Buffer, bytes: Buffer, use: string): string | undefined => {
    const cipher = createDecipheriv('aes-256-gcm', key, bytes.subarray(0, NONCE), { authTagLength: TAG })
    cipher.setAAD(Buffer.from(use)).setAuthTag(bytes.subarray(NONCE, NONCE + TAG))
    try {
      return Buffer.concat([cipher.update(bytes.subarray(NONCE + TAG)), cipher.final()]).toString('utf8')
    } catch {
      return undefined
    }
  }
  return {
    close(secret, use) {
      const nonce = randomBytes(NONCE)
      const cipher = createCipheriv('aes-256-gcm', keys[0], nonce, { authTagLength: TAG })
      cipher.setAAD(Buffer.from(use))
      const text = Buffer.concat([cipher.update(secret, 'utf8'), cipher.final()])
      return MARK + Buffer.concat([nonce, cipher.getAuthTag(), text]).toString('base64url')
    },
    open(kept, use) {
      if (!kept.startsWith(MARK)) return kept
      const bytes = Buffer.from(kept.slice(MARK.length), 'base64url')
      if (bytes.length >= NONCE + TAG)
        for (const key of keys) {
          const secret = openWith(key, bytes, use)
          if (secret !== undefined) return secret
        }
      throw new SealBroken(`what is kept for ${use} does not open with this key`)
    },
  }
}

/** Refuses keys that are not those of this database: the first that ever were used with it. */
export async function refuseOtherKeys(database: Sequelize, seal: Seal): Promise<void> {
  const NAME = 'seal'
  seal.open(await keptSettings(database).getOrKeep(NAME, seal.close('this key fits', NAME)), NAME)
}
