import { readFileSync } from 'node:fs'
import { expect, test } from 'vitest'
import { errorSentence, errorTable } from './errors'

const documented = readFileSync(new URL('../../docs/errors.md', import.meta.url), 'utf8')
const rows = [...documented.matchAll(/^\| `([A-Z_]+)`\s*\| (\d{3})\s*\|/gm)].map(([, code, status]) => [
  code,
  Number(status),
])

test('docs/errors.md lists exactly the errors of the table, with their status', () => {
  expect(rows.sort()).toEqual(
    Object.entries(errorTable)
      .map(([code, { status }]) => [code, status])
      .sort(),
  )
})

test('every error is a sentence', () => {
  for (const { text } of Object.values(errorTable)) expect(text).toMatch(/^([A-Z].*[.]|\{what\}|.*\{what\})$/)
  expect(errorSentence('CALCULATOR_UNKNOWN', { calculator: 'raft' })).toBe('No calculator is called “raft”.')
})
