import { createHash } from 'node:crypto'
import canonicalize from 'canonicalize'
import { z } from 'zod'
import { ResolvedStyle, type EditionContent, type HouseStyle } from '@vivid/contract'
import { openProgram, type Program } from '@vivid/core'

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

const Frozen = z.object({
  format: z.literal('vivid-meter/edition'),
  version: z.literal(1),
  program: z.unknown().transform(openProgram),
  style: ResolvedStyle,
})

/** What an edition holds, from the text it was frozen as; a program of an older version is read anew. Throws on what is none. */
export const readEdition = (text: string): EditionContent => Frozen.parse(JSON.parse(text))

/** Hexadecimal. */
export const sha256Of = (text: string | Uint8Array): string => createHash('sha256').update(text).digest('hex')
