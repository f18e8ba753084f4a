import { expect, test } from 'vitest'
import { browserOf, nameOfSession } from './sessions-store'

test.each([
  ['Mozilla/5.0 (X11; Linux x86_64; rv:140.0) Gecko/20100101 Firefox/140.0', 'Firefox on Linux'],
  [
    'Mozilla/5.0 (Windows NT 10.0) AppleWebKit/537.36 Chrome/140.0 Safari/537.36 Edg/140.0',
    'Edge on Windows',
  ],
  ['Mozilla/5.0 (iPhone; CPU iPhone OS 18_0 like Mac OS X) Version/18.0 Safari/604.1', 'Safari on iOS'],
  [
    'Mozilla/5.0 (Linux; Android 15) AppleWebKit/537.36 Chrome/140.0 Mobile Safari/537.36',
    'Chrome on Android',
  ],
  ['curl/8.5.0', 'a program'],
  [undefined, 'a program'],
])('%s is told to its person as %s', (agent, said) => expect(browserOf(agent)).toBe(said))

test('a session’s name tells nothing of its id, and is the same each time', () => {
  const name = nameOfSession('a secret id')
  expect(name).toMatch(/^[0-9a-f]{16}$/)
  expect(nameOfSession('a secret id')).toBe(name)
  expect(nameOfSession('another id')).not.toBe(name)
})
