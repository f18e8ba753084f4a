import { afterAll, beforeAll, expect, test } from 'vitest'
import type { Checklist, EditionContent, RecordPage } from '@vivid/contract'
import { demoChecklist } from '../../demo/demo-checklist'
import { putLive } from '../../testing/put-live'
import { TestClient, testServer, type TestServer } from '../../testing/test-server'

let server: TestServer
let ines: TestClient
let odile: TestClient
let wren: TestClient
beforeAll(async () => {
  server = await testServer()
  ines = await new TestClient(server.address).signIn('ines')
  odile = await new TestClient(server.address).signIn('odile')
  wren = await new TestClient(server.address).signIn('wren')
})
afterAll(() => server.close())

type Said = Checklist & { code: string; sentence: string; field: string }
const list = async (who = wren) => (await who.ask<Said>('GET', '/api/checklist')).body
const save = (items: readonly string[], revision: number, who = wren) =>
  who.ask<Said & { current: Checklist }>('PUT', '/api/checklist', { items, revision })
async function sent(title: string) {
  const made = await ines.make(title)
  await ines.ask('POST', `/api/calculators/${made.id}/send`, { revision: made.revision })
  return (checked?: readonly string[]) =>
    odile.ask<Said & { liveEdition: number }>('POST', `/api/calculators/${made.id}/approve`, {
      revision: made.revision,
      ...(checked && { checked }),
    })
}

test('nothing goes live while something is not ticked; what was ticked goes to the record', async () => {
  const approve = await sent('Ticked loan')
  for (const checked of [undefined, [], demoChecklist.slice(1), ['Something else.']]) {
    const { status, body } = await approve(checked)
    expect([status, body.code, body.field]).toEqual([409, 'CHECKLIST_OPEN', 'checked'])
    expect(body.sentence).toContain(`“${demoChecklist[0]}”`)
  }
  expect((await approve([...demoChecklist].reverse())).body.liveEdition).toBe(1)
  const { body } = await odile.ask<RecordPage>('GET', '/api/record?act=published')
  expect(body.entries[0]?.details.checked).toBe(demoChecklist.join(' · '))
})

test('an item that reads otherwise by now was not ticked', async () => {
  const { revision } = await list()
  const approve = await sent('Reworded loan')
  const reworded = ['Every text was read aloud.', ...demoChecklist.slice(1)]
  expect((await save(reworded, revision)).status).toBe(200)
  expect((await approve(demoChecklist)).body.sentence).toContain('“Every text was read aloud.”')
  expect((await approve(reworded)).status).toBe(200)
})

test('a keeper writes it, which is on record; others read it; of two at once one is told', async () => {
  const { revision } = await list()
  expect((await save(['Mine.'], revision, odile)).status).toBe(403)
  expect((await save(['Mine.'], revision, ines)).status).toBe(403)
  const [first, second] = [
    await save(['  Rates checked.  '], revision),
    await save(['Texts read.'], revision),
  ]
  expect(first.body).toMatchObject({ items: ['Rates checked.'], lastEditedBy: 'Wren Castellan' })
  expect([second.status, second.body.code, second.body.current.items]).toEqual([
    409,
    'REVISION_STALE',
    ['Rates checked.'],
  ])
  expect((await list(ines)).items).toEqual(['Rates checked.'])
  const { body } = await ines.ask<RecordPage>('GET', '/api/record?act=checklistChanged')
  expect(body.entries[0]?.details).toEqual({ items: 'Rates checked.' })
})

test.each<[string, unknown]>([
  ['an empty item', ['Texts read.', '  ']],
  ['one twice', ['Texts read.', 'Texts read. ']],
  ['one too long', ['x'.repeat(201)]],
  ['too many', Array.from({ length: 21 }, (_, i) => `Item ${i}`)],
  ['no list', 'Texts read.'],
])('%s is refused', async (_, items) => {
  const { revision, items: before } = await list()
  const refused = await save(items as string[], revision)
  expect([refused.status, refused.body.code]).toEqual([400, 'REQUEST_INVALID'])
  expect((await list()).items).toEqual(before)
})

test('an empty list asks for nothing', async () => {
  await save([], (await list()).revision)
  expect((await (await sent('Free loan'))()).status).toBe(200)
  await save(demoChecklist, (await list()).revision)
})

test('what was sent is read as it was frozen; nothing is there before it is sent and after it is live', async () => {
  const made = await ines.make('Read loan')
  const read = () =>
    odile.ask<EditionContent & { sheets: unknown[]; code: string }>('GET', `/api/calculators/${made.id}/sent`)
  expect((await read()).body.code).toBe('NOT_SENT_FOR_APPROVAL')
  await ines.ask('POST', `/api/calculators/${made.id}/send`, { revision: made.revision })
  const { body } = await read()
  expect(Object.keys(body).sort()).toEqual(['program', 'sheets', 'style'])
  const live = await putLive(ines, odile, made)
  const edition = await odile.ask<EditionContent>('GET', `/api/calculators/${live.id}/editions/1`)
  expect([body.program, body.style]).toEqual([edition.body.program, edition.body.style])
  expect((await read()).body.code).toBe('NOT_SENT_FOR_APPROVAL')
})
