import ExcelJS from 'exceljs'
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import type { EvaluateResponse } from '@vivid/contract'
import { TestClient, testServer, type TestServer } from '../../testing/test-server'
import { inVisualOrder } from './pdf/visual-order'

let server: TestServer
let visitor: TestClient
beforeAll(async () => {
  server = await testServer()
  visitor = new TestClient(server.address)
})
afterAll(() => server.close())

const shown = { answers: {}, language: 'en-CA', edition: 3, on: '2026-11-25' }
const path = (slug: string, kind: string) => `/api/public/calculators/${slug}/files/${kind}`
async function fileOf(kind: string, slug = 'floating-home-mortgage', body: object = shown) {
  const response = await fetch(`${server.address}${path(slug, kind)}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  })
  expect([kind, response.status]).toEqual([kind, 200])
  return { headers: response.headers, bytes: Buffer.from(await response.arrayBuffer()) }
}
const figuresOf = async (slug: string, answers: object = {}) =>
  (await visitor.ask<EvaluateResponse>('POST', `/api/public/calculators/${slug}/evaluate`, { answers })).body

async function wordsOf(pdf: Buffer) {
  const document = await getDocument({ data: new Uint8Array(pdf), useSystemFonts: false, verbosity: 0 })
    .promise
  const pages: string[] = []
  for (let n = 1; n <= document.numPages; n++) {
    const { items } = await (await document.getPage(n)).getTextContent()
    pages.push(items.map((item) => ('str' in item ? item.str : '')).join(' '))
  }
  return { pages, text: pages.join(' ').replace(/[\u00a0\s]+/g, ' ') }
}

describe('what a visitor keeps says what the page says, to the cent', () => {
  test('the PDF has the figures, the answers, every payment and the edition', async () => {
    const { headers, bytes } = await fileOf('pdf')
    expect(headers.get('content-type')).toBe('application/pdf')
    expect(headers.get('content-disposition')).toBe('attachment; filename="floating-home-mortgage.pdf"')
    expect(headers.get('content-encoding')).toBe('gzip')
    const { text, pages } = await wordsOf(bytes)
    const { readouts } = await figuresOf('floating-home-mortgage')
    for (const { figure, sentence } of readouts) {
      expect(text).toContain(figure)
      expect(text).toContain(sentence)
    }
    const payments = readouts.find(({ id }) => id === 'schedule')?.payments ?? []
    expect(payments).toHaveLength(650)
    for (const { date, interest, closing } of [payments[0], payments[324], payments.at(-1)].map((p) => p!)) {
      const money = (minor: number) =>
        new Intl.NumberFormat('en-CA', { style: 'currency', currency: 'CAD' }).format(minor / 100)
      expect(text).toMatch(
        new RegExp(`${date} .{1,40}${money(interest).replace(/[$.]/g, '\\$&')} .{0,3}\\${money(closing)}`),
      )
    }
    expect(text).toContain('Price of the floating home $412,600')
    expect(text).toContain('Worked out on November 25, 2026, edition 3 of the calculator.')
    expect(text).toContain(`Page ${pages.length} of ${pages.length}`)
    expect(text).toContain('An illustration, not an offer.')
  })

  test('the workbook has every payment as numbers, and years that add up to them', async () => {
    const { bytes } = await fileOf('xlsx')
    const book = new ExcelJS.Workbook()
    await book.xlsx.load(bytes as unknown as ExcelJS.Buffer)
    const [payments, years] = book.worksheets
    const { readouts } = await figuresOf('floating-home-mortgage')
    const rows = readouts.find(({ id }) => id === 'schedule')?.payments ?? []
    expect(payments?.rowCount).toBe(651)
    for (const row of [rows[0], rows[400], rows.at(-1)].map((one) => one!)) {
      const cells = payments?.getRow(row.number + 1).values as unknown[]
      expect(cells[1]).toBe(row.number)
      expect((cells[2] as Date).toISOString().slice(0, 10)).toBe(row.date)
      expect(cells.slice(3)).toEqual(
        [row.payment, row.principal, row.interest, row.extra, row.insurance, row.closing].map((m) => m / 100),
      )
    }
    let interest = 0
    years?.eachRow((row, n) => {
      const value = row.getCell(4).value
      if (n > 1 && typeof value === 'number') interest += Math.round(value * 100)
    })
    expect(interest).toBe(rows.reduce((sum, row) => sum + row.interest, 0))
  })

  test('the PDF has what was kept beside, by its name, in figures and in a sentence; one that does not work says why', async () => {
    const whatIf = [
      { name: 'the raise', extra: 250_00, annualRate: '4.64' },
      { name: '', lumpSum: { amount: 20_000_00, withPayment: 26 } },
      { name: 'too little', payment: 100 },
    ]
    const { text } = await wordsOf(
      (await fileOf('pdf', 'floating-home-mortgage', { ...shown, beside: { whatIf } })).bytes,
    )
    expect(text).toMatch(
      /the raise: Each|the raise: \d+ years? \d+ months? sooner, \$[\d,.]+ less interest\./,
    )
    expect(text).toMatch(/\$20,000 after 1 year: .* sooner, \$[\d,.]+ less interest\./)
    expect(text).toContain('too little: So small a payment never repays the loan')
  })

  test('few dates are the first and the last payment, and each change of amount between them', async () => {
    const text = (await fileOf('fewDates')).bytes.toString('utf8').replace(/\r\n /g, '')
    // 650 payments of which the last is another amount.
    expect(text.match(/BEGIN:VEVENT/g)).toHaveLength(2)
    expect(text.match(/TRANSP:TRANSPARENT/g)).toHaveLength(2)
    expect(text.match(/DTSTART;VALUE=DATE:/g)).toHaveLength(2)
  })

  test('what is still owed when payments end is an entry of its own, and no payment', async () => {
    const body = { ...shown, edition: 1, answers: { balloon: 20_000_00 } }
    const text = (await fileOf('fewDates', 'marine-engine-loan', body)).bytes
      .toString('utf8')
      .replace(/\r\n /g, '')
    expect(text).toContain('SUMMARY:Still owed on the loan\\, due: $20\\,000.00')
    expect(text).not.toContain('Loan payment $20')
  })

  test('the first page of the PDF says who, when, which edition, what it comes to and from which answers', async () => {
    const { pages } = await wordsOf((await fileOf('pdf')).bytes)
    const first = (pages[0] ?? '').replace(/[\u00a0\s]+/g, ' ')
    for (const words of [
      'Larkmoor Mutual',
      'Worked out on November 25, 2026, edition 3',
      '$907.59',
      'Price of the floating home',
      '$412,600',
    ])
      expect(first).toContain(words)
  })

  test('what has to be said of a loan stands in the PDF too', async () => {
    const term = { years: 30, months: 0 }
    const dear = {
      homePrice: 60_025_00,
      downPayment: { percent: '50' },
      rate: '20',
      frequency: 'weekly',
      term,
    }
    const { notices } = await figuresOf('floating-home-mortgage', dear)
    expect(notices).toMatchObject([
      { code: 'LAST_PAYMENT_LARGE', sentence: expect.stringMatching(/^The last payment is \$457\.57: /) },
    ])
    const { bytes } = await fileOf('pdf', 'floating-home-mortgage', { ...shown, answers: dear })
    const { pages } = await wordsOf(bytes)
    expect(pages[0]).toContain(notices[0]?.sentence)
  })

  test('the calendar has each payment on its day, the same entries every time', async () => {
    const [one, again] = [await fileOf('calendar'), await fileOf('calendar')]
    const text = one.bytes.toString()
    expect(one.headers.get('content-type')).toContain('text/calendar')
    expect(text).toBe(again.bytes.toString())
    expect(text.match(/BEGIN:VEVENT/g)).toHaveLength(650)
    expect(text).toContain('DTSTART;VALUE=DATE:20261209')
    expect(text).toContain('SUMMARY:Loan payment $907.59')
    expect(text.trimEnd().endsWith('END:VCALENDAR')).toBe(true)
    expect(new Set(text.match(/^UID:.*$/gm)).size).toBe(650)
  })

  test('each in the language of the page', async () => {
    const body = { ...shown, language: 'fr-CA' }
    const { text } = await wordsOf((await fileOf('pdf', 'floating-home-mortgage', body)).bytes)
    expect(text).toContain('Vous paieriez toutes les deux semaines')
    expect(text).toContain('907,59 $')
    const { bytes } = await fileOf('calendar', 'floating-home-mortgage', body)
    expect(bytes.toString().replace(/\r\n /g, '')).toContain('Versement du prêt 907')
  })

  test('a PDF from right to left has its words, and its digits in their order', async () => {
    const { text } = await wordsOf((await fileOf('pdf', 'harbour-home-loan', { ...shown, edition: 1 })).bytes)
    expect(text).toContain('7,495.18')
    expect(text).toContain('2026-12-25')
  })
})

describe('what cannot be kept is refused', () => {
  const refused = async (kind: string, body: object, slug = 'floating-home-mortgage') => {
    const { status, body: said } = await visitor.ask<{ code: string }>('POST', path(slug, kind), body)
    return [status, said.code]
  }
  test.each([
    ['a kind of file there is none of', 'doc', shown, [404, 'ADDRESS_UNKNOWN']],
    [
      'something beside that is none',
      'pdf',
      { ...shown, beside: { whatIf: [{ name: '', extra: -1 }] } },
      [400, 'REQUEST_INVALID'],
    ],
    ['a wrong answer', 'pdf', { ...shown, answers: { rate: 'high' } }, [422, 'ANSWERS_INVALID']],
    ['an edition there is none of', 'pdf', { ...shown, edition: 9 }, [404, 'EDITION_UNKNOWN']],
    ['a page from another year', 'pdf', { ...shown, on: '2025-11-25' }, [409, 'PAGE_OUTDATED']],
    ['a page from the future', 'pdf', { ...shown, on: '2027-01-01' }, [409, 'PAGE_OUTDATED']],
    ['a day that is none', 'pdf', { ...shown, on: 'tomorrow' }, [400, 'REQUEST_INVALID']],
    [
      'a schedule of nothing',
      'xlsx',
      { ...shown, answers: { downPayment: { percent: '100' } } },
      [422, 'NOTHING_BORROWED'],
    ],
  ])('%s', async (_, kind, body, answer) => expect(await refused(kind, body)).toEqual(answer))

  test('a calculator that was taken down', async () => {
    expect(await refused('pdf', shown, 'winter-berth-purchase')).toEqual([410, 'CALCULATOR_TAKEN_DOWN'])
  })
})

test('a page of an earlier edition is kept as it showed', async () => {
  const { text } = await wordsOf(
    (await fileOf('pdf', 'floating-home-mortgage', { ...shown, edition: 1 })).bytes,
  )
  expect(text).toContain('Rate a year 5.09%')
  expect(text).toContain('edition 1 of the calculator')
})

test('words from right to left stand in visual order, numbers and foreign words in their own', () => {
  const order = (text: string) => inVisualOrder(text, 'he-IL').join('')
  expect(order('שלום Larkmoor Mutual עולם')).toBe('עולם Larkmoor Mutual שלום')
  expect(order('אחרי 300 תשלומים')).toBe('תשלומים 300 אחרי')
  expect(inVisualOrder('After 300 payments.', 'en-CA')).toEqual(['After 300 payments.'])
})
