import { describe, expect, test, vi } from 'vitest'
import type { Program } from '@vivid/core/evaluate'
import { createTellAudience } from './tell-audience'

const live = { slug: 'raft', edition: 3, handsOver: true, isAlone: true }

/** A window that keeps what is sent. */
function windowWith(navigator: object, search = '') {
  const sent: { path: string; body: unknown }[] = []
  const waiting: Promise<unknown>[] = []
  const view = {
    location: { search },
    navigator: {
      ...navigator,
      sendBeacon: (path: string, blob: Blob) => {
        waiting.push(blob.text().then((text) => sent.push({ path, body: JSON.parse(text) })))
        return true
      },
    },
  } as unknown as Window
  return {
    view,
    sent: async () => {
      await Promise.all(waiting)
      return sent
    },
  }
}
const program = {
  minorDigits: 2,
  steps: [
    { step: { kind: 'question', id: 'price', asks: 'money' } },
    { step: { kind: 'question', id: 'who', asks: 'choice' } },
    { step: { kind: 'question', id: 'hidden', asks: 'money' } },
    { step: { kind: 'working', id: 'loan' } },
  ],
} as unknown as Program
const values = {
  price: { unit: 'money', money: 41_260_000 },
  who: { unit: 'number', number: '7' },
  loan: { unit: 'money', money: 1 },
} as never

describe('the audience is told', () => {
  test('what happened, on which placement, and nothing about who', async () => {
    const { view, sent } = windowWith({}, '?placement=a1&homePrice=500000')
    createTellAudience(live, 'fr-CA', view)('opened')
    expect(await sent()).toEqual([
      {
        path: '/api/public/audience',
        body: { calculator: 'raft', edition: 3, language: 'fr-CA', placement: 'a1', event: 'opened' },
      },
    ])
  })

  test('once, when somebody leaves who changed an answer, the bands of the answers and never the answers', async () => {
    const { view, sent } = windowWith({})
    const tell = createTellAudience(live, 'en-CA', view)
    tell.left(program, { who: 'member' }, values)
    tell('changed')
    await vi.dynamicImportSettled()
    tell.left(program, { who: 'member' }, values)
    tell.left(program, { who: 'member' }, values)
    const told = await sent()
    expect(told).toHaveLength(2)
    expect(told[1]).toEqual({
      path: '/api/public/audience/answers',
      body: { calculator: 'raft', edition: 3, bands: { price: '400000', who: 'member' } },
    })
    expect(JSON.stringify(told)).not.toContain('41260000')
  })

  test.each([
    ['asks not to be tracked', { doNotTrack: '1' }],
    ['sends the global privacy signal', { globalPrivacyControl: true }],
  ])('nothing of a browser that %s', async (_, navigator) => {
    const { view, sent } = windowWith(navigator)
    const tell = createTellAudience(live, 'en-CA', view)
    tell('opened')
    tell('changed')
    tell.left(program, {}, values)
    expect(await sent()).toEqual([])
  })

  test('nothing of a draft’s preview', async () => {
    const { view, sent } = windowWith({})
    createTellAudience(undefined, 'en-CA', view)('opened')
    expect(await sent()).toEqual([])
  })
})
