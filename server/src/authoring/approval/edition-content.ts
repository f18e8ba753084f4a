import { createHash } from 'node:crypto'
import canonicalize from 'canonicalize'
import type { EditionContent, HouseStyle } from '@vivid/contract'
import type { Program } from '@vivid/core'

export interface FrozenContent {
  /** Canonical JSON (RFC 8785) of the content. */
  readonly text: string
  /** SHA-256 of that text, hexadecimal. */
  readonly sha256: string
}

export const contentOf = (program: Program, style: HouseStyle): EditionContent => ({
  format: 'vivid-meter/edition',
  version: 1,
  program,
  style,
})

/** Freezes what an edition holds: the same content always gives the same text and the same hash. */
export function freeze(content: EditionContent): FrozenContent {
  const text = canonicalize(content)
  if (text === undefined) throw new Error('an edition has content')
  return { text, sha256: sha256Of(text) }
}

/** Hexadecimal. */
export const sha256Of = (text: string): string => createHash('sha256').update(text).digest('hex')
