// @ts-check
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { limitWork } from './work-limit.mjs'

beforeEach(() => void vi.useFakeTimers())
afterEach(() => {
  vi.useRealTimers()
  vi.restoreAllMocks()
})

test.each([
  ['honest work that others keep from the processor', 50_000, 1_000, 0],
  ['work that takes the processor', 6_000, 6_000, 1],
  ['work that waits for what never comes', 70_000, 10, 1],
])('%s: %d ms by the clock, %d of them at work, is stopped %d times', (_, ms, atWork, times) => {
  let passed = 0
  vi.spyOn(process, 'cpuUsage').mockImplementation(() => ({
    user: (atWork * passed * 1_000) / ms,
    system: 0,
  }))
  const tooMuch = vi.fn()
  const end = limitWork({ mostCpuMs: 5_000, mostMs: 60_000 }, tooMuch)
  for (; passed < ms; passed += 1_000) vi.advanceTimersByTime(1_000)
  vi.advanceTimersByTime(200)
  end()
  expect(tooMuch).toHaveBeenCalledTimes(times)
  expect(vi.getTimerCount()).toBe(0)
})
