// @vitest-environment happy-dom
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, test, vi } from 'vitest'
import type { CalculatorOpened } from '@vivid/contract'
import type { CalculatorDocument } from '@vivid/core'
import { CALCULATOR, deskServer, named, openedAs, refusal, type Asked } from '../../testing/desk-server'
import { useDraft } from './draft-store'
import { keptDrafts } from './kept-draft'

beforeEach(() => {
  setActivePinia(createPinia())
  localStorage.clear()
  vi.useFakeTimers()
})

/** A server that saves on top of the newest revision and refuses on top of an older one. */
function savingServer(begin: CalculatorOpened = openedAs()) {
  const state = { now: begin, isOffline: false }
  const { asked } = deskServer(({ method, path, body }) => {
    if (state.isOffline) return 'offline'
    if (path === '/rate-sheets') return { body: [] }
    if (method !== 'PUT') return { body: state.now }
    const { revision, document } = body as { revision: number; document: CalculatorDocument }
    if (revision !== state.now.revision)
      return refusal(409, 'REVISION_STALE', 'Somebody saved first.', { current: state.now })
    state.now = { ...state.now, revision: revision + 1, document }
    return { body: state.now }
  })
  return { state, saves: () => asked.filter(({ method }) => method === 'PUT'), asked }
}
const titleIn = ({ body }: Asked) => (body as { document: CalculatorDocument }).document.title['en-CA']
async function openDraft() {
  const draft = useDraft()
  await draft.open(CALCULATOR)
  const change = (fields: Partial<CalculatorDocument>, key?: string) => {
    if (!draft.document) throw new Error('nothing is open')
    return draft.change({ ...draft.document, ...fields }, key)
  }
  return { draft, change, call: (title: string) => change({ title: { 'en-CA': title } }, 'title') }
}

test('what is typed is saved once somebody pauses, on the revision it was typed on', async () => {
  const { saves } = savingServer()
  const { draft, call } = await openDraft()
  for (const title of ['R', 'Ra', 'Raft']) {
    call(title)
    await vi.advanceTimersByTimeAsync(200)
  }
  expect([draft.saveState.is, saves().length]).toEqual(['waiting', 0])
  expect(keptDrafts.find(CALCULATOR)).toMatchObject({ revision: 1, document: { title: { 'en-CA': 'Raft' } } })
  await vi.advanceTimersByTimeAsync(600)
  expect(saves().map((one) => [titleIn(one), (one.body as { revision: number }).revision])).toEqual([
    ['Raft', 1],
  ])
  expect(draft.saveState.is).toBe('saved')
  expect(keptDrafts.find(CALCULATOR)).toBeUndefined()
  call('Raft and punt')
  await vi.advanceTimersByTimeAsync(600)
  expect((saves().at(-1)?.body as { revision: number }).revision).toBe(2)
})

test('what changes nothing is not saved; what is no document is refused and changes nothing', async () => {
  const { saves } = savingServer()
  const { draft, change, call } = await openDraft()
  expect(call('Raft loan')).toBe(true)
  expect(change({ languages: [] })).toBe(false)
  expect(draft.document?.languages).toEqual(['en-CA'])
  await vi.advanceTimersByTimeAsync(1_000)
  expect(saves()).toEqual([])
  expect(draft.saveState).toEqual({ is: 'saved', at: new Date(openedAs().lastEditedAt) })
  expect(draft.canUndo).toBe(false)
})

test('what is undone and done again is saved like any change', async () => {
  const { state } = savingServer()
  const { draft, call } = await openDraft()
  call('Punt loan')
  await draft.save()
  draft.undo()
  await draft.save()
  expect(state.now.document.title).toEqual({ 'en-CA': 'Raft loan' })
  draft.redo()
  await draft.save()
  expect(state.now).toMatchObject({ revision: 4, document: { title: { 'en-CA': 'Punt loan' } } })
})

test('without a connection it says so, keeps what was typed in the browser, and saves when it is back', async () => {
  const { state, saves } = savingServer()
  const { draft, call } = await openDraft()
  state.isOffline = true
  call('Skiff loan')
  await vi.advanceTimersByTimeAsync(600)
  expect(draft.saveState).toMatchObject({
    is: 'failed',
    sentence: expect.stringContaining('cannot be reached'),
  })
  expect(keptDrafts.find(CALCULATOR)?.document.title).toEqual({ 'en-CA': 'Skiff loan' })
  await expect(draft.send('')).rejects.toMatchObject({ code: 'NOT_SAVED' })
  state.isOffline = false
  await vi.advanceTimersByTimeAsync(4_000)
  expect([draft.saveState.is, titleIn(saves().at(-1)!)]).toEqual(['saved', 'Skiff loan'])
})

test('what this browser kept is taken up when the calculator is opened again', async () => {
  const { state } = savingServer()
  keptDrafts.keep(CALCULATOR, { revision: 1, base: named('Raft loan'), document: named('Kept title') })
  const { draft } = await openDraft()
  expect(draft.document?.title).toEqual({ 'en-CA': 'Kept title' })
  await vi.advanceTimersByTimeAsync(600)
  expect(state.now.document.title).toEqual({ 'en-CA': 'Kept title' })
})

describe('somebody else saved first', () => {
  const theirs = (document: CalculatorDocument) =>
    openedAs({ revision: 2, document, lastEditedBy: 'Wren Halloran' })

  test('changes of different things are joined, and both are saved', async () => {
    const { state } = savingServer()
    const { draft, call } = await openDraft()
    state.now = theirs(named('Raft loan', { currency: 'NOK' }))
    call('Punt loan')
    await vi.advanceTimersByTimeAsync(1_300)
    expect(state.now).toMatchObject({
      revision: 3,
      document: { title: { 'en-CA': 'Punt loan' }, currency: 'NOK' },
    })
    expect([draft.joinedFrom, draft.saveState.is]).toEqual(['Wren Halloran', 'saved'])
  })

  test.each([
    ['mine', 'Punt loan'],
    ['theirs', 'Barge loan'],
  ] as const)('of changes of one thing a person says which stays: %s', async (choice, title) => {
    const { state, saves } = savingServer()
    const { draft, call } = await openDraft()
    state.now = theirs(named('Barge loan', { currency: 'NOK' }))
    call('Punt loan')
    await vi.advanceTimersByTimeAsync(5_000)
    expect(draft.saveState.is).toBe('conflict')
    expect(draft.conflictWith).toBe('Wren Halloran')
    expect(saves()).toHaveLength(1)
    draft.resolve(Object.fromEntries(draft.conflicts.map(({ key }) => [key, choice])))
    await vi.advanceTimersByTimeAsync(700)
    expect(draft.document).toMatchObject({ title: { 'en-CA': title }, currency: 'NOK' })
    expect(draft.conflicts).toEqual([])
  })
})

test('nothing is sent on before what was typed is saved; a refusal shows the draft as it stands', async () => {
  const { state, asked } = savingServer()
  const { draft, call } = await openDraft()
  call('Punt loan')
  await draft.send('For the spring.')
  expect(asked.slice(-2).map(({ method, path }) => `${method} ${path}`)).toEqual([
    `PUT /calculators/${CALCULATOR}/draft`,
    `POST /calculators/${CALCULATOR}/send`,
  ])
  expect(asked.at(-1)?.body).toEqual({ revision: 2, note: 'For the spring.' })
  state.now = { ...state.now, revision: 7, document: named('Somebody else’s') }
  deskServer(({ path }) =>
    path.endsWith('/approve')
      ? refusal(409, 'REVISION_STALE', 'It has changed.', { current: state.now })
      : { body: state.now },
  )
  await expect(draft.approve(['Read.'])).rejects.toMatchObject({ code: 'REVISION_STALE' })
  expect(draft.document?.title).toEqual({ 'en-CA': 'Somebody else’s' })
  expect(draft.opened?.revision).toBe(7)
})

test('another calculator that is opened meanwhile wins, whichever answer comes last', async () => {
  const OTHER = CALCULATOR.replace(/2$/, '3')
  const late: (() => void)[] = []
  deskServer(async ({ path }) => {
    if (path === '/rate-sheets') return { body: [] }
    if (path.endsWith(CALCULATOR)) await new Promise<void>((done) => late.push(done))
    return { body: openedAs({ id: path.slice(-36), document: named(path.slice(-1)) }) }
  })
  const draft = useDraft()
  const first = draft.open(CALCULATOR)
  await draft.open(OTHER)
  late.forEach((done) => done())
  await first
  expect(draft.opened?.id).toBe(OTHER)
})
