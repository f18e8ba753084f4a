import { expect, test } from 'vitest'
import { createFairQueue } from './fair-queue'

const tick = () => new Promise((resolve) => setTimeout(resolve, 1))

test('whoever asks for much waits behind themselves: the lines take turns', async () => {
  const queue = createFairQueue({ atOnce: 1, mostWaiting: 1_000, mostWaitingOfOne: 500 })
  const order: string[] = []
  const of = (who: string) =>
    queue.run(who, async () => {
      await tick()
      order.push(who)
    })
  const all = [...Array.from({ length: 100 }, () => of('greedy')), of('modest'), of('other'), of('modest')]
  await Promise.all(all)
  expect(order.lastIndexOf('modest')).toBeLessThan(8)
  expect(order.indexOf('other')).toBeLessThan(6)
  expect(order).toHaveLength(103)
  expect(queue.waiting).toBe(0)
})

test('one has never all of it while there is more than one place', async () => {
  const queue = createFairQueue({ atOnce: 3, mostWaiting: 100, mostWaitingOfOne: 100 })
  let [running, most] = [0, 0]
  await Promise.all(
    Array.from({ length: 20 }, () =>
      queue.run('greedy', async () => {
        most = Math.max(most, ++running)
        await tick()
        running--
      }),
    ),
  )
  expect(most).toBe(2)
})

test('too much of one, or of all, is refused; what fails makes room', async () => {
  const queue = createFairQueue({ atOnce: 1, mostWaiting: 3, mostWaitingOfOne: 2 })
  const fails = queue.run('a', async () => {
    await tick()
    throw new Error('failed')
  })
  const kept = [queue.run('a', tick), queue.run('a', tick)]
  expect(queue.run('a', tick)).toBeUndefined()
  const last = queue.run('b', tick)
  expect(last).toBeDefined()
  expect(queue.run('c', tick)).toBeUndefined()
  await expect(fails).rejects.toThrow('failed')
  await Promise.all([...kept, last])
  expect(await queue.run('c', async () => 'done')).toBe('done')
})
