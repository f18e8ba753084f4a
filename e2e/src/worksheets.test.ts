import { execFile } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { promisify } from 'node:util'
import ExcelJS from 'exceljs'
import type { Page } from 'puppeteer-core'
import { afterAll, expect, test } from 'vitest'
import { addressOf } from '../../worksheet/src/book/book'
import { brokenRules } from './support/axe'
import { choose, click, eventually, expectText, press, textOf, useApplication } from './support/application'
import { storedDocument } from './support/desk'
import { downloadsInto } from './support/downloads'

const app = useApplication()
const folder = mkdtempSync(join(tmpdir(), 'vivid-worksheets-'))
afterAll(() => rmSync(folder, { recursive: true, force: true }))
const root = fileURLToPath(new URL('../../', import.meta.url))

/** A worksheet as a team might have it: a loan, a payment, and a figure whose meaning the file does not tell. */
async function sheet(name: string, cells: Readonly<Record<string, ExcelJS.CellValue>>): Promise<string> {
  const workbook = new ExcelJS.Workbook()
  const page = workbook.addWorksheet('Punt')
  for (const [address, value] of Object.entries(cells)) page.getCell(address).value = value
  const file = join(folder, name)
  await workbook.xlsx.writeFile(file)
  return file
}
const payment = (principal: number, rate: number, months: number) =>
  (principal * (rate / 12)) / (1 - (1 + rate / 12) ** -months)
const cells = {
  A1: 'Loan ($)',
  B1: 24_000,
  A2: 'Rate',
  B2: 0.06,
  A3: 'Years',
  B3: 4,
  A4: 'Payment',
  B4: { formula: '-PMT(B2/12,B3*12,B1)', result: payment(24_000, 0.06, 48) },
  A5: 'Paid in all',
  B5: { formula: 'B4*B3*12', result: payment(24_000, 0.06, 48) * 48 },
  A6: 'Found by trying',
  B6: { formula: 'RATE(48,-B4,B1)', result: 0.005 },
}

async function bring(page: Page, file: string): Promise<void> {
  const [chooser] = await Promise.all([
    page.waitForFileChooser(),
    click(page, 'Choose a worksheet', '.chooser'),
  ])
  await chooser.accept([file])
  await page.waitForSelector('.sheet')
}
const cell = (address: string) => `.sheet [aria-label^="${address}: "]`

test('a worksheet becomes a calculator that gives its figures, and is read again when it changes', async () => {
  const page = await app.deskAs('Ines', '')
  await click(page, 'New calculator')
  await bring(page, await sheet('punt-loan.xlsx', cells))
  await expectText(page, '.bar', '2 of 3 cells agree')
  await expectText(page, 'aside', 'Punt!B6: RATE is found by trying')
  expect(await brokenRules(page)).toEqual([])

  // Cell by cell, by keyboard: what it was taken for, and another unit for what the file does not tell.
  await press(page, cell('B1'))
  await page.keyboard.press('ArrowDown')
  await expectText(page, '.cell-card', 'Punt!B2')
  await expectText(page, '.undecided', '6 %')
  await expectText(page, '.undecided', '0.06 %')
  await choose(page, '.cell-card select', 'percentNumber')
  await eventually(
    async () => (await page.$('.undecided')) === null,
    () => 'what a person said is still asked',
  )
  await choose(page, '.cell-card select', 'percent')
  await page.waitForSelector('.progress', { hidden: true })
  // To the cent: what comes out differs in money, and the draft says so.
  await press(page, 'input[value="ledger"]')
  await page.waitForSelector('input[value="ledger"]:checked')
  await expectText(page, '.differs', 'Paid in all')
  expect(await textOf(page, '.differs')).toMatch(/27,054\.\d\d/)
  await click(page, 'Make the draft')
  await page.waitForSelector('.tape-pane')
  await expectText(page, '.proofs', '1 agrees')
  const made = await storedDocument(page)
  expect(made.steps.some(({ kind }) => kind === 'loan')).toBe(true)
  expect(JSON.stringify(made.steps)).toContain('to the cent, as a ledger does, it is')

  // The treasury checks it in a tool of its own: each formula of the file gives the figure beside it.
  const save = await downloadsInto(page, folder)
  const saved = await save('worksheet', () => click(page, 'Save as worksheet'))
  const { stdout } = await promisify(execFile)(process.execPath, ['scripts/read-worksheet.mjs', saved], {
    cwd: root,
    maxBuffer: 64 * 2 ** 20,
  })
  const report = JSON.parse(stdout) as { figures: { agrees: boolean }[]; leftOut: unknown[] }
  expect(report.figures.length).toBeGreaterThan(48 * 6)
  expect(report.figures.filter(({ agrees }) => !agrees)).toEqual([])

  await click(page, 'Read its worksheet again')
  const { A5: _label, B5: _gone, ...others } = cells
  await bring(
    page,
    await sheet('punt-loan-changed.xlsx', {
      ...others,
      B1: 26_000,
      B4: { formula: '-PMT(B2/12,B3*12,B1)', result: payment(26_000, 0.06, 48) },
    }),
  )
  await expectText(page, '.changed', '$24,000')
  await expectText(page, '.changed', '$26,000')
  await expectText(page, '.changed', 'gone')
  await click(page, 'Take it over')
  await page.waitForSelector('.tape-pane')
  await expectText(page, '.proofs', '1 agrees')
  const now = await storedDocument(page)
  expect(now.steps.find(({ id }) => id === 'b1')).toMatchObject({ default: 2_600_000 })
  expect(now.steps.some(({ id }) => id === 'b5')).toBe(false)
})

test('what is no worksheet is refused in words, and one of ours can be tried', async () => {
  const page = await app.deskAs('Ines', '')
  await page.goto(`${app.desk}/worksheet`)
  await page.waitForSelector('.chooser')
  const [chooser] = await Promise.all([
    page.waitForFileChooser(),
    click(page, 'Choose a worksheet', '.chooser'),
  ])
  await chooser.accept([fileURLToPath(import.meta.url)])
  await expectText(page, '.chooser', 'is no worksheet')
  await click(page, 'a schedule, payment by payment')
  await expectText(page, '.bar', '290 of 291 cells agree')
  await expectText(page, '.sheet', '43 more rows like these')
  expect(await brokenRules(page)).toEqual([])

  // Of a large sheet more is shown as it is asked for, and a cell that is chosen elsewhere at once.
  const branches = Array.from({ length: 900 }, (_, i) => [`A${i + 11}`, `Branch ${i + 1}`])
  const across = Array.from({ length: 60 }, (_, i) => [addressOf(9, i + 5), i])
  await click(page, 'Another worksheet')
  await bring(
    page,
    await sheet('large.xlsx', {
      ...cells,
      ...Object.fromEntries([...branches, ...across]),
      B999: { formula: 'NOW()', result: 9 },
    }),
  )
  const sizeOf = () =>
    page.$eval('.sheet', (table) => [
      table.querySelectorAll('tbody tr').length,
      table.querySelectorAll('thead th').length,
    ])
  expect(await sizeOf()).toEqual([400, 40])
  await click(page, 'Show more rows')
  await click(page, 'Show more columns')
  expect(await sizeOf()).toEqual([800, 64])
  await click(page, 'Punt!B999')
  await page.waitForSelector('.sheet [aria-pressed="true"][aria-label^="B999: "]')
  expect(await sizeOf()).toEqual([908, 64])
})
