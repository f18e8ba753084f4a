import { expect, test } from 'vitest'
import { inBackground } from './background'

const later = (ms: number) => new Promise((done) => setTimeout(done, ms))

test('it begins at once, is done again and again, and never twice at the same time', async () => {
  let [running, most, times] = [0, 0, 0]
  const background = inBackground(
    async () => {
      most = Math.max(most, ++running)
      await later(15)
      running--
      times++
    },
    5,
    () => undefined,
  )
  await expect.poll(() => times).toBeGreaterThan(2)
  for (let i = 0; i < 10; i++) background.hurry()
  await background.stop()
  expect(most).toBe(1)
})

test('what it throws is told, and it is tried again', async () => {
  const faults: unknown[] = []
  let times = 0
  const background = inBackground(
    () => Promise.reject(new Error(`attempt ${++times}`)),
    5,
    (err) => faults.push(err),
  )
  await expect.poll(() => faults.length).toBeGreaterThan(1)
  await background.stop()
  expect(String(faults[0])).toContain('attempt 1')
})

test('stopping waits for what is being done, which can see that it should end; afterwards nothing is done', async () => {
  let [ended, begun] = [0, 0]
  const background = inBackground(
    async (isStopped) => {
      begun++
      while (!isStopped()) await later(2)
      ended++
    },
    5,
    () => undefined,
  )
  await expect.poll(() => begun).toBe(1)
  await background.stop()
  expect(ended).toBe(1)
  background.hurry()
  await later(20)
  expect(begun).toBe(1)
})
