import type { RecordAct, RecordEntry } from '@vivid/contract'

/** What was done, as the middle of a sentence: "Ines Okafor made Narrowboat loan". */
export const actWords: Readonly<Record<RecordAct, string>> = {
  calculatorMade: 'made',
  draftChanged: 'changed the draft of',
  sent: 'sent for approval',
  sentBack: 'sent back',
  published: 'put live',
  broughtBack: 'brought back',
  takenDown: 'took down',
  sheetAdded: 'added the rate sheet',
  sheetChanged: 'changed the rate sheet',
}

const madeFrom: Readonly<Record<string, string>> = {
  starter: 'from a starter',
  empty: 'from nothing',
  copy: 'as a copy',
  file: 'from a file',
}

/** What there is to say besides: the edition, the revision, a note. */
export function detailWords({ act, details }: RecordEntry): string {
  const { edition, revision, from, note, versions } = details
  switch (act) {
    case 'calculatorMade':
      return madeFrom[String(from)] ?? ''
    case 'published':
    case 'broughtBack':
    case 'takenDown':
      return [`edition ${edition}`, note].filter(Boolean).join(': ')
    case 'draftChanged':
    case 'sent':
    case 'sentBack':
      return [revision === undefined ? '' : `revision ${revision}`, note].filter(Boolean).join(': ')
    case 'sheetAdded':
    case 'sheetChanged':
      return `versions from ${versions}`
  }
}
