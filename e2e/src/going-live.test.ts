import type { Frame, Page } from 'puppeteer-core'
import { expect, test } from 'vitest'
import type { CalculatorOpened } from '@vivid/contract'
import { brokenRules } from './support/axe'
import {
  click,
  eventually,
  expectText,
  fill,
  press,
  takenOver,
  textOf,
  useApplication,
} from './support/application'
import { putLive, readSent } from './support/desk'

/** What goes live is read before: both pages, every figure, and the lender's checklist. */
const app = useApplication()

async function framesOf(page: Page): Promise<Frame[]> {
  const all: Frame[] = []
  for (const element of await page.$$('.pages iframe')) {
    const frame = await element.contentFrame()
    await takenOver(frame)
    all.push(frame)
  }
  return all
}
/** What is written at a part that is marked; nothing where it is not. */
const markAt = (frame: Frame, selector: string) =>
  frame.$eval(selector, (part) => {
    const { content } = getComputedStyle(part, '::before')
    return content === 'none' ? '' : content.replaceAll('"', '')
  })
const cents = (text: string) => Number(text.replace(/[^0-9]/g, ''))

test('old and new page stand side by side in one state of answers, marked where they differ', async () => {
  const page = await app.deskAs('Odile')
  await click(page, 'Narrowboat loan')
  await readSent(page, 2)
  const [before, after] = (await framesOf(page)) as [Frame, Frame]
  expect(await markAt(after, '[data-step=homePrice]')).toBe('changed')
  expect(await markAt(before, '.introduction')).toBe('changed')
  expect(await markAt(after, '[data-step=payment]')).toBe('other figures')
  expect(await markAt(after, '[data-step=term]')).toBe('')
  const figures = () => Promise.all([before, after].map((frame) => textOf(frame, '.payment .figure')))
  const row = await page.$$eval('main table tbody tr:first-child > *', (cells) =>
    cells.map(({ textContent }) => textContent ?? ''),
  )
  expect(row.slice(1, 3)).toEqual(await figures())
  expect(cents(row[3] ?? '')).toBe(cents(row[1] ?? '') - cents(row[2] ?? ''))

  // What is typed on one, letter by letter, is on the other; from either side.
  for (const [typed, other, price] of [
    [before, after, '120,000'],
    [after, before, '95,500'],
  ] as const) {
    await fill(typed, '#answer-homePrice', price)
    await expectText(other, '.questions', 'Price of the boat')
    await eventually(
      async () => (await valueOf(other)) === `£${price}`,
      () => valueOf(other),
    )
    expect(await valueOf(typed)).toBe(`£${price}`)
  }
  // So is what is typed while the desk still answers to what was typed before.
  await before.$eval('#answer-homePrice', (field) => {
    const type = (text: string) => {
      ;(field as HTMLInputElement).value = text
      field.dispatchEvent(new Event('input', { bubbles: true }))
    }
    addEventListener('message', () => type('101,000'), { once: true })
    type('100,000')
  })
  for (const frame of [after, before])
    await eventually(
      async () => (await valueOf(frame)).replace('£', '') === '101,000',
      () => valueOf(frame),
    )
  await fill(after, '#answer-homePrice', '95,500')
  await eventually(
    async () => (await valueOf(before)) === '£95,500',
    () => valueOf(before),
  )
  const [was, is] = await figures()
  expect(cents(was ?? '')).toBeGreaterThan(cents(is ?? ''))
  await click(page, 'Wide')
  await eventually(
    () => after.evaluate(() => innerWidth === 1280),
    () => 'it is not wide',
  )
  expect(await valueOf(after)).toBe('£95,500')
  await click(page, 'The loan, compounding')
  expect(await brokenRules(page)).toEqual([])
})

test('results that wait for a button are asked for on both pages at once', async () => {
  const call = async <Answer = CalculatorOpened>(
    person: string,
    method: string,
    path: string,
    body?: object,
  ) => {
    const response = await fetch(`${app.address}/api${path}`, {
      method,
      headers: { 'content-type': 'application/json', cookie: await app.sessionOf(person) },
      ...(body && { body: JSON.stringify(body) }),
    })
    return (await response.json()) as Answer
  }
  const made = await call('Ines', 'POST', '/calculators', {
    from: 'starter',
    starter: 'personal-loan',
    title: 'Loan by button',
  })
  const path = `/calculators/${made.id}`
  const save = (opened: CalculatorOpened, change: object) =>
    call('Ines', 'PUT', `${path}/draft`, {
      revision: opened.revision,
      document: { ...opened.document, ...change },
    })
  const { revision } = await save(made, { results: 'onButton' })
  await call('Ines', 'POST', `${path}/send`, { revision })
  const { items } = await call<{ items: string[] }>('Odile', 'GET', '/checklist')
  await call('Odile', 'POST', `${path}/approve`, { revision, checked: items })
  const next = await save(await call('Ines', 'GET', path), { title: { 'en-CA': 'Loan by button, new' } })
  await call('Ines', 'POST', `${path}/send`, { revision: next.revision })

  const page = await app.deskAs('Odile', path)
  await readSent(page, 2)
  const [before, after] = (await framesOf(page)) as [Frame, Frame]
  for (const [pressed, other] of [
    [before, after],
    [after, before],
  ] as const) {
    // At once, as by a key that is held: the answer has been told by the time that the figures are asked for.
    await pressed.$eval(
      '#answer-amount',
      (field, amount) => {
        ;(field as HTMLInputElement).value = amount
        field.dispatchEvent(new Event('input', { bubbles: true }))
        document.querySelector<HTMLElement>('.work-out')?.click()
      },
      pressed === before ? '12,000' : '15,000',
    )
    await pressed.waitForSelector('.payment .figure')
    const said = await textOf(pressed, '.payment .figure')
    await expectText(other, '.payment .figure', said)
  }
})

test('while an approved edition waits for its time, what is read is what visitors have, and its changes', async () => {
  const page = await app.deskAs('Odile')
  await click(page, 'Which offer for the boat?')
  await page.waitForSelector('.proofs')
  await page.goto(`${page.url()}/reading`)
  await expectText(page, '.pages', 'Live now: edition 1')
  await expectText(page, 'aside', '1 change since edition 1')
  await expectText(page, '.changes', 'When results show')
})
const valueOf = (frame: Frame) =>
  frame.$eval('#answer-homePrice', (field) => (field as HTMLInputElement).value)

test('the lender writes what is ticked; nothing goes live before, and what was ticked is on record', async () => {
  const wren = await app.deskAs('Wren', '/people')
  await fill(wren, '.checklist textarea', 'Every text was read aloud.\nThe treasury agreed.')
  await click(wren, 'Save the checklist')
  await expectText(wren, '.ant-message', 'Saved')

  const odile = await app.deskAs('Odile')
  await click(odile, 'Boathouse mortgage')
  await readSent(odile, 1)
  const isOff = () =>
    odile.$eval('.go-live .ant-btn-primary', (button) => (button as HTMLButtonElement).disabled)
  expect(await isOff()).toBe(true)
  await press(odile, '.go-live .ant-checkbox-input')
  await expectText(odile, '.go-live', '1 of 2 still to tick.')
  expect(await isOff()).toBe(true)
  await press(odile, '.go-live .ant-checkbox-input')
  await click(odile, 'Back to its tape')
  await putLive(odile, 1)
  await expectText(odile, '.state', 'Live · edition 1')
  await click(odile, 'Record')
  await expectText(odile, '.ant-table', 'ticked Every text was read aloud. · The treasury agreed.')
})
