import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import type { CalculatorCard, CalculatorOpened, SheetListed, StyleListed } from '@vivid/contract'
import { paragraphs, starters, type RateSheet } from '@vivid/core'
import { demoChecklist } from '../../demo/demo-checklist'
import { TestClient, testServer, type TestServer } from '../../testing/test-server'

type Name = 'ines' | 'rasmus' | 'odile' | 'kofi' | 'wren'
let server: TestServer
const people = {} as Record<Name, TestClient>
beforeAll(async () => {
  server = await testServer()
  for (const name of ['ines', 'rasmus', 'odile', 'kofi', 'wren'] as const)
    people[name] = await new TestClient(server.address).signIn(name)
})
afterAll(() => server.close())

type Said = CalculatorOpened & { code?: string }
const act = async (who: Name, { id, revision }: CalculatorOpened, action: string, body: object = {}) =>
  people[who].ask<Said>('POST', `/api/calculators/${id}/${action}`, {
    revision,
    ...(action === 'approve' && { checked: demoChecklist }),
    ...body,
  })
const save = async (who: Name, calculator: CalculatorOpened, change: object = {}) =>
  (
    await people[who].ask<CalculatorOpened>('PUT', `/api/calculators/${calculator.id}/draft`, {
      revision: calculator.revision,
      document: { ...calculator.document, ...change },
    })
  ).body
const words = (text: string) => ({ introduction: { 'en-CA': paragraphs(text) } })
const dressed = async (who: Name, { id, revision }: CalculatorOpened, houseStyle: string) =>
  (
    await people[who].ask<CalculatorOpened>('PUT', `/api/calculators/${id}/house-style`, {
      revision,
      houseStyle,
    })
  ).body
const named = (calculator: CalculatorOpened) => calculator.contributors.map(({ name }) => name)

describe('whoever contributed since the last edition cannot approve', () => {
  /** What an author may do after an approver's change so that the last change is not the approver's any more. */
  const coverUps: Record<string, (calculator: CalculatorOpened) => Promise<CalculatorOpened>> = {
    'the same document saved again': (it) => save('ines', it),
    'the same style chosen again': (it) => dressed('ines', it, it.houseStyle),
    'another style and back': async (it) =>
      dressed('ines', await dressed('ines', it, 'nightwatch'), it.houseStyle),
    'a sample visitor renamed': (it) =>
      save('ines', it, {
        samples: it.document.samples.map((sample) => ({ ...sample, name: 'Somebody else' })),
      }),
    'a word changed': (it) => save('ines', it, words('Another word.')),
    'sent, sent back, changed': async (it) => {
      await act('ines', it, 'send')
      await act('kofi', it, 'send-back', { remarks: [{ step: null, text: 'A word, please.' }] })
      return save('ines', it, words('Another word.'))
    },
    'a copy of it by somebody else': async (it) =>
      (
        await people.ines.ask<CalculatorOpened>('POST', '/api/calculators', {
          from: 'copy',
          calculator: it.id,
          title: 'A copy',
        })
      ).body,
  }
  test.each(Object.entries(coverUps))('%s', async (_, coverUp) => {
    const changed = await save('odile', await people.ines.make('Dory loan'), words('By the approver.'))
    const covered = await coverUp(changed)
    expect(named(covered).sort()).toEqual(['Ines Okafor', 'Odile Marchetti'])
    expect((await act('ines', covered, 'send')).status).toBe(200)
    const refused = await act('odile', covered, 'approve')
    expect([refused.status, refused.body.code?.replace(/IS_LAST_EDITOR|CONTRIBUTED/, '…')]).toEqual([
      403,
      'APPROVER_…',
    ])
    const approved = await act('kofi', covered, 'approve')
    expect(approved.status).toBe(200)
    expect(approved.body.contributors).toEqual([])
    expect([...(approved.body.editions[0]?.contributors ?? [])].sort()).toEqual([
      'Ines Okafor',
      'Odile Marchetti',
    ])
  })

  test('the record names all who did', async () => {
    const changed = await save('odile', await people.ines.make('Named loan'), words('By the approver.'))
    await act('ines', changed, 'send')
    await act('kofi', changed, 'approve')
    const { body } = await people.wren.ask<{ entries: { act: string; details: Record<string, string> }[] }>(
      'GET',
      `/api/record?id=${changed.id}&act=published`,
    )
    expect(body.entries[0]?.details.by).toBe('Ines Okafor, Odile Marchetti')
  })

  test('once another approved, they may approve what comes after', async () => {
    const first = await save('odile', await people.ines.make('Second loan'), words('By the approver.'))
    await act('ines', first, 'send')
    const live = (await act('kofi', first, 'approve')).body
    const next = await save('ines', live, words('Now by the author alone.'))
    await act('ines', next, 'send')
    expect((await act('odile', next, 'approve')).status).toBe(200)
  })

  test('but not what came before an approval that was withdrawn', async () => {
    const first = await save('odile', await people.ines.make('Withdrawn loan'), words('By the approver.'))
    await act('ines', first, 'send')
    const timed = (await act('kofi', first, 'approve', { at: '2026-12-24T08:00:00Z' })).body
    await people.kofi.ask('DELETE', `/api/calculators/${first.id}/schedule`)
    const next = await save('ines', timed, words('A word of the author.'))
    expect(named(next).sort()).toEqual(['Ines Okafor', 'Odile Marchetti'])
    await act('ines', next, 'send')
    expect((await act('odile', next, 'approve')).status).toBe(403)
  })

  test('a save that changes nothing is no change: the revision and what was sent stay', async () => {
    const made = await people.ines.make('Still loan')
    const sent = (await act('ines', made, 'send')).body
    const again = await save('odile', sent)
    expect(again).toMatchObject({ revision: made.revision, state: 'sent', contributors: made.contributors })
    expect((await act('odile', again, 'approve')).status).toBe(200)
  })

  test('the database refuses it by itself', async () => {
    const changed = await save('odile', await people.ines.make('Forced loan'), words('By the approver.'))
    await act('ines', changed, 'send')
    const approved = (await act('kofi', changed, 'approve')).body
    const forged = server.database.query(
      `INSERT INTO editions (calculator_id, number, content, sha256, draft, revision, edited_by, approved_by, contributors)
       SELECT calculator_id, 9, content, sha256, draft, revision, edited_by, contributors[1], contributors
         FROM editions WHERE calculator_id = :id`,
      { replacements: { id: approved.id } },
    )
    await expect(forged).rejects.toThrow()
  })
})

describe('sheets', () => {
  const list = async () => (await people.ines.ask<SheetListed[]>('GET', '/api/rate-sheets')).body
  const one = async (id: string) => (await list()).find(({ sheet }) => sheet.id === id) as SheetListed
  const put = (who: Name, sheet: RateSheet, revision: number) =>
    people[who].ask<SheetListed & { code?: string }>('PUT', '/api/rate-sheets', { sheet, revision })
  const step = (who: Name, { sheet, revision }: SheetListed, action: string, body: object = {}) =>
    people[who].ask<SheetListed & { code?: string }>('POST', `/api/rate-sheets/${sheet.id}/${action}`, {
      revision,
      ...body,
    })
  const starter = starters.find(({ sheets }) => sheets.length > 0)
  const [shipped] = starter?.sheets ?? []
  if (!shipped) throw new Error('a starter brings a sheet')
  const sheetOf = (id: string, name = id): RateSheet => ({ ...shipped, id, name })
  /** A calculator as a file, looking values up in a sheet nobody here knows. */
  const fileWith = (sheet: RateSheet) => {
    const document = starter?.make()
    return {
      format: 'vivid-meter/calculator',
      sheets: [sheet],
      document: {
        ...document,
        proofs: [],
        steps: document?.steps.map((it) =>
          it.kind === 'lookUp' && it.sheet === shipped.id ? { ...it, sheet: sheet.id } : it,
        ),
      },
    }
  }
  const bring = async (who: Name, sheet: RateSheet, title: string) =>
    (await people[who].ask<Said>('POST', '/api/calculators', { from: 'file', file: fileWith(sheet), title }))
      .body

  test('whoever changed a sheet since its last approval cannot approve it, whoever saved it last', async () => {
    await put('odile', sheetOf('tide-rates'), 0)
    await put('ines', sheetOf('tide-rates', 'Tide rates'), 1)
    const draft = await one('tide-rates')
    expect(draft.contributors.map(({ name }) => name).sort()).toEqual(['Ines Okafor', 'Odile Marchetti'])
    await step('ines', draft, 'send')
    expect(await step('odile', draft, 'approve')).toMatchObject({
      status: 403,
      body: { code: 'APPROVER_CONTRIBUTED' },
    })
    expect((await step('kofi', draft, 'approve')).body.editions[0]?.contributors.sort()).toEqual([
      'Ines Okafor',
      'Odile Marchetti',
    ])
    // Saved as it stands: no change, no contribution, nothing to send.
    const same = await put('odile', sheetOf('tide-rates', 'Tide rates'), 2)
    expect(same.body).toMatchObject({ revision: 2, state: 'live', contributors: [] })
  })

  test('a sheet that comes with a file waits for approval: its calculator can be tried, and is not live', async () => {
    const made = await bring('ines', sheetOf('brought-rates'), 'Brought loan')
    const sheet = await one('brought-rates')
    expect(sheet).toMatchObject({ state: 'sent', live: null, sentBy: 'Ines Okafor' })
    expect(sheet.sentNote).toContain('Brought loan')
    await expect
      .poll(async () => {
        const { body } = await people.ines.ask<CalculatorCard[]>('GET', '/api/calculators')
        return body.find(({ id }) => id === made.id)?.meter?.figure
      })
      .toMatch(/^\$/)
    for (const [who, action] of [
      ['ines', 'send'],
      ['odile', 'approve'],
    ] as const) {
      const refused = await act(who, made, action)
      expect(refused.status).toBe(409)
    }
    expect((await act('ines', made, 'send')).body.code).toBe('SHEET_NOT_APPROVED')
    expect((await step('odile', sheet, 'approve')).status).toBe(200)
    expect((await act('ines', made, 'send')).status).toBe(200)
    expect((await act('odile', made, 'approve')).body.state).toBe('live')
  })

  test('an approver who brings a sheet cannot put it in force', async () => {
    await bring('odile', sheetOf('own-rates'), 'Own loan')
    expect((await step('odile', await one('own-rates'), 'approve')).status).toBe(403)
  })

  test('a sheet approved anew between sending and approving is not approved unseen', async () => {
    const made = await bring('ines', sheetOf('moving-rates', 'Moving rates'), 'Moving loan')
    await step('odile', await one('moving-rates'), 'approve')
    await act('ines', made, 'send')
    const sheet = sheetOf('moving-rates', 'Moving rates')
    const [version] = sheet.versions
    if (!version) throw new Error('a sheet has a version')
    const dearer = {
      ...version,
      rows: version.rows.map((row) => ({ ...row, value: String(Number(row.value) + 1) })),
    }
    await put('ines', { ...sheet, versions: [dearer] }, 1)
    await step('ines', await one('moving-rates'), 'send')
    await step('kofi', await one('moving-rates'), 'approve')
    const refused = await act('odile', made, 'approve')
    expect(refused).toMatchObject({ status: 409, body: { code: 'SENT_OUTDATED' } })
    expect(JSON.stringify(refused.body)).toContain('Moving rates')
    expect((await act('ines', made, 'send')).status).toBe(200)
    expect((await act('odile', made, 'approve')).status).toBe(200)
  })
})

test('a house style that changes after sending is not approved unseen: the edition wears what was sent', async () => {
  const styles = (await people.ines.ask<StyleListed[]>('GET', '/api/house-styles')).body
  const plum = styles.find(({ id }) => id === 'larkmoor')
  if (!plum) throw new Error('there is a first style')
  const own = { id: 'own-style', name: 'Own', choices: plum.choices, revision: 0 }
  await people.ines.ask('PUT', '/api/house-styles', own)
  const made = await dressed('ines', await people.ines.make('Dressed loan'), 'own-style')
  const sent = (await act('ines', made, 'send')).body
  const night = styles.find(({ id }) => id === 'nightwatch')?.choices
  const changed = await people.wren.ask('PUT', '/api/house-styles', { ...own, choices: night, revision: 1 })
  expect(changed.status).toBe(200)
  // What the approver looks at is what was sent, and so is what goes live.
  expect((await people.odile.open(made.id)).style).toEqual(sent.style)
  const approved = (await act('odile', made, 'approve')).body
  expect(approved.state).toBe('liveWithChanges')
  const { body } = await people.odile.ask<{ style: object }>('GET', `/api/calculators/${made.id}/editions/1`)
  expect(body.style).toEqual(sent.style)
  expect(approved.style).not.toEqual(sent.style)
})

describe('an edition that was never live', () => {
  const shown = (edition: number) => ({ answers: {}, language: 'en-CA', edition, on: '2026-11-25' })
  const publicAnswers = async (slug: string, edition: number) => {
    const nobody = new TestClient(server.address)
    const kinds = ['pdf', 'xlsx', 'calendar'].map(async (kind) =>
      nobody.ask('POST', `/api/public/calculators/${slug}/files/${kind}`, shown(edition)),
    )
    const handOver = nobody.ask('POST', `/api/public/calculators/${slug}/hand-overs`, {
      ...shown(edition),
      name: 'Somebody',
      reach: 'somebody@example.com',
      message: '',
      consent: true,
    })
    return Promise.all([...kinds, handOver].map(async (answer) => (await answer).status))
  }

  test('does not answer the public: neither before its time, nor withdrawn', async () => {
    const first = await people.ines.make('Timed loan')
    await act('ines', first, 'send')
    const live = (await act('odile', first, 'approve')).body
    await expect
      .poll(
        async () =>
          (await new TestClient(server.address).ask('GET', `/api/public/calculators/${live.slug}`)).status,
      )
      .toBe(200)
    const next = await save('ines', live, words('For Christmas.'))
    await act('ines', next, 'send')
    await act('odile', next, 'approve', { at: '2026-12-24T08:00:00Z' })
    expect(await publicAnswers(live.slug, 2)).toEqual([404, 404, 404, 404])
    await people.odile.ask('DELETE', `/api/calculators/${live.id}/schedule`)
    expect(await publicAnswers(live.slug, 2)).toEqual([404, 404, 404, 404])
    const back = await people.odile.ask('POST', `/api/calculators/${live.id}/editions/2/live`)
    expect(back).toMatchObject({ status: 409, body: { code: 'EDITION_NEVER_LIVE' } })
    expect(await publicAnswers(live.slug, 1)).toEqual([200, 200, 200, 202])
    expect((await people.odile.open(live.id)).editions.map(({ wasLive }) => wasLive)).toEqual([false, true])
  })

  test('counts for nothing', async () => {
    const first = await people.ines.make('Uncounted loan')
    await act('ines', first, 'send')
    const live = (await act('odile', first, 'approve')).body
    const next = await save('ines', live, words('For Christmas.'))
    await act('ines', next, 'send')
    await act('odile', next, 'approve', { at: '2026-12-24T08:00:00Z' })
    await people.odile.ask('POST', `/api/calculators/${live.id}/editions/1/live`)
    const count = (edition: number) =>
      new TestClient(server.address).ask('POST', '/api/public/audience', {
        calculator: live.slug,
        edition,
        language: 'en-CA',
        placement: '',
        event: 'opened',
      })
    await count(2)
    await count(1)
    await server.counter.hurry()
    const [rows] = await server.database.query(
      `SELECT edition FROM audience_counts WHERE calculator = '${live.slug}'`,
    )
    expect(rows).toEqual([{ edition: 1 }])
  })
})
