import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { gzipSync } from 'node:zlib'
import { expect, test } from 'vitest'
import { root } from '../../scripts/lib/project.mjs'

const read = (room: string, file: string) => readFileSync(join(root, room, 'dist', file))
const gzipped = (...files: Buffer[]) => files.reduce((sum, file) => sum + gzipSync(file).length, 0) / 1024
const assets = (room: string) =>
  readdirSync(join(root, room, 'dist/assets')).filter((name) => /\.(js|css)$/.test(name))
/** What a page loads before anything is done on it: scripts and styles its document names. */
const firstLoad = (room: string, kind: RegExp) =>
  [
    ...read(room, 'index.html')
      .toString()
      .matchAll(/(?:src|href)="\/\w+\/(assets\/[^"]+)"/g),
  ]
    .map(([, name = '']) => name)
    .filter((name) => kind.test(name))
    .map((name) => read(room, name))

test('the visitor page is at most 84 KB of scripts and styles, gzipped', () => {
  const files = firstLoad('visitor', /\.(js|css)$/)
  expect(files.length).toBeGreaterThan(1)
  expect(gzipped(...files)).toBeLessThan(84)
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
