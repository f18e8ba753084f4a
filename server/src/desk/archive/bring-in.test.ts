import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import type {
  ArchiveRead,
  BringIn,
  BroughtIn,
  CalculatorCard,
  RecordPage,
  SheetListed,
  StyleListed,
} from '@vivid/contract'
import { sha256Of } from '../../authoring/approval/edition-content'
import { hashOf, FIRST, type Hashed } from '../../team/record/entry-hash'
import { TestClient, testServer, type TestServer } from '../../testing/test-server'
import { whole } from '../../testing/whole'
import { takeOut } from './take-out'

type Said = { code: string; sentence: string }
const nothing: BringIn = {
  calculators: {},
  sheets: {},
  styles: {},
  placements: false,
  audience: false,
  record: false,
}

/** How an archive is packed that only a test reads. */
const QUICKLY = { level: 1 } as const

let from: TestServer
let archive: Uint8Array
const running: TestServer[] = []
beforeAll(async () => {
  from = await testServer({ unlimited: true })
  archive = await whole(takeOut(from.database))
})
afterAll(() => Promise.all([from, ...running].map((server) => server.close())))

/** A desk with the people of the demo and nothing else but what ships, and its keeper. */
async function emptyDesk() {
  const server = await testServer()
  running.push(server)
  await server.database.query(`
    DELETE FROM placements; DELETE FROM sites; DELETE FROM edition_lives;
    UPDATE calculators SET live_edition = NULL, scheduled_edition = NULL, scheduled_at = NULL, scheduled_by = NULL;
    ALTER TABLE editions DISABLE TRIGGER ALL; DELETE FROM editions; ALTER TABLE editions ENABLE TRIGGER ALL;
    ALTER TABLE sheet_editions DISABLE TRIGGER ALL; DELETE FROM sheet_editions; ALTER TABLE sheet_editions ENABLE TRIGGER ALL;
    DELETE FROM calculators; DELETE FROM rate_sheets; DELETE FROM audience_counts; DELETE FROM audience_bands;
    ALTER TABLE record DISABLE TRIGGER ALL; DELETE FROM record; ALTER TABLE record ENABLE TRIGGER ALL;
    DELETE FROM people WHERE email LIKE 'ines@%' OR email LIKE 'bo@%';`)
  return { server, wren: await new TestClient(server.address).signIn('wren') }
}
async function sent<Body>(
  who: TestClient,
  address: string,
  path: string,
  file: Uint8Array,
  choices?: object,
) {
  const form = new FormData()
  form.set('archive', new Blob([Buffer.from(file)]), 'archive.zip')
  if (choices) form.set('choices', JSON.stringify(choices))
  const response = await fetch(`${address}/api/archive/${path}`, {
    method: 'POST',
    headers: { cookie: who.cookie },
    body: form,
  })
  return { status: response.status, body: (await response.json()) as Body & Said }
}
const all = ({ calculators, sheets, styles }: ArchiveRead): BringIn => {
  const added = (items: readonly { id: string; state: string }[]) =>
    Object.fromEntries(items.filter(({ state }) => state === 'absent').map(({ id }) => [id, 'add' as const]))
  return {
    calculators: added(calculators),
    sheets: added(sheets),
    styles: added(styles),
    placements: true,
    audience: true,
    record: true,
  }
}

describe('into an empty desk', () => {
  test('everything comes, and nothing of it is live, in force or lets anybody in', async () => {
    const { server, wren } = await emptyDesk()
    const { body: read } = await sent<ArchiveRead>(wren, server.address, 'reading', archive)
    expect(new Set([...read.calculators, ...read.sheets].map(({ state }) => state))).toEqual(
      new Set(['absent']),
    )
    expect(read.styles.every(({ state }) => state === 'same')).toBe(true)
    expect(read.people.sort()).toEqual(['Bo Lindqvane', 'Ines Okafor'])
    const { status, body } = await sent<BroughtIn>(wren, server.address, 'contents', archive, all(read))
    expect([status, body]).toMatchObject([
      200,
      { calculators: read.calculators.length, sheets: read.sheets.length, people: 2, entries: read.entries },
    ])

    const odile = await new TestClient(server.address).signIn('odile')
    const cards = (await odile.ask<CalculatorCard[]>('GET', '/api/calculators')).body
    expect(cards.map(({ slug }) => slug).sort()).toEqual(read.calculators.map(({ id }) => id).sort())
    expect(cards.every(({ liveEdition, state }) => liveEdition === null && state !== 'sent')).toBe(true)
    const sheets = (await odile.ask<SheetListed[]>('GET', '/api/rate-sheets')).body
    expect(sheets.every(({ live, state }) => live === null && state === 'draft')).toBe(true)
    const ines = await new TestClient(server.address).ask('POST', '/api/session', {
      email: 'ines@larkmoor.example',
      password: 'ebb-and-flow',
    })
    expect(ines.status).toBe(401)
    // An approver puts live what visitors had; snippets then show it under the ids they have.
    const home = cards.find(({ slug }) => slug === 'floating-home-mortgage')
    expect(home?.state).toBe('takenDown')
    expect((await odile.ask('POST', `/api/calculators/${home?.id}/editions/1/live`)).status).toBe(200)
    await expect
      .poll(async () => (await odile.ask('GET', '/api/public/calculators/floating-home-mortgage')).status)
      .toBe(200)
    const [there, here] = await Promise.all(
      [from, server].map(({ database }) => database.query('SELECT id FROM placements ORDER BY id')),
    )
    expect(here?.[0]).toEqual(there?.[0])
    // The record: the act itself, then the entries as they were, on one unbroken chain.
    expect(await server.services.stores.record.verify()).toMatchObject({ brokenAt: null })
    const { body: page } = await odile.ask<RecordPage>('GET', '/api/record?act=archiveBroughtIn')
    expect(page.entries[0]?.details).toMatchObject({ sha256: sha256Of(archive), entries: read.entries })
  })

  test('four eyes hold: whoever changed a sheet there may not approve it here', async () => {
    const { server, wren } = await emptyDesk()
    const { body: read } = await sent<ArchiveRead>(wren, server.address, 'reading', archive)
    await sent(wren, server.address, 'contents', archive, { ...nothing, sheets: all(read).sheets })
    const [[row]] = (await server.database.query(
      `SELECT contributors @> ARRAY[(SELECT id FROM people WHERE email = 'ines@larkmoor.example')] AS ines,
              contributors @> ARRAY[(SELECT id FROM people WHERE email = 'wren@larkmoor.example')] AS wren
         FROM rate_sheets LIMIT 1`,
    )) as unknown as [[unknown]]
    expect(row).toEqual({ ines: true, wren: true })
  })
})

describe('into a desk that has something', () => {
  const changed = () => {
    const files = unzipSync(archive)
    const text = strFromU8(files['data/calculators.json'] ?? new Uint8Array())
    const renamed = text.replaceAll('Narrowboat loan', 'Narrowboat loan of old')
    return zipSync({ ...files, 'data/calculators.json': strToU8(renamed) }, QUICKLY)
  }

  test('what is here is shown, and its record is its own', async () => {
    const wren = await new TestClient(from.address).signIn('wren')
    const { body } = await sent<ArchiveRead>(wren, from.address, 'reading', archive)
    const states = [...body.calculators, ...body.sheets, ...body.styles].map(({ state }) => state)
    expect(new Set(states)).toEqual(new Set(['same']))
    expect([body.entries, body.people, body.sites, body.placements, body.days]).toEqual([null, [], 0, 0, 0])
  })

  test('a draft is replaced, kept, or stands beside; what is live stays', async () => {
    const server = await testServer()
    running.push(server)
    const wren = await new TestClient(server.address).signIn('wren')
    const file = changed()
    const { body } = await sent<ArchiveRead>(wren, server.address, 'reading', file)
    expect(body.calculators.filter(({ state }) => state === 'other').map(({ id }) => id)).toEqual([
      'narrowboat-loan',
    ])
    const cardsOf = async () =>
      (await wren.ask<CalculatorCard[]>('GET', '/api/calculators')).body.filter(({ slug }) =>
        slug.startsWith('narrowboat'),
      )
    await sent(wren, server.address, 'contents', file, nothing)
    expect((await cardsOf()).map(({ title }) => title)).toEqual(['Narrowboat loan'])
    await sent(wren, server.address, 'contents', file, {
      ...nothing,
      calculators: { 'narrowboat-loan': 'beside' },
    })
    expect((await cardsOf()).map(({ slug, liveEdition }) => [slug, liveEdition]).sort()).toEqual([
      ['narrowboat-loan', 1],
      ['narrowboat-loan-of-old', null],
    ])
    await sent(wren, server.address, 'contents', file, {
      ...nothing,
      calculators: { 'narrowboat-loan': 'replace' },
    })
    expect((await cardsOf()).find(({ slug }) => slug === 'narrowboat-loan')).toMatchObject({
      title: 'Narrowboat loan of old',
      state: 'liveWithChanges',
      liveEdition: 1,
    })
  })

  test.each<[string, Partial<BringIn>]>([
    ['adding what is here', { calculators: { 'narrowboat-loan': 'add' } }],
    ['replacing what is not here', { sheets: { 'no-such-sheet': 'replace' } }],
    ['a style that is here', { styles: { larkmoor: 'add' } }],
  ])('%s is refused, and nothing comes', async (_, choices) => {
    const wren = await new TestClient(from.address).signIn('wren')
    const { status, body } = await sent(wren, from.address, 'contents', archive, { ...nothing, ...choices })
    expect([status, body.code]).toEqual([409, 'ARCHIVE_OUTDATED'])
  })
})

describe('an archive somebody made up', () => {
  /** With its record hashed anew, as somebody with time would. */
  const forged = (change: (files: Record<string, Uint8Array>) => Record<string, Uint8Array>) => {
    const files = change(unzipSync(archive))
    let previous = FIRST
    const rows = JSON.parse(strFromU8(files['data/record.json'] ?? new Uint8Array())) as Record<
      string,
      unknown
    >[]
    const record = rows.map(({ person_id, hash: _, ...row }) => {
      const at = new Date(String(row.at)).toISOString()
      const made = { ...row, at, personId: person_id, previous } as unknown as Hashed
      previous = hashOf(made)
      return { ...row, person_id, previous: made.previous, hash: previous }
    })
    return zipSync({ ...files, 'data/record.json': strToU8(JSON.stringify(record)) }, QUICKLY)
  }

  test('that makes its keeper an approver who approved it lets nobody in and puts nothing live', async () => {
    const { server, wren } = await emptyDesk()
    const file = forged((files) => {
      const people = strFromU8(files['data/people.json'] ?? new Uint8Array())
      return {
        ...files,
        'data/people.json': strToU8(people.replace('bo@larkmoor.example', 'mine@evil.example')),
      }
    })
    const { body: read } = await sent<ArchiveRead>(wren, server.address, 'reading', file)
    await sent(wren, server.address, 'contents', file, all(read))
    const [rows] = await server.database.query(
      `SELECT active, password_hash FROM people WHERE email = 'mine@evil.example'`,
    )
    expect(rows).toEqual([{ active: false, password_hash: null }])
    const [live] = await server.database.query('SELECT 1 FROM calculators WHERE live_edition IS NOT NULL')
    expect(live).toEqual([])
  })

  test.each<[string, () => Uint8Array, string]>([
    ['no archive', () => strToU8('hello'), 'ARCHIVE_UNREADABLE'],
    [
      'an edition that is another than its hash says',
      () =>
        forged((files) => {
          const rows = JSON.parse(strFromU8(files['data/editions.json'] ?? new Uint8Array())) as {
            content: string
          }[]
          const other = rows.map((row) => ({
            ...row,
            content: row.content.replace('"payment"', '"Payment"'),
          }))
          return { ...files, 'data/editions.json': strToU8(JSON.stringify(other)) }
        }),
      'ARCHIVE_UNREADABLE',
    ],
    ['one that says it unpacks to gigabytes', () => sayingItIsLarge(archive), 'ARCHIVE_UNREADABLE'],
  ])('%s is refused in words', async (_, file, code) => {
    const wren = await new TestClient(from.address).signIn('wren')
    for (const path of ['reading', 'contents']) {
      const { status, body } = await sent(wren, from.address, path, file(), nothing)
      expect([status, body.code]).toEqual([422, code])
    }
  })

  /** The first row of a table changed. */
  const withRow = (table: string, change: object) =>
    forged((files) => {
      const name = `data/${table}.json`
      const [first, ...others] = JSON.parse(strFromU8(files[name] ?? new Uint8Array())) as object[]
      return { ...files, [name]: strToU8(JSON.stringify([{ ...first, ...change }, ...others])) }
    })
  test.each<[string, string, object]>([
    ['an act nobody here knows', 'record', { act: 'crowned' }],
    ['an entry about nothing there is', 'record', { of: 'kingdom' }],
    ['a detail that is a list', 'record', { details: { a: [1] } }],
    ['an answer that is a number', 'placements', { answers: { homePrice: 1 } }],
    ['a site that is any site', 'sites', { origins: ['*'] }],
    ['an address with a way out of it', 'calculators', { slug: '../desk' }],
    ['a day that is none', 'calculators', { last_edited_at: 'soon' }],
    ['a role above all', 'people', { role: 'owner' }],
    ['a sheet under another name', 'rate_sheets', { id: 'no-such-sheet' }],
    ['a style that is no address', 'house_styles', { id: 'a b' }],
    ['a count below nothing', 'audience_counts', { count: -1 }],
    ['a contributor who is no person', 'calculators', { contributors: ['me'] }],
    ['an edition before the first', 'editions', { number: 0 }],
  ])('with %s is refused before any of it is here', async (_, table, change) => {
    const wren = await new TestClient(from.address).signIn('wren')
    const { status, body } = await sent(wren, from.address, 'reading', withRow(table, change))
    expect([status, body.code]).toEqual([422, 'ARCHIVE_UNREADABLE'])
    expect(body.sentence).toContain(`data/${table}.json`)
  })

  /** The archive with one house style as somebody would have it. */
  const withStyle = async (changed: object) => {
    const rows = JSON.parse(strFromU8(unzipSync(archive)['data/house_styles.json'] ?? new Uint8Array())) as {
      id: string
      choices: StyleListed['choices']
    }[]
    const choices = { ...rows[0]?.choices, ...changed }
    const wren = await new TestClient(from.address).signIn('wren')
    const file = withRow('house_styles', { choices })
    const id = rows[0]?.id ?? ''
    const asked = { ...nothing, styles: { [id]: 'replace' } }
    const { status, body } = await sent<BroughtIn>(wren, from.address, 'contents', file, asked)
    const styles = (await wren.ask<StyleListed[]>('GET', '/api/house-styles')).body
    return { status, code: body.code, kept: styles.find((style) => style.id === id)?.choices }
  }
  const svg = (text: string) => `data:image/svg+xml;base64,${Buffer.from(text).toString('base64')}`
  test('with a style nobody could have kept is refused, and a logo is made safe', async () => {
    expect(await withStyle({ words: { en: { 'page.from': 'at least' } } })).toMatchObject({
      status: 422,
      code: 'WORDS_UNFIT',
    })
    const logo = { alt: 'Larkmoor', width: 9, height: 9 }
    const hostile = svg('<svg xmlns="http://www.w3.org/2000/svg"><script>x()</script></svg>')
    expect(await withStyle({ logo: { ...logo, image: hostile } })).toMatchObject({
      status: 422,
      code: 'LOGO_REFUSED',
    })
    const busy = svg(
      '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 120 40" onload="x()"><rect width="120" height="40" fill="#5b2a86"/></svg>',
    )
    const { status, kept } = await withStyle({ logo: { ...logo, image: busy } })
    expect([status, kept?.logo?.width]).toEqual([200, 120])
    expect(Buffer.from(kept?.logo?.image.split(',')[1] ?? '', 'base64').toString()).not.toContain('onload')
  })

  test('whose rows do not fit each other is refused, and nothing of it is here', async () => {
    const { server, wren } = await emptyDesk()
    const file = withRow('placements', { site_id: '00000000-0000-4000-8000-00000000dead' })
    const { body: read } = await sent<ArchiveRead>(wren, server.address, 'reading', file)
    const { status, body } = await sent(wren, server.address, 'contents', file, all(read))
    expect([status, body.code]).toEqual([422, 'ARCHIVE_UNREADABLE'])
    expect((await wren.ask<CalculatorCard[]>('GET', '/api/calculators')).body).toEqual([])
  })

  test('only a keeper brings anything in, and only with a form', async () => {
    const odile = await new TestClient(from.address).signIn('odile')
    expect((await sent(odile, from.address, 'contents', archive, nothing)).status).toBe(403)
    const wren = await new TestClient(from.address).signIn('wren')
    for (const body of [undefined, { archive: 'x' }])
      expect((await wren.ask<Said>('POST', '/api/archive/reading', body)).body.code).toBe('REQUEST_INVALID')
    const form = new FormData()
    form.set('archive', new Blob(['x']), 'a.zip')
    form.set('choices', '{"calculators":1}')
    const response = await fetch(`${from.address}/api/archive/contents`, {
      method: 'POST',
      headers: { cookie: wren.cookie },
      body: form,
    })
    expect(response.status).toBe(400)
  })
})

/** With 1 GB as the size of each of its files in the zip's directory. */
function sayingItIsLarge(zip: Uint8Array): Uint8Array {
  const bytes = Buffer.from(zip)
  const entry = Buffer.from([0x50, 0x4b, 0x01, 0x02])
  for (let at = bytes.indexOf(entry); at >= 0; at = bytes.indexOf(entry, at + 4))
    bytes.writeUInt32LE(2 ** 30, at + 24)
  return bytes
}
