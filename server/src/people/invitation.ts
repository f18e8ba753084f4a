import { createHash, randomBytes } from 'node:crypto'

const HOLDS_DAYS = 7

/** A new invitation: the secret for the person invited, its hash for the database, and until when it holds. */
export function newInvitation(now: Date): { secret: string; hash: string; until: Date } {
  const secret = randomBytes(24).toString('base64url')
  return { secret, hash: hashOfSecret(secret), until: new Date(now.getTime() + HOLDS_DAYS * 86_400_000) }
}

/** Secrets of 192 random bits need no slow hash: nobody guesses them. */
export const hashOfSecret = (secret: string): string => createHash('sha256').update(secret).digest('hex')
