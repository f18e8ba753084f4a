import pg from 'pg'
import { Secret, TOTP } from 'otpauth'
import { expect, test } from 'vitest'
import { brokenRules } from './support/axe'
import { click, expectText, fill, goTo, press, textOf, useApplication } from './support/application'

const app = useApplication()

const codeOf = (secret: string, stepsLater = 0) =>
  new TOTP({ secret: Secret.fromBase32(secret) }).generate({ timestamp: Date.now() + stepsLater * 30_000 })

test('codes are set up, asked for at the next sign-in, and prove who it is before something grave', async () => {
  const odile = await app.deskAs('Odile', '/me')
  await click(odile, 'Set up codes')
  await odile.waitForSelector('.begin code')
  expect(await brokenRules(odile)).toEqual([])
  const secret = await textOf(odile, '.begin code')
  await fill(odile, '#totp-code', codeOf(secret))
  await click(odile, 'Turn codes on')
  await odile.waitForSelector('#recovery-codes')
  const [recovery = ''] = (await textOf(odile, '#recovery-codes')).split(/\s+/)

  const again = await app.visit(`${app.desk}/sign-in`)
  await fill(again, '#email', 'odile@larkmoor.example')
  await fill(again, '#password', 'ebb-and-flow')
  await press(again, 'button[type=submit]')
  await again.waitForSelector('#second-code')
  expect(await brokenRules(again)).toEqual([])
  await fill(again, '#second-code', '000000')
  await click(again, 'Come in', 'form')
  await expectText(again, '.ant-alert', 'not right')
  await fill(again, '#second-code', recovery)
  await click(again, 'Come in', 'form')
  await again.waitForSelector('.card')
})

test('who comes by the lender’s own sign-in is at the desk as who they are there', async () => {
  const page = await app.visit(`${app.desk}/sign-in`)
  await click(page, 'Come in with Larkmoor’s own sign-in')
  await expectText(page, 'h1', 'Who are you?')
  expect(await brokenRules(page)).toEqual([])
  await click(page, 'Rasmus Tey', 'main')
  await page.waitForSelector('.card')
  await expectText(page, '.who', 'Rasmus Tey')
})

test('a keeper takes off a second factor that was lost, and the person comes in by password', async () => {
  const kofi = await app.deskAs('Kofi', '/me')
  await click(kofi, 'Set up codes')
  await kofi.waitForSelector('.begin code')
  await fill(kofi, '#totp-code', codeOf(await textOf(kofi, '.begin code')))
  await click(kofi, 'Turn codes on')
  await kofi.waitForSelector('#recovery-codes')

  const wren = await app.deskAs('Wren', '/people')
  await expectText(wren, '.ant-table', 'Kofi Brandvold · has a second factor, lost?')
  expect(await brokenRules(wren)).toEqual([])
  await click(wren, 'lost?', 'tr:has(select[aria-label="Role of Kofi Brandvold"])')
  await expectText(wren, '.ant-modal', 'Has Kofi Brandvold lost their second factor?')
  await click(wren, 'Remove it', '.ant-modal')
  await expectText(wren, '.ant-message', 'Kofi Brandvold comes in by password alone now.')
  await app.deskAs('Kofi', '/me')
})

test('once the last proof is old, what is grave asks who it is, and goes on by itself', async () => {
  const wren = await app.deskAs('Wren', '/people/archive')
  const database = new pg.Client({ connectionString: app.databaseUrl })
  await database.connect()
  await database.query(`UPDATE sessions SET data = jsonb_set(data::jsonb, '{provedAt}', '1')::text`)
  await database.end()
  const archive = wren.waitForResponse(
    (response) => response.url().endsWith('/api/archive') && response.status() === 200,
  )
  await click(wren, 'Take everything out')
  await wren.waitForSelector('#proof-password', { visible: true })
  expect(await brokenRules(wren)).toEqual([])
  await fill(wren, '#proof-password', 'not this')
  await click(wren, 'It is me', '.ant-modal')
  await expectText(wren, '.ant-modal .ant-alert', 'present password is another')
  await fill(wren, '#proof-password', 'ebb-and-flow')
  await click(wren, 'It is me', '.ant-modal')
  expect((await archive).headers()['content-type']).toContain('zip')
})

test('a passkey is added, and is a way in of its own', async () => {
  const desk = app.desk.replace('127.0.0.1', 'localhost')
  const page = await app.visit(`${desk}/sign-in`)
  const devtools = await page.createCDPSession()
  await devtools.send('WebAuthn.enable')
  await devtools.send('WebAuthn.addVirtualAuthenticator', {
    options: {
      protocol: 'ctap2',
      transport: 'internal',
      hasResidentKey: true,
      hasUserVerification: true,
      isUserVerified: true,
      automaticPresenceSimulation: true,
    },
  })
  await press(page, '.demo button ::-p-text(Kofi)')
  await press(page, 'button[type=submit]')
  await page.waitForSelector('.card')
  await goTo(page, `${desk}/me`)
  await fill(page, '[aria-label="What to call the passkey"]', 'My own machine')
  await click(page, 'Add a passkey')
  await expectText(page, '.factors', 'Passkey: My own machine')

  const signOut = () =>
    page.evaluate(() => fetch('/api/session', { method: 'DELETE' }).then(({ status }) => status))
  expect(await signOut()).toBe(200)
  await goTo(page, `${desk}/sign-in`)
  await click(page, 'Use a passkey')
  await page.waitForSelector('.card')
  await expectText(page, '.who', 'Kofi Brandvold')

  // From then on a password alone is not enough.
  await signOut()
  await goTo(page, `${desk}/sign-in`)
  await press(page, '.demo button ::-p-text(Kofi)')
  await press(page, 'button[type=submit]')
  await expectText(page, 'h2', 'One thing more')
  await click(page, 'Use a passkey')
  await page.waitForSelector('.card')
})
