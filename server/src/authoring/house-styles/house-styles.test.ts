import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import {
  contrast,
  contrastFaults,
  resolveStyle,
  type CalculatorOpened,
  type StyleListed,
} from '@vivid/contract'
import { TestClient, testServer, type TestServer } from '../../testing/test-server'
import { colourOnPaper } from './on-paper'
import { shippedStyles } from './shipped-styles'

describe.each(Object.entries(shippedStyles))('%s', (_, { choices }) => {
  test('can be read on every ground', () => expect(contrastFaults(choices)).toEqual([]))

  test.each(['--ink', '--ink-soft', '--accent'] as const)('%s can be read on paper', (name) =>
    expect(contrast(colourOnPaper(resolveStyle(choices), name), '#ffffff')).toBeGreaterThanOrEqual(4.5),
  )

  // Pictures on paper: text across their ground, and lines and flags in the colours of the parts.
  test('pictures can be read on paper', () => {
    const on = (name: `--${string}`) => colourOnPaper(resolveStyle(choices), name)
    expect(contrast(on('--ink'), on('--accent-soft'))).toBeGreaterThanOrEqual(4.5)
    expect(contrast(on('--ink-soft'), on('--accent-soft'))).toBeGreaterThanOrEqual(4.5)
    for (const part of ['--principal', '--interest', '--part-2', '--part-3', '--part-4', '--part-5'] as const)
      expect([part, contrast(on(part), '#ffffff') >= 3]).toEqual([part, true])
  })
})

// The ratios of WCAG 2.2's own examples: black on white, and the greys either side of 4.5 to 1.
test.each([
  ['#000000', '#ffffff', 21],
  ['#ffffff', '#ffffff', 1],
  ['#767676', '#ffffff', 4.54],
  ['#777777', '#ffffff', 4.48],
])('%s and %s have a contrast of %f to 1', (a, b, ratio) => {
  expect(contrast(a, b)).toBeCloseTo(ratio, 2)
  expect(contrast(b, a)).toBe(contrast(a, b))
})

describe('kept by the server', () => {
  let server: TestServer
  let ines: TestClient
  beforeAll(async () => {
    server = await testServer()
    ines = await new TestClient(server.address).signIn('ines')
  })
  afterAll(() => server.close())
  const styles = async () => (await ines.ask<StyleListed[]>('GET', '/api/house-styles')).body
  const named = async (id: string) => {
    const found = (await styles()).find((style) => style.id === id)
    if (!found) throw new Error(`no style ${id}`)
    return found
  }

  test('colours that cannot be read are refused by name, and nothing is kept', async () => {
    const { choices, revision, name, id } = await named('chandler')
    const pale = { ...choices, colours: { ...choices.colours, inkSoft: '#b8bdb0' } }
    const refused = await ines.ask('PUT', '/api/house-styles', { id, name, revision, choices: pale })
    expect(refused).toMatchObject({
      status: 422,
      body: { code: 'STYLE_UNREADABLE', field: 'choices.colours.inkSoft' },
    })
    expect(refused.body.sentence).toMatch(
      /inkSoft on card has a contrast of 1\.\d\d to 1, and 4\.5 to 1 is needed/,
    )
    expect((await named('chandler')).choices).toEqual(choices)
  })

  test('a changed style makes what wears it a draft with changes; its edition stays as it was', async () => {
    const { choices, revision, name, id, wornBy } = await named('nightwatch')
    const engine = wornBy.find(({ slug }) => slug === 'marine-engine-loan')
    const before = await ines.open(engine?.id ?? '')
    expect(before.state).toBe('live')
    const square = { ...choices, corner: 0 }
    expect((await ines.ask('PUT', '/api/house-styles', { id, name, revision, choices: square })).status).toBe(
      200,
    )
    const after = await ines.open(before.id)
    expect(after.state).toBe('liveWithChanges')
    expect(after.style['--corner']).toBe('0px')
    const served = await ines.ask<{ content: { style: Record<string, string> } }>(
      'GET',
      '/api/public/calculators/marine-engine-loan',
    )
    expect(served.body.content.style['--corner']).toBe('2px')
    expect((await ines.ask('PUT', '/api/house-styles', { id, name, revision, choices })).body.code).toBe(
      'REVISION_STALE',
    )
  })

  test('a calculator is given another style; a style that is worn stays', async () => {
    const made = await ines.make('Coracle loan')
    const path = `/api/calculators/${made.id}/house-style`
    const dressed = await ines.ask<CalculatorOpened>('PUT', path, {
      revision: made.revision,
      houseStyle: 'chandler',
    })
    expect(dressed.body).toMatchObject({ houseStyle: 'chandler', revision: made.revision + 1 })
    expect(dressed.body.style['--corner']).toBe('18px')
    expect((await ines.ask('PUT', path, { revision: made.revision, houseStyle: 'larkmoor' })).status).toBe(
      409,
    )
    expect((await ines.ask('PUT', path, { revision: made.revision + 1, houseStyle: 'none' })).status).toBe(
      404,
    )
    expect(await ines.ask('DELETE', '/api/house-styles/chandler')).toMatchObject({
      status: 409,
      body: { code: 'STYLE_IN_USE' },
    })
    const { choices } = await named('chandler')
    const spare = { id: 'spare', name: 'Spare', revision: 0, choices }
    expect((await ines.ask('PUT', '/api/house-styles', spare)).status).toBe(200)
    expect((await ines.ask('PUT', '/api/house-styles', spare)).body.code).toBe('STYLE_TAKEN')
    expect((await ines.ask('DELETE', '/api/house-styles/spare')).status).toBe(200)
    expect((await styles()).map(({ id }) => id)).not.toContain('spare')
  })
})
