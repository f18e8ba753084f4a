import { openDocument, type CalculatorDocument } from '@vivid/core'

/** A draft with changes the server does not have yet, as it is kept in this browser. */
export interface KeptDraft {
  /** The revision and document the changes were made on. */
  readonly revision: number
  readonly base: CalculatorDocument
  readonly document: CalculatorDocument
}

const key = (id: string) => `vivid.draft.${id}`

/** Keeps unsaved changes through a crash, a lost connection or an ended session. */
export const keptDrafts = {
  keep(id: string, draft: KeptDraft): void {
    try {
      localStorage.setItem(key(id), JSON.stringify(draft))
    } catch {
      // A full or forbidden storage: the draft still lives in this page and is saved from there.
    }
  },
  drop(id: string): void {
    localStorage.removeItem(key(id))
  },
  find(id: string): KeptDraft | undefined {
    try {
      const stored = JSON.parse(localStorage.getItem(key(id)) ?? 'null') as Partial<KeptDraft> | null
      const [base, document] = [openDocument(stored?.base), openDocument(stored?.document)]
      if (!base.ok || !document.ok || typeof stored?.revision !== 'number') return undefined
      return { revision: stored.revision, base: base.document, document: document.document }
    } catch {
      return undefined
    }
  },
}
