import ExcelJS from 'exceljs'
import ICAL from 'ical.js'
import { beforeAll, describe, expect, test } from 'vitest'
import { resolveStyle } from '@vivid/contract'
import { nastyTexts } from '@vivid/contract/formats/nasty-texts'
import { fetchAllLanguages } from '@vivid/contract/wording'
import { compile, starters, minor } from '@vivid/core'
import { contentOf } from '../../authoring/approval/edition-content'
import { shippedStyles } from '../../authoring/house-styles/shipped-styles'
import { shownFigures } from '../figures/shown-figures'
import { paymentsCalendar } from './payments-calendar'
import { resultsPdf } from './results-pdf'
import { scheduleWorkbook } from './schedule-workbook'

beforeAll(() => fetchAllLanguages())

/** A visitor's figures of a calculator whose author wrote the same text wherever there is one. */
function shownWith(text: string) {
  const starter = starters.find(({ id }) => id === 'mortgage-payment')
  if (!starter) throw new Error('there is a starter')
  const document = starter.make()
  const { program } = compile(
    { ...document, lender: text, title: { 'en-CA': text }, languages: ['en-CA'] },
    starter.sheets,
  )
  const style = resolveStyle(shippedStyles.larkmoor.choices)
  return shownFigures({
    calculator: {
      slug: 'nasty',
      edition: 1,
      sha256: '0'.repeat(64),
      publishedAt: '2026-11-25T12:00:00Z',
      content: contentOf(program, style),
    },
    sheets: [],
    // A short loan says as much, sooner.
    answers: { term: { years: 5, months: 0 } },
    beside: { whatIf: [{ name: text, extra: minor(100_00) }] },
    language: 'en-CA',
    on: '2026-11-25',
  })
}

describe.each(nastyTexts.map((text) => [text]))('a title %j', (text) => {
  test('leaves a calendar one calendar, with the entries it has', async () => {
    const shown = shownWith(text)
    const file = (await paymentsCalendar(shown)).toString('utf8')
    for (const line of file.split('\r\n')) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75)
    expect(file.replaceAll('\r\n', '')).not.toMatch(/[\r\n]/)
    const calendar = new ICAL.Component(ICAL.parse(file) as unknown[])
    expect(calendar.getAllSubcomponents('vevent')).toHaveLength(shown.ledger?.count ?? 0)
    expect(calendar.getAllSubcomponents()).toHaveLength(shown.ledger?.count ?? 0)
    const name = calendar.getFirstPropertyValue('x-wr-calname')
    if (!/\p{Cc}|\u2028/u.test(text)) expect(name).toBe(text.trim())
  })

  test('leaves a workbook two sheets that open, with texts as texts', async () => {
    const shown = shownWith(text)
    const book = new ExcelJS.Workbook()
    await book.xlsx.load((await scheduleWorkbook(shown)) as unknown as ArrayBuffer)
    expect(book.worksheets).toHaveLength(2)
    for (const sheet of book.worksheets)
      sheet.eachRow((row) => row.eachCell((cell) => expect(cell.formula).toBeUndefined()))
  })
})

test('a PDF is made of the worst of them', async () => {
  for (const text of ['bell\u0007 and \u001b escape', '😀'.repeat(40), '\u202eesrever'])
    expect((await resultsPdf(shownWith(text))).subarray(0, 5).toString()).toBe('%PDF-')
})
