import { mkdtempSync, writeFileSync } from 'node:fs'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import express from 'express'
import { afterAll, expect, test } from 'vitest'
import type { DrawnPage, EditionContent } from '@vivid/contract'
import { compile, starters } from '@vivid/core'
import type { Live } from '../../live/live'
import { visitorPages } from './visitor-page'

const starter = starters.find(({ id }) => id === 'mortgage-payment')
if (!starter) throw new Error('there is such a starter')
const content: EditionContent = {
  format: 'vivid-meter/edition',
  version: 1,
  program: compile(starter.make(), starter.sheets).program,
  style: { '--accent': '#5b2a86' },
}
const calculator = { slug: 'raft', edition: 1, sha256: 'a'.repeat(64), publishedAt: '', content }
const live = {
  generation: 1,
  get: () => ({ state: 'live', calculator, lived: new Set([1]) }),
  placements: { originsOf: () => [] },
  sheets: () => [],
} as unknown as Live

const folder = mkdtempSync(join(tmpdir(), 'vivid-pages-'))
writeFileSync(join(folder, 'first.js'), 'document.title')
writeFileSync(join(folder, 'page.css'), 'p{margin:0}')
writeFileSync(
  join(folder, 'index.html'),
  '<html lang="en"><title><!--title--></title><!--looks--><script src="/visitor/first.js"></script><link rel="stylesheet" crossorigin href="/visitor/page.css"><div id="app"><!--drawn--></div><!--calculator-->',
)
const closing: (() => void)[] = []
afterAll(() => closing.forEach((close) => close()))

/** A server whose pages are drawn like this. */
async function serverThatDraws(draw: () => Promise<DrawnPage | undefined>): Promise<string> {
  const app = express()
  const now = () => new Date('2026-11-27T12:00:00Z')
  app.use(visitorPages({ live, now, visitorFolder: folder, handsOver: true, draw }))
  const server = app.listen(0, '127.0.0.1')
  await new Promise((done) => server.once('listening', done))
  closing.push(() => server.close())
  return `http://127.0.0.1:${(server.address() as AddressInfo).port}`
}
/** Asked for as a browser does that has kept it before. */
const asked = async (address: string, headers: Record<string, string> = {}) => {
  const response = await fetch(`${address}/c/raft`, { headers: { 'cache-control': 'max-age=0', ...headers } })
  return {
    status: response.status,
    etag: response.headers.get('etag'),
    policy: response.headers.get('content-security-policy') ?? '',
    html: await response.text(),
  }
}
const drawn =
  (html: string, rules = ''): (() => Promise<DrawnPage>) =>
  async () => ({ html, rules })

test('what is drawn, the style sheet and the first script stand in the page, and its policy names them', async () => {
  const { html, policy } = await asked(await serverThatDraws(drawn('<main>drawn</main>', '[x]{y:1}')))
  expect(html).toContain('<div id="app" data-drawn="true"><main>drawn</main></div>')
  expect(html).toContain('<script>document.title</script>')
  expect(html).toMatch(/<style>p\{margin:0\}html:root\{--accent:#5b2a86\}.*\[x\]\{y:1\}<\/style>/)
  expect(html).not.toContain('<link rel="stylesheet"')
  expect(policy.match(/'sha256-/g)).toHaveLength(2)
})

test('a page that is drawn otherwise after an upgrade is another page for browsers that have the old one', async () => {
  const before = await asked(await serverThatDraws(drawn('<main>before</main>', '[x]{y:1}')))
  const same = await asked(await serverThatDraws(drawn('<main>before</main>', '[x]{y:1}')), {
    'if-none-match': before.etag ?? '',
  })
  expect(same.status).toBe(304)
  // Else the style that the browser has would not be the one its policy names.
  expect(same.policy).toBe(before.policy)
  const after = await asked(await serverThatDraws(drawn('<main>before</main>', '[x]{y:2}')), {
    'if-none-match': before.etag ?? '',
  })
  expect(after.status).toBe(200)
  expect(after.html).toContain('[x]{y:2}')
})

test('one that is not drawn in time is sent without, kept by nobody, and drawn for the next', async () => {
  let times = 0
  const address = await serverThatDraws(async () =>
    times++ === 0 ? undefined : { html: '<main></main>', rules: '' },
  )
  const response = await fetch(`${address}/c/raft`)
  expect(response.headers.get('cache-control')).toBe('no-cache')
  const first = await response.text()
  expect(first).toContain('<div id="app"></div>')
  expect(first).toContain('id="calculator"')
  expect((await asked(address)).html).toContain('data-drawn')
})

test('in a frame it is another page than alone', async () => {
  const isAloneSaid = async (_: unknown, __: string, isAlone: boolean) => ({
    html: `<i>${isAlone}</i>`,
    rules: '',
  })
  const address = await serverThatDraws(isAloneSaid as never)
  expect((await asked(address)).html).toContain('<i>true</i>')
  expect((await asked(address, { 'sec-fetch-dest': 'iframe' })).html).toContain(
    'data-drawn="false"><i>false</i>',
  )
})
