import { describe, expect, test } from 'vitest'
import Papa from 'papaparse'
import { htmlText, placementSnippet, scriptJson, sheetNames, unmarkedCell, writeCsv } from './index'
import { nastyTexts } from './nasty-texts'

describe.each(nastyTexts.map((text) => [text]))('%j', (text) => {
  test('comes back from CSV as it was, and no cell is a formula', () => {
    const table = [
      ['heading', text],
      [text, 'next'],
    ]
    const { data, errors } = Papa.parse<string[]>(writeCsv(table).replace(/\r\n$/, ''))
    expect(errors).toEqual([])
    expect(data.map((line) => line.map(unmarkedCell))).toEqual(table)
    for (const cell of data.flat()) expect(cell).not.toMatch(/^[=+@\t\r]|^-(?!\d+(\.\d+)?$)/)
  })

  test('opens no element and ends no attribute or script', () => {
    expect(htmlText(text)).not.toMatch(/[<>"']/)
    const snippet = placementSnippet('https://desk.example', { id: 'a1', slug: 'a', title: text })
    expect(snippet.match(/<\/?[a-z]+/g)).toEqual([
      '<script',
      '</script',
      '<noscript',
      '<a',
      '</a',
      '</noscript',
    ])
    expect(scriptJson({ [text]: text })).not.toMatch(/[<>&\u2028\u2029]/)
    expect(JSON.parse(scriptJson({ [text]: text }))).toEqual({ [text]: text })
  })

  test('names two sheets of a workbook', () => {
    const [one = '', other = ''] = sheetNames([text, text.toUpperCase()])
    for (const name of [one, other]) {
      expect(name.length).toBeGreaterThan(0)
      expect(name.length).toBeLessThanOrEqual(31)
      expect(name).not.toMatch(/[[\]*?:/\\\p{Cc}]|^'|'$|^history$/iu)
      expect(() => encodeURIComponent(name)).not.toThrow()
    }
    expect(one.toLowerCase()).not.toBe(other.toLowerCase())
  })
})

test.each([
  ["'t Huis", 't Huis'],
  ['History', 'History 2'],
  ['', 'Sheet'],
  ['Floating home mortgage', 'Floating home mortgage'],
])('a sheet for “%s” is called “%s”', (title, name) => expect(sheetNames([title])).toEqual([name]))
