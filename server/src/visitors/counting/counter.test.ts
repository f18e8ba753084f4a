import pino from 'pino'
import { afterEach, describe, expect, test } from 'vitest'
import type { Counted } from '@vivid/contract'
import { startCounting, type AudienceCounter, type Tally } from './counter'

const silent = pino({ level: 'silent' })
const opened: Counted = { calculator: 'raft', edition: 1, language: 'en-CA', placement: '', event: 'opened' }
const seen = {
  placement: '',
  slug: 'raft',
  origin: 'https://a.example',
  page: '/',
  verdict: 'shown',
  lastSeen: new Date(),
} as const

let counter: AudienceCounter | undefined
afterEach(() => counter?.stop())

/** A place to keep counts that can be made to fail. */
function keeping() {
  const kept: Tally[] = []
  const state = { isAway: false, attempts: 0 }
  counter = startCounting((tally) => {
    state.attempts++
    if (state.isAway) return Promise.reject(new Error('the database is away'))
    kept.push(tally)
    return Promise.resolve()
  }, silent)
  return { counter, kept, state }
}
const sumOf = (kept: readonly Tally[]) =>
  kept.flatMap(({ counts }) => counts).reduce((sum, { count }) => sum + count, 0)

describe('counts', () => {
  test('of the same thing add up to one row; of another day, language or placement they are others', async () => {
    const { counter, kept } = keeping()
    for (let i = 0; i < 5; i++) counter.count(opened, '2026-11-25')
    counter.count(opened, '2026-11-26')
    counter.count({ ...opened, language: 'fr-CA' }, '2026-11-25')
    counter.hurry()
    await expect.poll(() => kept.length).toBe(1)
    expect(kept[0]?.counts).toEqual([
      { ...opened, day: '2026-11-25', count: 5 },
      { ...opened, day: '2026-11-26', count: 1 },
      { ...opened, language: 'fr-CA', day: '2026-11-25', count: 1 },
    ])
  })

  test('that could not be kept are kept later, none twice and none lost', async () => {
    const { counter, kept, state } = keeping()
    state.isAway = true
    counter.count(opened, '2026-11-25')
    counter.answered({ calculator: 'raft', edition: 1, bands: { price: '200000' } }, '2026-11-25')
    counter.seen(seen)
    counter.hurry()
    await expect.poll(() => state.attempts).toBeGreaterThan(0)
    counter.count(opened, '2026-11-25')
    state.isAway = false
    counter.hurry()
    await expect.poll(() => kept.length).toBe(1)
    expect(sumOf(kept)).toBe(2)
    expect(kept[0]?.bands).toEqual([
      { day: '2026-11-25', calculator: 'raft', question: 'price', band: '200000', count: 1 },
    ])
    expect(kept[0]?.sightings).toEqual([seen])
    counter.hurry()
    await counter.stop()
    expect(kept).toHaveLength(1)
  })

  test('are kept when the server stops', async () => {
    const { counter, kept } = keeping()
    counter.count(opened, '2026-11-25')
    counter.keyUsed('key')
    await counter.stop()
    expect(sumOf(kept)).toBe(1)
    expect(kept.at(-1)?.keys).toMatchObject([{ id: 'key' }])
  })

  test('of made-up things fill no memory: beyond a bound only what is known goes on', async () => {
    const { counter, kept } = keeping()
    counter.count(opened, '2026-11-25')
    for (let i = 0; i < 21_000; i++) counter.count({ ...opened, placement: `made up ${i}` }, '2026-11-25')
    counter.count(opened, '2026-11-25')
    await counter.stop()
    const all = kept.flatMap(({ counts }) => counts)
    expect(all.length).toBeLessThanOrEqual(20_000)
    expect(all.find(({ placement }) => placement === '')?.count).toBe(2)
  })
})
