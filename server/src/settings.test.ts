import { expect, test } from 'vitest'
import { readSettings } from './settings'

const KEY = Buffer.alloc(32, 1).toString('base64')

const settings = (env: Record<string, string> = {}) =>
  readSettings({ DATABASE_URL: 'postgres://u:p@h:5432/d', ...env }, '/')

test('by default it is a demo, for this machine alone', () => {
  expect(settings()).toMatchObject({ demo: true, host: '127.0.0.1', port: 4680, lenderPort: 4681 })
})

test('without the demo there are no stand-ins, and hand-overs go nowhere unless somebody takes them', () => {
  expect(settings({ VIVID_DEMO: 'off', HOST: '0.0.0.0', SECRETS_KEY: KEY })).toMatchObject({
    demo: false,
    lenderPort: undefined,
    handOverUrl: undefined,
  })
})

test.each([
  [{ HOST: '0.0.0.0' }, 'VIVID_DEMO=off'],
  [{ HOST: '10.1.2.3' }, 'VIVID_DEMO=off'],
  [{ HOST: 'calculators.example' }, 'VIVID_DEMO=off'],
  [{ HOST: '::' }, 'VIVID_DEMO=off'],
  [{ VIVID_DEMO: 'of' }, 'either on or off'],
  [{ VIVID_DEMO: 'off', LENDER_PORT: '4700', SECRETS_KEY: KEY }, 'part of the demo'],
  [{ VIVID_DEMO: 'off' }, 'SECRETS_KEY is not set'],
  [{ SECRETS_KEY: 'c2hvcnQ=' }, 'SECRETS_KEY is no key'],
  [{ SECRETS_KEY: `${KEY},c2hvcnQ=` }, 'SECRETS_KEY is no key'],
  [{ PORT: '0' }, 'no port'],
  [{ TRUSTED_PROXIES: 'one' }, 'no whole number'],
  [{ HAND_OVER_DAYS: '-1' }, 'no whole number'],
  [{ HAND_OVER_URL: 'ftp://x' }, 'address of a receiver'],
  [{ PUBLIC_URL: 'https://x.example/desk' }, 'without a path'],
  [{ PUBLIC_URL: 'calculators.example' }, 'without a path'],
])('%j is refused, and says what would be right', (env, words) => {
  expect(() => settings(env as Record<string, string>)).toThrow(words)
})
