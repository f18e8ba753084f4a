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
  [{ DATABASE_URL: '' }, 'DATABASE_URL is not set'],
  [{ DATABASE_URL: 'mysql://h/d' }, 'DATABASE_URL is not the address of a PostgreSQL database'],
  [{ DATABASE_REPLICA_URLS: 'postgres://h/d, nowhere' }, 'DATABASE_REPLICA_URLS is not the address'],
  [{ PORT: '65536' }, 'PORT is "65536", which is no port'],
  [{ LENDER_PORT: 'nun' }, 'LENDER_PORT is "nun", which is no port'],
  [{ SESSION_HOURS: '1e3' }, 'SESSION_HOURS is "1e3", which is no whole number'],
  [{ SECOND_FACTOR_MUST: 'yes' }, 'SECOND_FACTOR_MUST is "yes"; it is either on or off'],
  [{ SMTP_URL: 'https://x' }, 'SMTP_URL is no mail server'],
  [{ SMTP_URL: 'smtp://x:25', VIVID_DEMO: 'off', SECRETS_KEY: KEY }, 'SMTP_URL needs PUBLIC_URL'],
  [{ OIDC_ISSUER: 'http://far.example' }, 'OIDC_ISSUER is no provider'],
  [{ OIDC_ISSUER: 'https://x.example' }, 'OIDC_ISSUER needs OIDC_CLIENT_ID'],
  [{ OIDC_ROLES: 'loans=boss' }, 'OIDC_ROLES says which values'],
  [{ OIDC_ROLES: '=author' }, 'OIDC_ROLES says which values'],
])('%j is refused, and says what would be right', (env, words) => {
  expect(() => settings(env as Record<string, string>)).toThrow(words)
})

test('what is set is read, what is empty is not set, and lists may stand between spaces or commas', () => {
  expect(
    settings({
      PORT: '',
      LENDER_PORT: 'none',
      SECRETS_KEY: `${KEY} ${KEY}`,
      DATABASE_REPLICA_URLS: 'postgres://a/d,  postgres://b/d',
      PUBLIC_URL: 'https://calculators.example/',
      OIDC_ISSUER: 'https://login.example',
      OIDC_CLIENT_ID: 'desk',
      OIDC_CLIENT_SECRET: 's',
      OIDC_ROLES: 'ou=loans=author , risk=approver',
      SESSION_IDLE_MINUTES: '5',
    }),
  ).toMatchObject({
    port: 4680,
    lenderPort: undefined,
    sealKeys: [Buffer.from(KEY, 'base64'), Buffer.from(KEY, 'base64')],
    replicaUrls: ['postgres://a/d', 'postgres://b/d'],
    publicUrl: 'https://calculators.example',
    mailFrom: 'no-reply@calculators.example',
    sessions: { idleMinutes: 5, hours: 12 },
    provider: { roleClaim: 'roles', roles: { 'ou=loans': 'author', risk: 'approver' } },
  })
})
