import { deflateSync, crc32 } from 'node:zlib'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { LogoShape, MOST_LOGO_BYTES, type Logo } from '@vivid/contract'
import { safeLogo } from './safe-logo'

const svg = (inside: string, head = 'viewBox="0 0 120 40"'): Logo => ({
  image: `data:image/svg+xml;base64,${Buffer.from(`<svg xmlns="http://www.w3.org/2000/svg" ${head}>${inside}</svg>`).toString('base64')}`,
  alt: 'Larkmoor',
  width: 1,
  height: 1,
})
const textOf = ({ image }: Logo) => Buffer.from(image.split(',')[1] ?? '', 'base64').toString('utf8')
const chunk = (type: string, data: Uint8Array) => {
  const body = Buffer.concat([Buffer.from(type, 'latin1'), data])
  const [length, sum] = [Buffer.alloc(4), Buffer.alloc(4)]
  length.writeUInt32BE(data.length)
  sum.writeUInt32BE(crc32(body))
  return Buffer.concat([length, body, sum])
}
const head = (width: number, height: number) => {
  const data = Buffer.alloc(13)
  data.writeUInt32BE(width, 0)
  data.writeUInt32BE(height, 4)
  data.set([8, 0, 0, 0, 0], 8)
  return chunk('IHDR', data)
}
const png = (...chunks: Buffer[]): Logo => ({
  image: `data:image/png;base64,${Buffer.concat([
    Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]),
    ...chunks,
  ]).toString('base64')}`,
  alt: 'Larkmoor',
  width: 1,
  height: 1,
})
const drawn = chunk('IDAT', deflateSync(Buffer.alloc(20)))
const end = chunk('IEND', Buffer.alloc(0))

describe('an SVG', () => {
  test('keeps its shapes, their colours and its size, and nothing else', () => {
    const kept = safeLogo(
      svg(
        `<title>Mark</title><metadata><x:y xmlns:x="u">secret</x:y></metadata>
         <g id="a" onclick="alert(1)" style="fill:#5b2a86; stroke : red"><path d="M0 0L10 10z" fill="url(#g)" data-x="1"/></g>
         <rect width="10" height="4" fill="url(https://x.example/a)"/>`,
        'viewBox="0 0 120 40" onload="alert(1)"',
      ),
    )
    expect([kept.width, kept.height, kept.alt]).toEqual([120, 40, 'Larkmoor'])
    expect(textOf(kept).replace(/\s*\n\s*/g, '')).toBe(
      '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 120 40" width="120" height="40"><g id="a" fill="#5b2a86" stroke="red"><path d="M0 0L10 10z" fill="url(#g)"></path></g><rect width="10" height="4"></rect></svg>',
    )
    expect(safeLogo(kept)).toEqual(kept)
  })

  test.each([
    ['a script', '<script>alert(1)</script>'],
    ['something of HTML', '<foreignObject><p>x</p></foreignObject>'],
    ['an image', '<image href="https://x.example/a.png"/>'],
    ['a use of itself', '<g id="a"><use href="#a"/></g>'],
    ['a text, whose letters are not everywhere', '<text>Larkmoor</text>'],
    ['a style sheet', '<style>@import "https://x.example/a.css"</style>'],
    ['a movement', '<animate attributeName="x"/>'],
    ['a filter', '<filter id="f"><feFlood/></filter>'],
    ['another drawing in it', '<svg><path d="M0 0"/></svg>'],
    ['nothing drawn', ''],
    ['more than a logo needs', '<g>'.repeat(40) + '</g>'.repeat(40)],
    ['a tag that is not closed', '<path d="M0 0">'],
    ['an entity of its own', '&boom;'],
  ])('with %s is refused', (_, inside) => {
    expect(() => safeLogo(svg(inside))).toThrow('This image cannot be a logo')
  })

  test('that declares entities is refused before they are read', () => {
    const text = '<!DOCTYPE svg [<!ENTITY a "aaaa"><!ENTITY b "&a;&a;">]><svg><path d="M0 0"/>&b;</svg>'
    const image = `data:image/svg+xml;base64,${Buffer.from(text).toString('base64')}`
    expect(() => safeLogo({ ...svg(''), image })).toThrow('declares a document type')
  })

  test('whose shapes, written anew, take more room than every page has for it is refused, not kept and unreadable', () => {
    const most = svg('<path d="M0 0h1"/>'.repeat(880))
    expect(Buffer.from(most.image.split(',')[1] ?? '', 'base64').length).toBeLessThanOrEqual(MOST_LOGO_BYTES)
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 880 }),
        fc.constantFrom('d="M0 0h1"', 'style="fill:red"'),
        (n, says) => {
          let kept: Logo
          try {
            kept = safeLogo(svg(`<path ${says}/>`.repeat(n)))
          } catch (error) {
            expect(String(error)).toContain('larger than 16 KB')
            return
          }
          expect(LogoShape.safeParse(kept).success).toBe(true)
        },
      ),
      { numRuns: 40, examples: [[880, 'd="M0 0h1"']] },
    )
  })

  test.each([
    ['no size', ''],
    ['a size of nothing', 'viewBox="0 0 0 0"'],
    ['a size of a wall', 'viewBox="0 0 90000 4"'],
  ])('with %s is refused', (_, size) => {
    expect(() => safeLogo(svg('<path d="M0 0"/>', size))).toThrow('pixels wide')
  })

  test('whatever it says, what is kept has shapes and plain values only (300)', () => {
    const name = fc.constantFrom('path', 'g', 'rect', 'script', 'a', 'use', 'svg', 'style', 'x:y', 'title')
    const attribute = fc.tuple(
      fc.constantFrom('d', 'fill', 'onload', 'href', 'xlink:href', 'style', 'id', 'class', 'clip-path'),
      fc.string().map((text) => text.replaceAll(/[<>&"]/g, '')),
    )
    const tag = fc
      .tuple(name, fc.array(attribute, { maxLength: 3 }), fc.string())
      .map(([tagName, all, text]) => {
        const distinct = [...new Map(all)].map(([one, value]) => ` ${one}="${value}"`).join('')
        return `<${tagName}${distinct}>${text.replaceAll(/[<&]/g, '')}</${tagName}>`
      })
    fc.assert(
      fc.property(fc.array(tag, { maxLength: 5 }), (tags) => {
        let kept: string
        try {
          kept = textOf(safeLogo(svg(tags.join(''))))
        } catch (error) {
          expect(String(error)).toContain('cannot be a logo')
          return
        }
        expect(kept).not.toMatch(
          /script|onload|href|<style|class=|url\((?!#)|javascript:|<(?!\/?(svg|g|path|rect)\b)/,
        )
      }),
      { numRuns: 300 },
    )
  })
})

describe('a PNG', () => {
  test('keeps what it is drawn from, and its size is the one it has', () => {
    const kept = safeLogo(png(head(160, 40), chunk('tEXt', Buffer.from('Author\0somebody')), drawn, end))
    expect([kept.width, kept.height]).toEqual([160, 40])
    expect(kept.image).toBe(png(head(160, 40), drawn, end).image)
  })

  test.each<[string, Logo]>([
    [
      'no PNG at all',
      { ...png(), image: `data:image/png;base64,${Buffer.from('GIF89a').toString('base64')}` },
    ],
    ['nothing drawn', png(head(10, 10), end)],
    ['no head', png(drawn, end)],
    ['a wall', png(head(30_000, 10), drawn, end)],
    ['nothing wide', png(head(0, 10), drawn, end)],
    ['half of it', png(head(10, 10), drawn.subarray(0, 12))],
    [
      'a chunk longer than the file',
      png(head(10, 10), Buffer.from([0x7f, 0xff, 0xff, 0xff, 73, 68, 65, 84])),
    ],
  ])('%s is refused', (_, logo) => {
    expect(() => safeLogo(logo)).toThrow('This image cannot be a logo')
  })

  test('any bytes are read or refused, quickly (500)', () => {
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 300 }), (bytes) => {
        try {
          safeLogo(png(head(10, 10), Buffer.from(bytes)))
        } catch (error) {
          expect(String(error)).toContain('cannot be a logo')
        }
      }),
      { numRuns: 500 },
    )
  })

  test('one that is too large for every page is refused', () => {
    const large = chunk('IDAT', Buffer.alloc(MOST_LOGO_BYTES))
    expect(() => safeLogo(png(head(10, 10), large, end))).toThrow('larger than 16 KB')
  })
})
