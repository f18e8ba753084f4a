import { fromVersion1, ProgramV1 } from '../document/version-1'
import type { Program } from '../program/program'
import { compile } from './compile'

/** A program as an edition froze it, of this version or an older one. Editions are never rewritten: they are read anew. */
export function openProgram(frozen: unknown): Program {
  const version = (frozen as { version?: unknown } | null)?.version
  if (version !== 1) return frozen as Program
  const { minorDigits: _, ...document } = ProgramV1.parse(frozen)
  return compile(fromVersion1({ ...document, sample: { name: 'no one', answers: {} } })).program
}
