import { describe, expect, test } from 'vitest'
import { starters } from '@vivid/core'
import { readProofs, writeProofs } from './proofs-csv'

const documentOf = (id: string) => {
  const starter = starters.find((one) => one.id === id)
  if (!starter) throw new Error(id)
  return starter.make()
}

test.each(starters.map(({ id }) => id))(
  'the proofs of %s, written as a table, read back as the same',
  (id) => {
    const document = documentOf(id)
    // Columns stand in the order formulas first occur, which may differ from one proof to the next.
    const plain = (proofs: typeof document.proofs) =>
      proofs.map(({ name, on, answers, expected }) => ({
        name,
        on,
        answers,
        expected: Object.fromEntries(expected.map((line) => [line.of, line])),
      }))
    const read = readProofs(writeProofs(document), { ...document, proofs: [] }, '2026-11-25')
    expect(read.ok && plain(read.proofs)).toEqual(plain(document.proofs))
  },
)
