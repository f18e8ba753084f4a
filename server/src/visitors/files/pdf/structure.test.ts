import { getDocument, type PDFDocumentProxy } from 'pdfjs-dist/legacy/build/pdf.mjs'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { shownOf } from '../../../testing/shown'
import { TestClient, testServer, type TestServer } from '../../../testing/test-server'
import { resultsPdf } from '../results-pdf'

let server: TestServer
beforeAll(async () => {
  server = await testServer()
})
afterAll(() => server.close())

const read = new Map<string, ReturnType<typeof readPdf>>()
/** A calculator's PDF with something kept beside; each is made once. */
function pdfOf(slug: string, language: string): ReturnType<typeof readPdf> {
  const known = read.get(slug) ?? readPdf(slug, language)
  read.set(slug, known)
  return known
}
async function readPdf(slug: string, language: string) {
  const at = `${server.address}/api/public/calculators/${slug}`
  const { edition } = (await (await fetch(at)).json()) as { edition: number }
  const beside = { whatIf: [{ name: 'the raise', extra: 250_00 }] }
  const response = await fetch(`${at}/files/pdf`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ answers: {}, language, edition, on: '2026-11-25', beside }),
  })
  expect([slug, response.status]).toEqual([slug, 200])
  const bytes = Buffer.from(await response.arrayBuffer())
  return opened(bytes)
}
async function opened(bytes: Buffer) {
  const document = await getDocument({ data: new Uint8Array(bytes), useSystemFonts: false, verbosity: 0 })
    .promise
  return { bytes, document, ...(await readOut(document)) }
}

interface Branch {
  readonly role?: string
  readonly type?: string
  readonly id?: string
  readonly alt?: string
  readonly children?: readonly Branch[]
}
interface Element {
  readonly role: string
  readonly alt?: string
  readonly words: string
  readonly children: readonly Element[]
}

/** What a program that reads aloud finds: elements with their words, and words that are in none. */
async function readOut(document: PDFDocumentProxy) {
  const elements: Element[] = []
  const stray: string[] = []
  const unread: string[] = []
  for (let n = 1; n <= document.numPages; n++) {
    const page = await document.getPage(n)
    const words = new Map<string, string>()
    const within: string[] = []
    for (const item of (await page.getTextContent({ includeMarkedContent: true })).items) {
      if ('str' in item) {
        const id = within.at(-1)
        if (item.str.trim() === '') continue
        if (id === undefined) stray.push(item.str)
        else if (id === 'Artifact') unread.push(item.str)
        else words.set(id, `${words.get(id) ?? ''} ${item.str}`.trim())
      } else if (item.type === 'endMarkedContent') within.pop()
      else within.push(item.id || (item as { tag?: string }).tag || '')
    }
    const built = (branch: Branch): Element => ({
      role: branch.role ?? '',
      ...(branch.alt && { alt: branch.alt }),
      words: (branch.children ?? [])
        .flatMap(({ type, id }) => (type === 'content' && id ? [words.get(id) ?? ''] : []))
        .join(' '),
      children: (branch.children ?? []).filter(({ type }) => !type).map(built),
    })
    const root: Branch | null = await page.getStructTree()
    elements.push(...(root?.children ?? []).flatMap((top) => built(top).children))
  }
  return { elements, stray, unread }
}

const under = (element: Element): Element[] => [element, ...element.children.flatMap(under)]
describe.each([
  ['floating-home-mortgage', 'en-CA'],
  ['boathouse-rates-at-a-glance', 'fr-CA'],
  ['harbour-home-loan', 'he-IL'],
])('the PDF of %s in %s, read out', (slug, language) => {
  let found: Awaited<ReturnType<typeof readPdf>>
  beforeAll(async () => {
    found = await pdfOf(slug, language)
  })

  test('says that it is, in which language, and shows its title', async () => {
    const { document } = found
    const { info, metadata } = await document.getMetadata()
    expect(await document.getMarkInfo()).toMatchObject({ Marked: true })
    expect(info).toMatchObject({ Language: language, Title: expect.stringMatching(/./) as string })
    expect(metadata?.getRaw()).toContain('<pdfuaid:part>1</pdfuaid:part>')
    expect(await document.getViewerPreferences()).toMatchObject({ DisplayDocTitle: true })
  })

  test('leaves no word out but the foot of each page and heads that are drawn again', () => {
    expect(found.stray).toEqual([])
    // Both stand on each page, or more than one, if there is more than one; the page's number is all that differs.
    const times = new Map<string, number>()
    for (const words of found.unread.map((one) => one.replace(/\d+/g, '#')))
      times.set(words, (times.get(words) ?? 0) + 1)
    expect([...times].filter(([, count]) => count < Math.min(2, found.document.numPages))).toEqual([])
    expect(Math.max(...times.values())).toBeGreaterThanOrEqual(found.document.numPages)
  })

  test('has one title, then headings, which are marks to go to as well', async () => {
    const headings = found.elements.filter(({ role }) => /^H\d$/.test(role))
    expect(headings.map(({ role }) => role)).toEqual([
      'H1',
      ...Array.from({ length: headings.length - 1 }, () => 'H2'),
    ])
    expect(headings.length).toBeGreaterThan(2)
    expect(await found.document.getOutline()).toHaveLength(headings.length - 1)
  })

  test('has tables whose rows are all as wide, and begin with what they are of', () => {
    const tables = found.elements.filter(({ role }) => role === 'Table')
    expect(tables.length).toBeGreaterThan(0)
    for (const { children } of tables) {
      expect(new Set(children.map((row) => row.children.length)).size).toBe(1)
      // A row of another page is there without its words.
      for (const row of children.filter((one) => one.children.some(({ words }) => words))) {
        expect(row.role).toBe('TR')
        expect(row.children[0]?.role).toBe(row.children[0]?.words ? 'TH' : 'TD')
      }
    }
  })

  test('says of each picture what it shows', () => {
    for (const picture of found.elements.flatMap(under).filter(({ role }) => role === 'Figure'))
      expect(picture.alt).toMatch(/\S/)
  })
})

test('of each picture is said what it shows, and where it stands', async () => {
  const { elements, bytes } = await pdfOf('floating-home-mortgage', 'en-CA')
  const pictures = elements.flatMap(under).filter(({ role }) => role === 'Figure')
  expect(pictures.map(({ alt }) => alt)).toEqual(['What is still owed', 'Where the money goes'])
  expect(bytes.toString('latin1').match(/\/Placement \/Block\s*\/BBox \[[\d. -]+\]/g)).toHaveLength(2)
})

test('a picture that its author called nothing is read by its sentence, a mark by what it says', async () => {
  const image = `data:image/svg+xml;base64,${Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><rect width="9" height="9"/></svg>').toString('base64')}`
  const shown = shownOf(
    (document) => ({
      ...document,
      steps: document.steps.map((step) =>
        step.kind === 'readout' && step.shows === 'chart' ? { ...step, label: { 'en-CA': '' } } : step,
      ),
    }),
    { logo: { image, alt: 'A lark over a moor', width: 9, height: 9 } },
  )
  const { elements } = await opened(await resultsPdf(shown))
  const alts = elements.flatMap(under).flatMap(({ role, alt }) => (role === 'Figure' ? [alt] : []))
  expect(alts.length).toBeGreaterThan(1)
  expect(alts[0]).toBe('A lark over a moor')
  for (const alt of alts.slice(1)) expect(alt).toMatch(/\w .*\.$/)
})

test('a schedule is read as the table it is, from the first payment to the last', async () => {
  const { elements } = await pdfOf('floating-home-mortgage', 'en-CA')
  const rows = elements
    .flatMap(({ role, children }) => (role === 'Table' ? children : []))
    .map(({ children }) => children.map(({ words }) => words.replaceAll('\u00a0', ' ')))
  const payments = rows.filter((cells) => /^\d{4}-\d\d-\d\d$/.test(cells[1] ?? ''))
  expect(payments.map(([number]) => Number(number))).toEqual(Array.from({ length: 650 }, (_, i) => i + 1))
  expect(payments[0]?.slice(0, 3)).toEqual(['1', '2026-12-09', '$907.59'])
  expect(payments.at(-1)?.at(-1)).toBe('$0.00')
  // Its head stands on each of its pages.
  const head = rows.findIndex(([number]) => number === '1') - 1
  expect(rows[head]?.every((words) => /\S/.test(words))).toBe(true)
  expect(rows.filter(([, second]) => second === rows[head]?.[1])).toHaveLength(1)
  const source = (await pdfOf('floating-home-mortgage', 'en-CA')).bytes.toString('latin1')
  expect(source.match(/\/Scope \/Row/g)?.length).toBeGreaterThan(650)
  expect(source).toContain('/Scope /Column')
})

test('what stands from right to left is read in its own order', async () => {
  const source = (await pdfOf('harbour-home-loan', 'he-IL')).bytes.toString('latin1')
  // A string of UTF-16 with a byte order mark (ISO 32000-1, 7.9.2.2), its special bytes escaped.
  const said = [...source.matchAll(/\/ActualText \((\u00fe\u00ff(?:\\[\s\S]|[^\\)])*)\)/g)].map(
    ([, raw = '']) =>
      Buffer.from(raw.slice(2).replace(/\\([\s\S])/g, '$1'), 'latin1')
        .swap16()
        .toString('utf16le'),
  )
  expect(said.length).toBeGreaterThan(100)
  const visitor = new TestClient(server.address)
  const { body } = await visitor.ask<{ readouts: readonly { readonly sentence: string }[] }>(
    'POST',
    '/api/public/calculators/harbour-home-loan/evaluate',
    { answers: {}, language: 'he-IL' },
  )
  const sentence = body.readouts.find((one) => one.sentence)?.sentence ?? 'none'
  expect(said).toContain(sentence)
})
