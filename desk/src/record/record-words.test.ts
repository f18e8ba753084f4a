import { describe, expect, test } from 'vitest'
import { recordActs, type RecordEntry } from '@vivid/contract'
import { actWords, detailWords } from './record-words'

const entry = (act: RecordEntry['act'], details: RecordEntry['details'] = {}): RecordEntry => ({
  number: 1,
  at: '2026-11-25T14:02:00.000Z',
  person: 'Ines Okafor',
  act,
  of: 'calculator',
  id: 'x',
  subject: 'Raft loan',
  details,
  hash: 'h',
})

describe('every act', () => {
  test.each(recordActs)('%s reads as the middle of a sentence, and what it lacks is left out', (act) => {
    expect(actWords[act]).toMatch(/^[a-z][a-z ]+$/)
    expect(
      `${actWords[act]} ${detailWords(entry(act, { versions: '2026-01-01', style: 'Plum', origins: '' }))}`,
    ).not.toMatch(/undefined|NaN|\[object/)
  })
})

test.each<[RecordEntry['act'], RecordEntry['details'], string]>([
  ['published', { edition: 3, note: 'as agreed' }, 'edition 3: as agreed'],
  ['published', { edition: 3, timed: '2026-11-30T14:00:00.000Z' }, 'edition 3: at its time'],
  ['takenDown', { edition: 2, note: '' }, 'edition 2'],
  ['sheetApproved', { edition: 2, versions: '2026-01-01' }, 'edition 2'],
  [
    'sheetSent',
    { versions: '2026-01-01, 2027-01-01', note: 'new year' },
    'versions from 2026-01-01, 2027-01-01: new year',
  ],
  ['placed', { calculator: 'raft', language: '' }, 'raft'],
  ['personInvited', { role: 'author' }, 'as author'],
])('%s %j: %s', (act, details, said) => expect(detailWords(entry(act, details))).toBe(said))
