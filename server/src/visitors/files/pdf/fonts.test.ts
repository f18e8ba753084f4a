import fc from 'fast-check'
import { openSync } from 'fontkit'
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'
import { beforeAll, describe, expect, test } from 'vitest'
import { fetchAllLanguages } from '@vivid/contract/wording'
import { shownOf } from '../../../testing/shown'
import { resultsPdf } from '../results-pdf'
import { fonts, fontWithMost, hasSign, inFonts, type FontName } from './fonts'

beforeAll(() => fetchAllLanguages())

const names = Object.keys(fonts) as FontName[]
const nameOf = (name: string) =>
  name.includes('Rubik') ? 'Rubik' : name.includes('Serif') ? 'SourceSerif' : 'Figtree'

const scripts = [
  ['Polish', 'Pożyczka na łódź ąćęłńóśźż', 'Figtree'],
  ['Turkish', 'Tekne kredisi: ğışİçöü', 'Figtree'],
  ['Vietnamese', 'Khoản vay mua nhà ạảấầẩẫậ', 'SourceSerif'],
  ['Ukrainian', 'Позика на човен їєґі', 'SourceSerif'],
  ['Greek', 'Δάνειο για σκάφος ήέύό', 'SourceSerif'],
  ['Hebrew', 'הלוואה לסירה', 'Rubik'],
  ['Arabic', 'قرض القارب', 'Rubik'],
  ['the sheqel', 'A loan of ₪5', 'Rubik'],
] as const

describe.each(scripts)('%s', (_, text, most) => {
  test('has a font with all its signs', () => {
    expect(fontWithMost(text, 'Figtree')).toBe(most)
    expect([...text].filter((character) => !hasSign(most, character))).toEqual([])
  })

  test('is whole in a document that is set in any', () => {
    for (const own of names) {
      const pieces = inFonts(text, own)
      if (typeof pieces === 'string') expect([...text].filter((one) => !hasSign(own, one))).toEqual([])
      else
        for (const { text: piece, font } of pieces)
          expect([piece, [...piece].filter((one) => !hasSign(font, one))]).toEqual([piece, []])
    }
  })

  test('has its signs on English paper, as the lender’s name and as what a visitor names', async () => {
    const shown = shownOf((document) => ({ ...document, lender: text }), { kept: text })
    const data = new Uint8Array(await resultsPdf(shown))
    const { promise } = getDocument({ data, useSystemFonts: false, verbosity: 0 })
    const document = await promise
    let found = 0
    for (let n = 1; n <= document.numPages; n++) {
      const page = await document.getPage(n)
      // Fonts are known by name once the page has been drawn.
      await page.getOperatorList()
      for (const item of (await page.getTextContent()).items) {
        if (!('str' in item)) continue
        const { name } = page.commonObjs.get(item.fontName) as { name: string }
        const lacking = [...item.str].filter((one) => !hasSign(nameOf(name), one.normalize('NFKC')))
        expect([item.str, name, lacking]).toEqual([item.str, name, []])
        if ([...item.str].some((one) => one > '\u00ff' && text.includes(one.normalize('NFKC')))) found++
      }
    }
    expect(found).toBeGreaterThan(1)
  })
})

test('pieces put together are the text, whatever it says', () => {
  const any = fc.string({ unit: fc.oneof(fc.constantFrom(...'ażжγא س5 ,→😀'), fc.string({ maxLength: 2 })) })
  fc.assert(
    fc.property(any, fc.constantFrom(...names), (text, own) => {
      const pieces = inFonts(text, own)
      const joined = typeof pieces === 'string' ? pieces : pieces.map((one) => one.text).join('')
      expect(joined).toBe(text)
    }),
  )
})

test('what is looked at no further every font has, and bold letters are those of the others', () => {
  const signs = Array.from({ length: 0x2100 }, (_, i) => String.fromCharCode(i)).filter(
    (one) => typeof inFonts(one, 'Figtree') === 'string' && !/\p{C}/u.test(one),
  )
  expect(signs.length).toBeGreaterThan(400)
  for (const name of names)
    for (const one of '!~ÀÿéŒœ–—‘’‚“”„…€\u00a0')
      expect([name, one, hasSign(name, one)]).toEqual([name, one, true])
  for (const { normal, bold } of Object.values(fonts)) {
    const [thin, thick] = [normal, bold].map((file) => {
      const font = openSync(file)
      return 'characterSet' in font ? font.characterSet : []
    })
    expect(new Set(thick)).toEqual(new Set(thin))
  }
})
