import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import type { CalculatorOpened, LiveCalculator, Logo, StyleListed } from '@vivid/contract'
import { putLive } from '../../testing/put-live'
import { TestClient, testServer, type TestServer } from '../../testing/test-server'

const dataOf = (type: string, text: string | Buffer) =>
  `data:image/${type};base64,${Buffer.from(text).toString('base64')}`
const images = {
  svg: dataOf(
    'svg+xml',
    '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 120 40" onload="x()"><rect width="120" height="40" fill="#5b2a86"/></svg>',
  ),
  // One grey pixel.
  png: 'data:image/png;base64,iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAAAAAA6fptVAAAACklEQVR4nGNoAAAAggCBd81ytgAAAABJRU5ErkJggg==',
}

describe.each(Object.entries(images))('a logo (%s)', (kind, image) => {
  let server: TestServer
  let ines: TestClient
  let odile: TestClient
  let live: CalculatorOpened
  const logo: Logo = { image, alt: `Larkmoor, as ${kind}`, width: 9, height: 9 }
  const style = async () =>
    (await ines.ask<StyleListed[]>('GET', '/api/house-styles')).body.find(({ id }) => id === 'larkmoor')
  const keep = async (kept: Logo | undefined) => {
    const { id, name, revision, choices } = (await style()) as StyleListed
    const { logo: _, ...others } = choices
    return ines.ask<StyleListed & { code: string; field: string }>('PUT', '/api/house-styles', {
      id,
      name,
      revision,
      choices: { ...others, ...(kept && { logo: kept }) },
    })
  }
  beforeAll(async () => {
    server = await testServer()
    ;[ines, odile] = [
      await new TestClient(server.address).signIn('ines'),
      await new TestClient(server.address).signIn('odile'),
    ]
    await keep(logo)
    live = await putLive(ines, odile, await ines.make(`Marked loan ${kind}`))
  })
  afterAll(() => server.close())

  test('is kept safe, with the size in its file, and goes into the edition with the style', async () => {
    const kept = (await style())?.choices.logo
    expect([kept?.width, kept?.height]).toEqual(kind === 'svg' ? [120, 40] : [1, 1])
    expect(Buffer.from(kept?.image.split(',')[1] ?? '', 'base64').toString('latin1')).not.toContain('onload')
    const path = `/api/public/calculators/${live.slug}`
    await expect.poll(async () => (await odile.ask('GET', path)).status).toBe(200)
    const { body } = await odile.ask<LiveCalculator>('GET', path)
    expect(body.content.style.logo).toEqual(kept)
  })

  test('stands in the style sheet nowhere, and in a PDF at its head', async () => {
    const page = (await odile.ask<string>('GET', `/c/${live.slug}`)).body
    expect(page.split('</style>')[0]).not.toContain('base64')
    const response = await fetch(`${server.address}/api/public/calculators/${live.slug}/files/pdf`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ answers: {}, language: 'en-CA', edition: 1, on: '2026-11-25', beside: {} }),
    })
    const bytes = Buffer.from(await response.arrayBuffer()).toString('latin1')
    expect([response.status, bytes.slice(0, 5)]).toEqual([200, '%PDF-'])
    if (kind === 'png') expect(bytes).toContain('/Subtype /Image')
  })

  test('another makes what is live out of date; one that cannot be kept changes nothing', async () => {
    const before = (await style())?.revision
    const refused = await keep({ ...logo, image: dataOf('svg+xml', '<svg><script/></svg>') })
    expect([refused.status, refused.body.code, refused.body.field]).toEqual([
      422,
      'LOGO_REFUSED',
      'choices.logo',
    ])
    expect((await style())?.revision).toBe(before)
    await keep({ ...logo, alt: 'Larkmoor Mutual' })
    const { body } = await ines.ask<CalculatorOpened>('GET', `/api/calculators/${live.id}`)
    expect(body.state).toBe('liveWithChanges')
    expect(body.style.logo?.alt).toBe('Larkmoor Mutual')
  })

  test.each<[string, Partial<Logo>]>([
    ['an address elsewhere', { image: 'https://x.example/a.png' }],
    ['HTML as an image', { image: dataOf('html', '<p>') }],
    ['no text for whoever cannot see it', { alt: ' ' }],
  ])('%s is refused', async (_, change) => {
    expect((await keep({ ...logo, ...change })).body.code).toBe('REQUEST_INVALID')
  })
})
