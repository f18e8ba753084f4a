import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, onTestFinished, test } from 'vitest'
import { takeSeat, type Seat } from './seats'

test('whoever comes takes a seat that nobody has, and leaves it to the next', () => {
  const home = mkdtempSync(join(tmpdir(), 'vivid-seats-'))
  onTestFinished(() => rmSync(home, { recursive: true }))
  const seats: Seat[] = [
    { browser: 'one', ports: [1, 2] },
    { browser: 'other', ports: [3, 4] },
  ]
  const take = () => takeSeat(seats, home)
  const [first, second] = [take(), take()]
  expect([first.browser, second.browser]).toEqual(['one', 'other'])
  expect(take).toThrow('no browser')
  second.leave()
  expect(take().browser).toBe('other')
})
