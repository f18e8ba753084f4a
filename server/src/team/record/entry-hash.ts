import { createHash } from 'node:crypto'
import canonicalize from 'canonicalize'
import type { RecordEntry } from '@vivid/contract'

/** What an entry's hash is over: all of it, who by, and the hash before it. */
export interface Hashed extends Omit<RecordEntry, 'hash'> {
  readonly personId: string | null
  readonly previous: string
}

/** Before the first entry. */
export const FIRST = '0'.repeat(64)

/** SHA-256 over canonical JSON (RFC 8785): nothing of an entry, nor its place, can change without it showing. */
export function hashOf({
  number,
  at,
  personId,
  person,
  act,
  of,
  id,
  subject,
  details,
  previous,
}: Hashed): string {
  const text = canonicalize({ number, at, personId, person, act, of, id, subject, details, previous })
  return createHash('sha256')
    .update(text ?? '')
    .digest('hex')
}
