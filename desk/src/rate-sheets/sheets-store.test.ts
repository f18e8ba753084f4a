import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, expect, test } from 'vitest'
import type { RateSheet } from '@vivid/core'
import { deskServer, listedAs, refusal } from '../testing/desk-server'
import { useSheets } from './sheets-store'

const sheet: RateSheet = {
  id: 'raft-rates',
  name: 'Raft rates',
  keys: [{ id: 'length', name: 'Length', unit: 'term', match: 'upTo' }],
  gives: 'percent',
  versions: [{ from: '2026-11-01', rows: [{ keys: ['60'], value: '4.9' }] }],
}
const withRows = (rows: RateSheet['versions'][number]['rows']): RateSheet => ({
  ...sheet,
  versions: [{ from: '2026-11-01', rows }],
})

beforeEach(() => setActivePinia(createPinia()))

/** The server keeps what is put, at the next revision, and follows steps. */
function keepingServer() {
  let kept = listedAs(sheet, { revision: 4 })
  return deskServer(({ method, path, body }) => {
    const { revision, sheet: put } = (body ?? {}) as { revision?: number; sheet?: RateSheet }
    if (path === '/rate-sheets' && method === 'GET')
      return { body: [kept, listedAs({ ...sheet, id: 'zinc' })] }
    if (path.includes('/editions/')) return { body: withRows([{ keys: ['60'], value: '3.9' }]) }
    if (revision !== kept.revision)
      return refusal(409, 'REVISION_STALE', 'Somebody was first.', { current: kept })
    kept = put
      ? { ...kept, sheet: put, revision: revision + 1, state: 'liveWithChanges' }
      : { ...kept, state: path.endsWith('send') ? 'sent' : 'live' }
    return { body: kept }
  })
}
async function openSheet(id = 'raft-rates') {
  const sheets = useSheets()
  await sheets.load(id)
  return sheets
}

test.each([
  ['Prêts à flot', 'prets-a-flot'],
  // Another sheet has that one: what is typed here is not its draft.
  ['Raft rates', 'raft-rates-2'],
  ['漢字', 'new-sheet'],
])('a new sheet that is called %s gets the identifier %s, which is its own', async (name, id) => {
  keepingServer()
  const sheets = await openSheet()
  sheets.begin({ ...sheet, id: sheets.idFor('New sheet') })
  sheets.rename(name)
  expect([sheets.sheet?.name, sheets.sheet?.id, sheets.saved]).toEqual([name, id, undefined])
})

test('a sheet that is kept stays itself when it is called otherwise', async () => {
  keepingServer()
  const sheets = await openSheet()
  sheets.rename('Zinc')
  expect([sheets.sheet?.name, sheets.sheet?.id]).toEqual(['Zinc', 'raft-rates'])
})

test('the one asked for is opened, else the first; typing is undone and done again', async () => {
  keepingServer()
  expect((await openSheet('zinc')).sheet?.id).toBe('zinc')
  const sheets = await openSheet('none')
  expect([sheets.sheet?.id, sheets.isChanged]).toEqual(['raft-rates', false])
  const next = withRows([{ keys: ['60'], value: '5.1' }])
  sheets.change(next, 'cell')
  expect([sheets.isChanged, sheets.faults]).toEqual([true, []])
  sheets.undo()
  expect([sheets.sheet, sheets.isChanged]).toEqual([sheet, false])
  sheets.redo()
  expect(sheets.sheet).toEqual(next)
})

test('a row that nothing was typed in is not saved, and is no fault', async () => {
  const { asked } = keepingServer()
  const sheets = await openSheet()
  sheets.change(
    withRows([
      { keys: ['60'], value: '5.1' },
      { keys: [' '], value: '' },
    ]),
  )
  expect(await sheets.save()).toBe(true)
  expect(asked.at(-1)?.body).toEqual({ revision: 4, sheet: withRows([{ keys: ['60'], value: '5.1' }]) })
  expect([sheets.revision, sheets.isChanged]).toEqual([5, false])
})

test('faults are told while somebody types; a value that is no decimal yet is not checked further', async () => {
  keepingServer()
  const sheets = await openSheet()
  sheets.change(
    withRows([
      { keys: ['60'], value: '5' },
      { keys: ['60'], value: '6' },
    ]),
  )
  expect(sheets.faults.map(({ code }) => code)).toEqual(['KEYS_TWICE'])
  sheets.change(withRows([{ keys: ['60'], value: '5,' }]))
  expect([sheets.isReadable, sheets.faults]).toEqual([false, []])
})

test('what was typed is saved before it is sent, and goes on the revision that came of that', async () => {
  const { asked } = keepingServer()
  const sheets = await openSheet()
  sheets.change(withRows([{ keys: ['60'], value: '5.1' }]))
  expect(await sheets.step('send', { note: 'Up.' })).toBe(true)
  expect(asked.slice(-2).map(({ method, path }) => `${method} ${path}`)).toEqual([
    'PUT /rate-sheets',
    'POST /rate-sheets/raft-rates/send',
  ])
  expect(asked.at(-1)?.body).toEqual({ revision: 5, note: 'Up.' })
  expect(sheets.saved?.state).toBe('sent')
})

test('where somebody saved first, what was typed stays and that is said; nothing is sent', async () => {
  const { asked } = keepingServer()
  const sheets = await openSheet()
  sheets.revision = 3
  const typed = withRows([{ keys: ['60'], value: '5.1' }])
  sheets.change(typed)
  expect(await sheets.step('send')).toBe(false)
  expect(asked.filter(({ method }) => method === 'POST')).toEqual([])
  expect(sheets.problem).toContain('What you typed is still here')
  expect([sheets.sheet, sheets.busy]).toEqual([typed, false])
})

test('an approved state can be started from, and taken back', async () => {
  keepingServer()
  const sheets = await openSheet()
  expect(await sheets.startFrom(2)).toBe(true)
  expect(sheets.sheet?.versions[0]?.rows[0]?.value).toBe('3.9')
  sheets.undo()
  expect(sheets.sheet).toEqual(sheet)
})

test('without a connection that is said, and nothing is lost', async () => {
  keepingServer()
  const sheets = await openSheet()
  const typed = withRows([{ keys: ['60'], value: '5.1' }])
  sheets.change(typed)
  deskServer(() => 'offline')
  expect(await sheets.save()).toBe(false)
  expect([sheets.sheet, sheets.problem]).toEqual([typed, expect.stringContaining('cannot be reached')])
})
