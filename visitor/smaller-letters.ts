import subsetFont from 'subset-font'
import type { Plugin } from 'vite'

const range = (from: number, to: number): string =>
  Array.from({ length: to - from + 1 }, (_, i) => String.fromCodePoint(from + i)).join('')

/** What a file of Latin letters is asked for by `letters.css`. */
const LATIN = [range(0x20, 0xff), range(0x2000, 0x206f), 'ıŒœʻʼˆ˚˜\u0304\u0308\u0329€™↑↓−∕'].join('')

/** The weights that pages are drawn with. */
const WEIGHTS = { wght: { min: 400, max: 700 } }

/** Ships of the Latin letters those a page asks them for, with all that their font can do. */
export const smallerLetters = (): Plugin => ({
  name: 'smaller-letters',
  async generateBundle(_, bundle) {
    const files = Object.values(bundle).flatMap((file) =>
      file.type === 'asset' && /-latin-(wght|700)-[^/]*\.woff2$/.test(file.fileName) ? [file] : [],
    )
    for (const file of files)
      file.source = await subsetFont(Buffer.from(file.source), LATIN, {
        targetFormat: 'woff2',
        ...(file.fileName.includes('-wght-') && { variationAxes: WEIGHTS }),
      })
  },
})
