import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { gzipSync } from 'node:zlib'
import { expect, test } from 'vitest'
import { root } from '../../scripts/lib/project.mjs'

const read = (room: string, file: string) => readFileSync(join(root, room, 'dist', file))
const inKb = (files: readonly Buffer[]) => files.reduce((sum, { length }) => sum + length, 0) / 1024
const gzipped = (...files: Buffer[]) => inKb(files.map((file) => gzipSync(file)))
const assets = (room: string) =>
  readdirSync(join(root, room, 'dist/assets')).filter((name) => /\.(js|css)$/.test(name))
/** What a page loads before anything is done on it: scripts and styles its document names. */
const firstLoad = (room: string, kind: RegExp, packed = '') =>
  [
    ...read(room, 'index.html')
      .toString()
      .matchAll(/(?:src|href)="\/\w+\/(assets\/[^"]+)"/g),
  ]
    .map(([, name = '']) => name)
    .filter((name) => kind.test(name))
    .map((name) => read(room, name + packed))

test('the visitor page is at most 76 KB of scripts and styles as they are sent, and 40 KB of letters', () => {
  const files = firstLoad('visitor', /\.(js|css)$/, '.br')
  expect(files.length).toBeGreaterThan(1)
  expect(inKb(files)).toBeLessThan(76)
  const letters = readdirSync(join(root, 'visitor/dist/assets'))
    .filter((name) => /(figtree-latin-wght|bricolage-grotesque-latin-700).*woff2$/.test(name))
    .map((name) => read('visitor', `assets/${name}`))
  expect(letters).toHaveLength(2)
  expect(inKb(letters)).toBeLessThan(40)
})

test('all of the visitor page’s script is marked as called at once, in its first line, where browsers look for it', () => {
  const marked = assets('visitor').filter((name) =>
    read('visitor', `assets/${name}`).toString().startsWith('//# allFunctionsCalledOnLoad\n'),
  )
  expect(marked).toEqual([expect.stringMatching(/^page-.*\.js$/)])
})

test('the placement script is at most 3 KB, gzipped', () => {
  expect(gzipped(read('visitor', 'embed.js'))).toBeLessThan(3)
})

test('the desk’s first view is at most 450 KB of scripts, gzipped', () => {
  const files = firstLoad('desk', /\.js$/)
  expect(files.length).toBeGreaterThan(0)
  expect(gzipped(...files)).toBeLessThan(450)
})

test('Ant Design, Zod, the compiler and the starters stay out of the visitor’s browser', () => {
  const visitor = assets('visitor')
    .map((name) => read('visitor', `assets/${name}`).toString())
    .join('')
  const desk = assets('desk')
    .map((name) => read('desk', `assets/${name}`).toString())
    .join('')
  for (const sign of ['anticon', 'ZodError', 'REFERENCE_OF_WRONG_KIND', 'What the seller asks']) {
    expect([sign, desk.includes(sign)]).toEqual([sign, true])
    expect([sign, visitor.includes(sign)]).toEqual([sign, false])
  }
})
