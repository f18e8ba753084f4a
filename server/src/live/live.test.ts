import pino from 'pino'
import { QueryTypes, type Sequelize } from 'sequelize'
import { afterAll, beforeAll, expect, inject, test } from 'vitest'
import { copiedDatabase } from '../../../scripts/lib/scratch-server.mjs'
import { connect } from '../platform/database/connection'
import { announce } from '../platform/database/notices'
import { migrate } from '../platform/database/migrate'
import { loadDemoOnce } from '../demo/load-demo'
import { TODAY } from '../testing/today'
import { createLiveOn } from '../services'
import type { Live } from './live'
import { createRefresher } from './refresher'

const silent = pino({ level: 'silent' })
let url: string
let writer: Sequelize
let reader: Sequelize
let live: Live
/** How long each of the reader's questions takes, and whether it fails; the test's own lottery decides. */
let delay = () => 0
let fails = () => false

beforeAll(async () => {
  url = await copiedDatabase(inject('clusterUrl'))
  writer = connect(url, silent)
  reader = connect(url, silent)
  await migrate(writer, silent)
  await loadDemoOnce(writer, TODAY)
  live = createLiveOn(reader, url, silent)
  await live.open()
  const query = reader.query.bind(reader) as (...args: unknown[]) => Promise<unknown>
  // Answers arrive late and in another order than they were asked for, or not at all.
  reader.query = (async (...args: unknown[]) => {
    const answer = await query(...args)
    await new Promise((resolve) => setTimeout(resolve, delay()))
    if (fails()) throw new Error('the answer was lost')
    return answer
  }) as typeof reader.query
})
afterAll(async () => {
  await live.close()
  await writer.close()
  await reader.close()
})

const SLUG = 'floating-home-mortgage'
const messageOf = (slug: string) => {
  const offer = live.get(slug)
  return offer?.state === 'takenDown' ? offer.message : offer?.state
}
const takeDown = (message: string) =>
  writer.transaction(async (transaction) => {
    await writer.query(
      `UPDATE calculators SET live_edition = NULL, taken_down_at = now(), taken_down_message = :message WHERE slug = :slug`,
      { replacements: { slug: SLUG, message }, transaction },
    )
    await announce(writer)(SLUG, transaction)
  })
const killListeners = () =>
  writer.query(
    `SELECT pg_terminate_backend(pid) FROM pg_stat_activity
      WHERE application_name = 'vivid-meter listener' AND datname = current_database()`,
  )

test('a hundred changes with late, lost and reordered answers, and a listener that is killed: nothing is stale after a second', async () => {
  // The same lottery each time.
  let seed = 7
  const lot = (below: number) => (seed = (seed * 48_271) % 2_147_483_647) % below
  for (let round = 0; round < 100; round++) {
    delay = () => lot(6)
    fails = () => lot(10) === 0
    if (round % 20 === 7) await killListeners()
    for (let change = 0; change < 3; change++) await takeDown(`round ${round}, change ${change}`)
    // Notices said twice and out of turn.
    await writer.transaction(async (transaction) => {
      await announce(writer)(`sheet/residential-rates`, transaction)
      await announce(writer)(SLUG, transaction)
    })
    // A hundredth of a second apart; where the machine stands still, nobody asks either.
    let asked = 0
    await expect.poll(() => ++asked && messageOf(SLUG), { interval: 10 }).toBe(`round ${round}, change 2`)
    expect(asked).toBeLessThan(150)
    fails = () => false
  }
  await expect.poll(() => live.secondsBehind).toBe(0)
})

test('while it cannot read, it says for how long, and what it knows stays; then it catches up', async () => {
  const before = messageOf(SLUG)
  fails = () => true
  await takeDown('unread')
  await expect.poll(() => live.secondsBehind).toBeGreaterThan(0.3)
  expect(messageOf(SLUG)).toBe(before)
  fails = () => false
  await expect.poll(() => messageOf(SLUG)).toBe('unread')
  await expect.poll(() => live.secondsBehind).toBe(0)
})

test('a listener that cannot begin keeps no connection', async () => {
  const count = async () => {
    const [row] = await writer.query<{ count: number }>(
      `SELECT count(*)::int AS count FROM pg_stat_activity WHERE datname = current_database()`,
      { type: QueryTypes.SELECT },
    )
    return row?.count ?? 0
  }
  const before = await count()
  fails = () => true
  await killListeners()
  await new Promise((resolve) => setTimeout(resolve, 2_500))
  expect(await count()).toBeLessThanOrEqual(before + 1)
  fails = () => false
  await expect.poll(() => live.isConnected).toBe(true)
})

test('readings stand one behind the other, and the last one begins after the last call', async () => {
  const log: string[] = []
  let value = 0
  let seen = -1
  const refresher = createRefresher(async () => {
    const read = value
    log.push('begin')
    await new Promise((resolve) => setTimeout(resolve, 5))
    seen = read
    log.push('end')
  }, silent)
  for (let n = 1; n <= 20; n++) {
    value = n
    refresher.refresh('it')
    if (n % 3 === 0) await new Promise((resolve) => setTimeout(resolve, 2))
  }
  await refresher.settled()
  expect(seen).toBe(20)
  expect(log.join(' ').replaceAll('begin end', '').trim()).toBe('')
  expect(refresher.behindSince).toBeUndefined()
})
