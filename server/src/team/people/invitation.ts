import { hashOfSecret, newSecret } from '../../platform/http/secret'

const HOLDS_DAYS = 7

/** A new invitation: the secret for the person invited, its hash for the database, and until when it holds. */
export function newInvitation(now: Date): { secret: string; hash: string; until: Date } {
  const secret = newSecret()
  return { secret, hash: hashOfSecret(secret), until: new Date(now.getTime() + HOLDS_DAYS * 86_400_000) }
}
