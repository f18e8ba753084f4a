import fc from 'fast-check'
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'
import { beforeAll, expect, test } from 'vitest'
import { fetchAllLanguages, figuresFor } from '@vivid/contract/wording'
import { shownOf } from '../../../testing/shown'
import { resultsPdf } from '../results-pdf'
import { inOrderOfLine, inVisualOrder, isolated, runsOf } from './visual-order'

beforeAll(() => fetchAllLanguages())

const TITLE =
  'הלוואה לרכישת סירת מגורים חדשה (Larkmoor 2027) עם ביטוח מלא ותשלומים חודשיים קבועים לאורך כל התקופה'

interface Placed {
  readonly text: string
  readonly left: number
  readonly right: number
  readonly bottom: number
}
/** The pieces on the first page of a document, each with where it stands, in points. */
async function placedOn(pdf: Buffer): Promise<Placed[]> {
  const { promise } = getDocument({ data: new Uint8Array(pdf), useSystemFonts: false, verbosity: 0 })
  const { items } = await (await (await promise).getPage(1)).getTextContent()
  return items.flatMap((item) => {
    if (!('str' in item) || item.str.trim() === '') return []
    const [, , , , left, bottom] = item.transform as number[]
    return [{ text: item.str, left: left ?? 0, right: (left ?? 0) + item.width, bottom: bottom ?? 0 }]
  })
}

test.each([
  ['he-IL', (a: Placed, b: Placed) => b.right - a.right],
  ['en-CA', (a: Placed, b: Placed) => a.left - b.left],
] as const)(
  'a long title of Hebrew words reads from the top, its lines within the page: %s',
  async (language, along) => {
    const titled = language === 'he-IL' ? TITLE : `A loan (${TITLE}) for a home that floats`
    const shown = shownOf((document) => ({ ...document, title: { 'en-CA': titled } }))
    const placed = await placedOn(await resultsPdf({ ...shown, language }))
    const lines = new Map<number, Placed[]>()
    for (const one of placed) lines.set(one.bottom, [...(lines.get(one.bottom) ?? []), one])
    const title = [...lines.entries()]
      .sort(([a], [b]) => b - a)
      .map(([, pieces]) => pieces)
      .slice(1, 4)
    for (const { left, right } of title.flat()) {
      expect(left).toBeGreaterThanOrEqual(43)
      expect(right).toBeLessThanOrEqual(553)
    }
    const words = (text: string): string[] => [...(text.match(/[\p{L}\p{N}]+/gu) ?? [])]
    const first = title.map((pieces) => [...pieces].sort(along)[0]?.text)
    // The first word of each line, from the top, in the order of the title.
    const at = first.map((piece) => words(titled).indexOf(words(piece ?? '')[0] ?? ''))
    expect(at[0]).toBe(0)
    expect(at).toEqual([...at].sort((a, b) => a - b))
  },
)

test('a sentence that ends in an amount has its full stop at the left of the currency’s sign', async () => {
  const shown = shownOf((document) => document)
  const figures = figuresFor(shown.program, 'he-IL')
  const placed = await placedOn(await resultsPdf({ ...shown, language: 'he-IL', figures }))
  const stops = placed.filter(({ text }) => text.trim() === '.')
  const signs = placed.filter(({ text }) => text.trim() === '$')
  const ends = stops.flatMap((stop) =>
    signs.filter((sign) => sign.bottom === stop.bottom && Math.abs(sign.left - stop.right) < 1),
  )
  expect(ends.length).toBeGreaterThan(0)
  const turned = stops.filter((stop) =>
    signs.some((sign) => sign.bottom === stop.bottom && Math.abs(stop.left - sign.right) < 1),
  )
  expect(turned).toEqual([])
})

test('signs behind a word from right to left stand at its left, and brackets face the other way', () => {
  const order = (text: string, language = 'he-IL') => inVisualOrder(text, language).join('')
  expect(order('החוב 350,710 \u200f$, מחציתו')).toBe('מחציתו ,$ 350,710 החוב')
  expect(order('ריבית (4.64%) לשנה')).toBe('לשנה (4.64%) ריבית')
  expect(order('a בנק הנמל b', 'en-CA')).toBe('a הנמל בנק b')
  expect(order('plain (words)', 'en-CA')).toBe('plain (words)')
})

test('a name from right to left turns nothing beside it', () => {
  expect(inVisualOrder(`${isolated('סירה קטנה')}: 1 month sooner`, 'en-CA').join('')).toBe(
    'קטנה סירה: 1 month sooner',
  )
})

test('runs are the text, and a line has each of them once, whatever it says', () => {
  const any = fc.string({ unit: fc.constantFrom(...'abאבג 1,5($)%😀\u00a0') })
  fc.assert(
    fc.property(any, fc.constantFrom('he-IL', 'en-CA'), (text, language) => {
      const runs = runsOf(text, language)
      if (typeof runs === 'string') return void expect(runs).toBe(text)
      const joined = runs.map((run) => run.text).join('')
      const alike = (all: string) => [...all.replaceAll('(', ')')].sort()
      expect(alike(joined)).toEqual(alike(text))
      const line = inOrderOfLine(runs, language === 'he-IL' ? 1 : 0)
      expect(new Set(line)).toEqual(new Set(runs))
      expect(line).toHaveLength(runs.length)
    }),
  )
})
