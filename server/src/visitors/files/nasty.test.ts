import ExcelJS from 'exceljs'
import ICAL from 'ical.js'
import { beforeAll, describe, expect, test } from 'vitest'
import { nastyTexts } from '@vivid/contract/formats/nasty-texts'
import { fetchAllLanguages } from '@vivid/contract/wording'
import { shownOf } from '../../testing/shown'
import { paymentsCalendar } from './payments-calendar'
import { resultsPdf } from './results-pdf'
import { scheduleWorkbook } from './schedule-workbook'

beforeAll(() => fetchAllLanguages())

/** A visitor's figures of a calculator whose author wrote the same text wherever there is one. */
const shownWith = (text: string) =>
  shownOf((document) => ({ ...document, lender: text, title: { 'en-CA': text } }), { kept: text })

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
