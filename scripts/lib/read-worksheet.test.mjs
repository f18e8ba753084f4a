// @ts-check
import { spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, expect, test } from 'vitest'
import { root } from './project.mjs'

const folder = mkdtempSync(join(tmpdir(), 'vivid-worksheet-'))
afterAll(() => rmSync(folder, { recursive: true, force: true }))
const sample = join(root, 'worksheet/src/testing/worksheets/floating-home-loan.xlsx')

/** @param {string[]} args */
function run(...args) {
  const { status, stdout, stderr } = spawnSync(
    process.execPath,
    [join(root, 'scripts/read-worksheet.mjs'), ...args],
    {
      encoding: 'utf8',
    },
  )
  return { status, stdout, lines: stderr.split('\n').filter(Boolean) }
}

test('a worksheet is JSON on standard output, and other answers are followed', () => {
  const { status, stdout } = run(sample, '--answers', '{"Loan!B3":187500}')
  const { document, questions, figures, leftOut } = JSON.parse(stdout)
  expect(status).toBe(0)
  expect(document.steps.length).toBeGreaterThan(7)
  expect(questions.map((/** @type {{ cell: string }} */ { cell }) => cell).sort()).toEqual([
    'Loan!B3',
    'Loan!B4',
    'Loan!B5',
  ])
  expect(leftOut).toEqual([])
  const payment = figures.find((/** @type {{ cell: string }} */ { cell }) => cell === 'Loan!B10')
  expect(payment.got).toBeCloseTo(-1156.5766832020886, 6)
  expect([payment.formula, payment.agrees, payment.role]).toEqual(['PMT(B7,B8,B3)', false, 'result'])
})

test('to the cent payments are those of a ledger', () => {
  const { status, stdout } = run(sample, '--as', 'ledger')
  const { document, figures } = JSON.parse(stdout)
  expect(status).toBe(0)
  expect(document.steps.filter((/** @type {{ kind: string }} */ { kind }) => kind === 'loan')).toHaveLength(1)
  const payment = figures.find((/** @type {{ cell: string }} */ { cell }) => cell === 'Loan!B10')
  expect(payment.got).toBe(-1320.04)
})

const noWorksheet = join(folder, 'none.xlsx')
writeFileSync(noWorksheet, 'a,b')
test.each([
  [[], /^Say which file/],
  [[noWorksheet], /^This file is no worksheet/],
  [[join(folder, 'nowhere.xlsx')], /cannot be read\.$/],
  [[sample, '--answers', '{'], /^Answers are JSON/],
  [[sample, '--answers', '{"Loan!Z1":1}'], /^Loan!Z1 is not asked\.$/],
  [[sample, '--as', 'figures'], /not “figures”\.$/],
  [[sample, '--what'], /^The options are/],
])('%j ends with one line and exit code 2', (args, line) => {
  const { status, stdout, lines } = run(...args)
  expect([status, stdout, lines.length]).toEqual([2, '', 1])
  expect(lines[0]).toMatch(line)
})
