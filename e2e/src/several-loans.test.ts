import { expect, test } from 'vitest'
import type { Page } from 'puppeteer-core'
import {
  choose,
  click,
  eventually,
  expectText,
  fill,
  goTo,
  press,
  reload,
  textOf,
  useApplication,
} from './support/application'
import { brokenRules } from './support/axe'
import { tabTo, typeOver } from './support/keyboard'

const app = useApplication()
const open = async (hash = '', viewport = { width: 390, height: 844 }) => {
  const page = await app.visit(`${app.address}/c/paying-off-the-boat${hash}`, viewport)
  await page.waitForSelector('.orders')
  return page
}
const cells = (page: Page) =>
  page.$$eval('.loans .typed', (all) => all.map((field) => (field as HTMLInputElement).value))
/** Waits until the address carries a text that was typed. */
const carried = (page: Page, text: string) =>
  eventually(
    async () =>
      Buffer.from(page.url().split('#now=')[1] ?? '', 'base64url')
        .toString()
        .includes(text),
    () => `the address does not carry “${text}”`,
  )

test('an author sets it up from an empty calculator, every line with its value', async () => {
  const author = await app.deskAs('Ines')
  await author.evaluate(async () => {
    const made = await fetch('/api/calculators', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ from: 'empty', title: 'What you owe' }),
    })
    sessionStorage.setItem('made', ((await made.json()) as { id: string }).id)
  })
  const id = await author.evaluate(() => sessionStorage.getItem('made') ?? '')
  await goTo(author, `${app.desk}/calculators/${id}`)
  const add = async (part: string, kind: string) => {
    await press(author, `[data-add=${part}]`)
    await press(author, `[data-kind=${kind}]`)
  }
  await add('questions', 'loans')
  await fill(author, '#yourLoans-default', 'Card; 4,200; 18.9%; 120\nHome; 148k; 5.1; 1,050')
  await expectText(author, '#line-yourLoans .value', '2 loans, $152,200')
  await fill(author, '#yourLoans-default', 'Card; 4,200; 18.9%')
  await expectText(author, '#editor-yourLoans .field-problem', 'Write a loan a line')
  await fill(author, '#yourLoans-default', 'Card; 4,200; 18.9%; 120\nHome; 148k; 5.1; 1,050')
  await add('questions', 'money')
  await fill(author, '#amount-default', '150')
  await fill(author, '#amount-step', '10')
  await choose(author, '#amount-per', 'month')
  await add('workings', 'payOff')
  await fill(author, '#thePlan-extra', 'amount')
  // Known from working it out by hand, month by month.
  await expectText(author, '#line-thePlan .value', '$58,316.36')
  await add('workings', 'working')
  await fill(author, '#working-formula', 'sum(for one in your loans return one.owed * one.rate)')
  await expectText(author, '#line-working .value', '$8,341.80')
  await add('readouts', 'readout-payOff')
  await expectText(author, '#line-inWhichOrder .value', 'highest rate first saves $')
  await add('readouts', 'readout-figure')
  await fill(author, '#result-value', 'the plan.interest saved')
  // Nothing takes the working; that is asked, and keeps nothing from going live.
  await expectText(author, '.problems', '1 question')
  await expectText(author, '.note', 'Draft saved')
})

test('without a mouse a loan is added, moved and taken off; what is wrong is said where it is', async () => {
  const page = await open()
  const before = await textOf(page, '.figure')
  await tabTo(page, '.add-loan')
  await page.keyboard.press('Enter')
  await page.keyboard.type('Tractor')
  for (const text of ['12k', '4', '10']) {
    await page.keyboard.press('Tab')
    await page.keyboard.type(text)
  }
  await tabTo(page, '#answer-extra')
  await expectText(page, '.question .problem', 'Tractor, paid a month: So small a payment never repays')
  expect(await page.$$eval('[aria-invalid=true]', (all) => all.map(({ id }) => id))).toEqual([
    'answer-loans-3-payment',
  ])
  // Enter goes to what is wrong.
  await page.keyboard.press('Enter')
  await typeOver(page, '300')
  await page.keyboard.press('Tab')
  await expectText(page, '.orders', 'Tractor paid off')
  expect(await textOf(page, '.figure')).not.toBe(before)
  expect((await cells(page)).slice(-4)).toEqual(['Tractor', '$12,000', '4%', '$300'])

  await tabTo(page, '[data-loan="3"] .earlier', 'BackTab')
  for (const _ of [1, 2, 3]) await page.keyboard.press('Enter')
  expect((await cells(page)).slice(0, 5)).toEqual(['Tractor', '$12,000', '4%', '$300', 'Card'])
  await expectText(page, '.orders tbody', 'Tractor paid off')
  // At the top it cannot go further up; the one that leads back has the focus.
  expect(await page.evaluate(() => document.activeElement?.className)).toContain('later')
  await tabTo(page, '[data-loan="0"] .loan-acts button:last-child')
  await page.keyboard.press('Enter')
  expect(await cells(page)).toHaveLength(12)
  expect(await page.evaluate(() => document.activeElement?.id)).toBe('answer-loans-0-name')
  expect(await textOf(page, '.figure')).toBe(before)
  expect(await brokenRules(page)).toEqual([])
})

test('a list survives a reload, another language and a link, with what could not be read; two readings are offered', async () => {
  const page = await open()
  await fill(page, '#answer-loans-0-owed', '5.000')
  await expectText(page, '.loan .doubt', '$5,000')
  await press(page, '.loan .doubt button:last-of-type')
  await fill(page, '#answer-loans-1-rate', 'x7')
  await fill(page, '#answer-loans-2-name', 'Roof; and stairs')
  await carried(page, 'stairs')
  await reload(page)
  expect(await cells(page)).toEqual(expect.arrayContaining(['$5,000', 'x7', 'Roof, and stairs']))
  await fill(page, '#answer-loans-1-rate', '7.5')
  await page.keyboard.press('Tab')
  await expectText(page, '.orders', 'Roof, and stairs paid off')
  await carried(page, '7.5')
  const [figure, address] = [await textOf(page, '.result .figure'), page.url()]
  await click(page, 'Français', '.languages')
  await page.waitForFunction(() => document.documentElement.lang === 'fr-CA')
  await expectText(page, '.orders', 'Roof, and stairs remboursé')
  expect(await cells(page)).toContain('7,5 %'.replace(' ', '\u00a0'))
  await press(page, '.loans .add-loan')
  const other = await app.visit(address)
  await other.waitForSelector('.orders')
  await eventually(
    async () => (await textOf(other, '.result .figure')) === figure,
    () => 'the link brought other figures',
  )
  expect((await cells(other)).slice(0, 2)).toEqual(['Card', '$5,000'])
})

test('other channels and files have the same list and the same plan', async () => {
  const loans = [{ name: 'Card', owed: 4_200_00, rate: '18.9', payment: 120_00 }]
  const ask = async (answers: object) => {
    const response = await fetch(`${app.address}/api/public/calculators/paying-off-the-boat/evaluate`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ answers }),
    })
    return { status: response.status, body: (await response.json()) as Record<string, unknown> }
  }
  const { status, body } = await ask({ loans, extra: 50_00 })
  expect(status).toBe(200)
  expect(body.values).toMatchObject({ loans: { unit: 'loans', loans } })
  const wrong = await ask({ loans: [{ ...loans[0], rate: '99' }] })
  expect(wrong.status).toBe(422)
  expect(JSON.stringify(wrong.body)).toContain('Card, rate: This can be no more than 60%.')
  const { today } = (await (
    await fetch(`${app.address}/api/public/calculators/paying-off-the-boat`)
  ).json()) as { today: string }
  const shown = { answers: { loans }, beside: {}, language: 'en-CA', edition: 1, on: today }
  const file = await fetch(`${app.address}/api/public/calculators/paying-off-the-boat/files/pdf`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(shown),
  })
  expect([file.status, file.headers.get('content-type')]).toEqual([200, 'application/pdf'])
  const handed = await fetch(`${app.address}/api/public/calculators/paying-off-the-boat/hand-overs`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({
      ...shown,
      name: 'Mara Sund',
      reach: 'mara@sund.example',
      message: '',
      consent: true,
    }),
  })
  expect(handed.status).toBe(202)
})
