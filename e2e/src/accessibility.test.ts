import { expect, test } from 'vitest'
import { click, goTo, press, useApplication } from './support/application'
import { brokenRules as check } from './support/axe'
import { closeDialog, openLine, withStarter } from './support/desk'

const app = useApplication()

test('no rule of WCAG 2.2 AA is broken on the desk, whatever line is open', async () => {
  const page = await withStarter(app, 'insurance-by-credit', 'Open lines')
  for (const step of [
    'page',
    'credit',
    'downPayment',
    'amount',
    'yourRate',
    'loan',
    'goodLoan',
    'bands',
    'payment',
    'bandsBeside',
    'schedule',
    'assumptions',
  ]) {
    await openLine(page, step)
    expect([step, await check(page)]).toEqual([step, []])
  }
  await press(page, '[data-add=readouts]')
  expect(await check(page)).toEqual([])
})

test('nor in what opens over it', async () => {
  const page = await withStarter(app, 'rate-change', 'Opened over')
  // While proofs run their line moves.
  await page.waitForFunction(() => document.querySelectorAll('.proofs .waits').length === 0)
  for (const [opener, within, ready] of [
    ['Look at them', '.proofs', '.both'],
    ['Go to', '.bar', '#finder'],
    ['Keyboard', '.foot-right', 'dl'],
  ] as const) {
    await click(page, opener, within)
    await page.waitForSelector(`.ant-modal ${ready}`, { visible: true })
    await new Promise((done) => setTimeout(done, 400))
    expect([opener, await check(page)]).toEqual([opener, []])
    await closeDialog(page)
  }
  await goTo(page, app.desk)
  await click(page, 'New calculator')
  await page.waitForSelector('#new-title', { visible: true })
  await new Promise((done) => setTimeout(done, 400))
  expect(await check(page)).toEqual([])
})
