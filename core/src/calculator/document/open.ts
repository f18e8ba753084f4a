import type { z } from 'zod'
import { CalculatorDocument } from './document'
import { DocumentV1, fromVersion1 } from './version-1'

export type Opened =
  | { readonly ok: true; readonly document: CalculatorDocument }
  /** Where the first fault is ("steps.3.label"), and what is wrong there. */
  | { readonly ok: false; readonly field: string; readonly what: string }

/** The version stored documents are brought to, one step at a time. */
export const DOCUMENT_VERSION = 2

/**
 * Reads a document from outside or from storage, of this version or an older one: an older one is brought up to this
 * one step by step. What is no document gets the field at fault.
 */
export function openDocument(stored: unknown): Opened {
  const version =
    typeof stored === 'object' && stored !== null && 'version' in stored ? stored.version : undefined
  if (version === 1) {
    const old = DocumentV1.safeParse(stored)
    return old.success ? parsed(fromVersion1(old.data)) : refused(old.error)
  }
  if (typeof version === 'number' && version > DOCUMENT_VERSION)
    return {
      ok: false,
      field: 'version',
      what: `version ${version} is newer than this installation reads (${DOCUMENT_VERSION})`,
    }
  return parsed(stored)
}

function parsed(stored: unknown): Opened {
  const result = CalculatorDocument.safeParse(stored)
  return result.success ? { ok: true, document: result.data } : refused(result.error)
}

function refused({ issues: [first] }: z.ZodError): Opened {
  return { ok: false, field: first?.path.join('.') ?? '', what: first?.message ?? 'this is no calculator' }
}
