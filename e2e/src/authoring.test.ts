import type { Frame } from 'puppeteer-core'
import { expect, test } from 'vitest'
import { starters } from '@vivid/core'
import {
  choose,
  click,
  eventually,
  expectText,
  fill,
  goTo,
  placedFrame,
  press,
  textOf,
  useApplication,
} from './support/application'
import {
  addWorking,
  closeDialog,
  confirm,
  openLine,
  openStarter,
  storedDocument,
  withStarter,
  writeFormula,
} from './support/desk'

const app = useApplication()

/** One in four: what they come to is tested for each of them by the core and the server. */
const some = starters.filter((_, i) => i % 4 === 0)
test('a starter shows at the desk with nothing to mend, its proofs agree, and its visitor’s view is alive', async () => {
  const page = await app.deskAs('Ines')
  for (const { id, title } of some) {
    await openStarter(app, page, id, title)
    await eventually(
      async () => /\d agrees?/.test(await textOf(page, '.proofs')),
      async () => `${id}: ${await textOf(page, '.proofs')}`,
    )
    expect([id, await textOf(page, '.problems')]).toEqual([id, '✓ Nothing to mend'])
    const preview = await placedFrame(page)
    await eventually(
      async () => (await textOf(preview, '.figure')) !== '',
      () => `${id}: no figure`,
    )
  }
})

test('a formula’s problem is underlined at its place and told with its mend, which mends it', async () => {
  const page = await withStarter(app, 'mortgage-payment', 'Faulty formulas')
  await addWorking(page, 'owed later', 'balance after(loan: the loan, payments: term)')
  await expectText(
    page,
    '.formula-field .field-problem',
    'wants a number of payments: write “payments in(term)”.',
  )
  expect(await textOf(page, '.cm-lintRange-error')).toBe('term')
  await expectText(page, '.problems', '1 to mend')
  expect(await textOf(page, '.actions')).toContain('Something has to be mended first.')
  await writeFormula(
    page,
    'working',
    'formula',
    'balance after(loan: the loan, payments: payments in(years(5)))',
  )
  await expectText(page, '#line-working .value', '$')
  await expectText(page, '.read-back', 'gives $')
  await eventually(
    async () => (await page.$('.cm-lintRange-error')) === null,
    () => 'the problem is still underlined',
  )
})

test('names and figures are completed with their units, and a phrase is put in for those who will not type', async () => {
  const page = await withStarter(app, 'mortgage-payment', 'Helped along')
  await addWorking(page, 'share', 'home pr')
  await page.waitForSelector('.cm-tooltip-autocomplete')
  await expectText(page, '.cm-tooltip-autocomplete li', 'home pricean amount')
  await page.keyboard.press('Enter')
  await page.keyboard.type(' / the loan.')
  await expectText(page, '.cm-tooltip-autocomplete', 'total interest')
  await page.keyboard.press('Escape')
  expect(await page.$('#editor-working')).not.toBeNull()
  await fill(page, '#working-formula', ' ')
  await choose(page, '#working-formula-phrase', 'larger')
  await fill(page, '.phrase input[aria-label=one]', 'down payment')
  await fill(page, '.phrase input[aria-label=other]', '50000')
  await click(page, 'Put it in', '.phrase')
  await expectText(page, '#working-formula', 'max(down payment, 50000)')
  await expectText(page, '#line-working .value', '$61,890')
})

test('a ladder goes over answers to any question, and what lies between is worked out anew', async () => {
  const page = await withStarter(app, 'insured-purchase', 'Other down payments')
  const frame = (await (await page.waitForSelector('iframe'))?.contentFrame()) as Frame
  await expectText(frame, 'table.ladder', '10%$2,812.40')
  await expectText(frame, 'table.ladder', '20%$2,424.74')
  await expectText(frame, '.result.wide', '5%: This can be no less than $29,000')
  await press(page, '#line-byDownPayment')
  await choose(page, '#byDownPayment-question', 'premiumPaid')
  await expectText(frame, 'table.ladder', 'added to the loan$2,812.40')
  await expectText(frame, 'table.ladder', 'paid at once')
  await choose(page, '#byDownPayment-question', 'propertyTax')
  await expectText(page, '#editor-byDownPayment', 'Amounts')
  await expectText(page, '#line-byDownPayment', 'property tax')
  await expectText(page, '.problems', '2 to mend')
  await press(page, '.problems button')
  await expectText(page, '.ant-modal', 'The loan does not rest on this answer')
})

test('renaming a value renames it everywhere; removing one that is used says where, and undo brings it back', async () => {
  const page = await withStarter(app, 'insured-purchase', 'Renamed')
  await openLine(page, 'baseLoan')
  // On the way there stands “amount before in”, which formulas could not take.
  await fill(page, '#baseLoan-name', 'amount before insurance')
  await page.keyboard.press('Tab')
  await expectText(page, '#line-loanToValue .clause', 'percent of(amount before insurance, home price)')
  await expectText(page, '#line-loan .clause', 'amount before insurance + premium borrowed')
  await expectText(page, '.proofs', '4 agree')
  await click(page, 'Remove', '#editor-baseLoan')
  await expectText(
    page,
    '.ant-modal-confirm',
    '3 steps take a value from it: “loan to value”, “insurance premium”, “the loan”.',
  )
  await confirm(page, 'Remove it')
  await expectText(page, '.problems', 'to mend')
  await click(page, 'Undo', '.ant-message')
  await expectText(page, '.problems', '1 question')
  await expectText(page, '#line-baseLoan .value', '$486,000')
})

test('twenty steps are undone one by one to where they began, and done again', async () => {
  const page = await withStarter(app, 'personal-loan', 'Twenty steps')
  const before = await storedDocument(page)
  await openLine(page, 'amount')
  for (let i = 0; i < 10; i++) {
    await click(page, 'Duplicate', '.opened')
    await page.waitForSelector(`#line-amount${i + 2}`)
  }
  await page.focus('#line-fee')
  for (let i = 0; i < 10; i++) {
    await page.keyboard.down('Alt')
    await page.keyboard.press(i % 2 === 0 ? 'ArrowUp' : 'ArrowDown')
    await page.keyboard.up('Alt')
  }
  await page.keyboard.down('Alt')
  await page.keyboard.press('ArrowUp')
  await page.keyboard.up('Alt')
  await expectText(page, '.note', 'Draft saved')
  const after = await storedDocument(page)
  expect(after.steps).toHaveLength(before.steps.length + 10)
  const press = async (label: string) => {
    const button = await page.waitForSelector(`.steps-back ::-p-text(${label})`)
    await button?.click()
  }
  for (let i = 0; i < 21; i++) await press('Undo')
  await eventually(
    async () => page.$eval('.steps-back button', (button) => (button as HTMLButtonElement).disabled),
    () => 'there is more to undo',
  )
  await eventually(
    async () => JSON.stringify(await storedDocument(page)) === JSON.stringify(before),
    () => 'undoing did not come back to the beginning',
  )
  for (let i = 0; i < 21; i++) await press('Redo')
  await eventually(
    async () => JSON.stringify(await storedDocument(page)) === JSON.stringify(after),
    () => 'doing again did not come to the end',
  )
})

test('a line is dragged to another place, and the numbers on the ruler follow', async () => {
  const page = await withStarter(app, 'mortgage-payment', 'Dragged')
  await page.focus('#line-rate')
  const centre = async (selector: string) => {
    const box = await (await page.waitForSelector(selector))?.boundingBox()
    if (!box) throw new Error(`${selector} is nowhere`)
    return { x: box.x + box.width / 2, y: box.y + box.height / 2 }
  }
  const from = await centre('[data-step=rate] .grip')
  const to = await centre('#line-homePrice')
  await page.mouse.move(from.x, from.y)
  await page.mouse.down()
  await page.mouse.move(from.x, from.y - 10, { steps: 3 })
  // Held over its new place until the tape has made room for it there.
  let moves = 0
  await eventually(
    async () => {
      await page.mouse.move(from.x, to.y - 4 - (moves++ % 8), { steps: 6 })
      const order = await page.$$eval('[data-step]', (all) =>
        all.map((line) => line.getAttribute('data-step')),
      )
      return order.indexOf('rate') < order.indexOf('homePrice')
    },
    () => 'the tape made no room for the line',
  )
  await page.mouse.up()
  await expectText(page, '#line-rate .number', '1')
  await eventually(
    async () => (await storedDocument(page)).steps[0]?.id === 'rate',
    () => 'the order was not saved',
  )
})

test('a browser that dies loses nothing: what was typed without a connection is there in the next one', async () => {
  const page = await withStarter(app, 'how-long', 'Survivor')
  await openLine(page, 'loan')
  await page.setOfflineMode(true)
  await writeFormula(page, 'loan', 'annualRate', 'rate + 0.5')
  await expectText(page, '#line-loan .clause', 'at rate + 0.5')
  const address = page.url()
  const next = await page.browserContext().newPage()
  await page.close({ runBeforeUnload: false })
  await goTo(next, address)
  await expectText(next, '#line-loan .clause', 'at rate + 0.5')
  await expectText(next, '.note', 'Draft saved')
  expect(JSON.stringify(await storedDocument(next))).toContain('rate + 0.5')
})

test('proofs are made from the present values, run on every change, and one that differs stops the sending', async () => {
  const page = await withStarter(app, 'extra-payments', 'Proven')
  await click(page, 'Look at them', '.proofs')
  await click(page, 'Make one from the present values', '.ant-modal')
  await expectText(page, '.ant-modal .list', 'a visitor who changes nothing')
  await closeDialog(page)
  await expectText(page, '.proofs', '3 agree')
  await openLine(page, 'faster')
  await writeFormula(page, 'faster', 'extra-0', 'monthly extra * 2')
  await expectText(page, '.proofs', 'differ')
  await expectText(page, '.actions', 'a wrong figure must not go live.')
  expect(
    await page.$eval('.actions .ant-btn-primary', (button) => (button as HTMLButtonElement).disabled),
  ).toBe(true)
  await click(page, 'Look at it', '.proofs')
  await expectText(page, '.ant-modal .differs', 'differs')
  await expectText(page, '.ant-modal .between', 'with extras')
  await closeDialog(page)
  await click(page, 'Undo', '.steps-back')
  await expectText(page, '.proofs', '3 agree')
})

test('a table of proofs with faults is refused by row and column with nothing half-loaded, then taken whole', async () => {
  const page = await withStarter(app, 'vessel-loan', 'Tabled')
  await click(page, 'Look at them', '.proofs')
  await click(page, 'Paste from a table', '.ant-modal')
  const paste = async (table: string) => {
    await page.$eval('#pasted-proofs', (field) => ((field as HTMLTextAreaElement).value = ''))
    await page.focus('#pasted-proofs')
    await page.keyboard.down('Control')
    await page.keyboard.press('a')
    await page.keyboard.up('Control')
    await page.keyboard.sendCharacter(table)
    await click(page, 'Read these', '.paste')
  }
  await paste('proof,price,colour,= the loan.payment\nA,68500,red,868.89')
  await expectText(page, '.paste [role=alert]', 'Row 1, colour: no question has this name.')
  await paste(
    'proof,price,= the loan.payment,± the loan.payment\nA,lots,868.89,0\nB,68500,868.89,x\nC,68500,,',
  )
  await expectText(page, '.paste [role=alert]', 'Row 2, price: “lots” cannot be read as an answer.')
  const said = await textOf(page, '.paste [role=alert]')
  expect(said).toContain('Row 3, ± the loan.payment: “x” is no tolerance')
  expect(said).toContain('Row 4, =: the proof expects no figure.')
  expect((await storedDocument(page)).proofs).toHaveLength(2)
  await paste(
    'proof,day,price,= the loan.payment,± the loan.payment\nPasted A,2026-11-25,"$68,500",868.89,0\nPasted B,2026-11-25,80000,1044.99,0.01',
  )
  await expectText(page, '.paste [role=status]', '2 proofs were understood.')
  expect((await storedDocument(page)).proofs).toHaveLength(2)
  await click(page, 'Add these', '.paste')
  await expectText(page, '.ant-modal .list', 'Pasted B')
  await closeDialog(page)
  await expectText(page, '.proofs', '4 agree')
})

test('the visitor’s view speaks each language; another language is added, and what it lacks is marked', async () => {
  const page = await withStarter(app, 'refinance', 'Spoken')
  const preview = await placedFrame(page)
  await click(page, 'fr', '.languages')
  await expectText(preview, 'label', 'Ce que vous devez')
  await expectText(preview, '.payment .figure', '22 124,82')
  await openLine(page, 'page')
  await fill(page, '[aria-label^="Another language"]', 'en-GB')
  await page.keyboard.press('Enter')
  await expectText(page, '.problems', 'questions')
  await openLine(page, 'balance')
  expect(await page.$$('#editor-balance .missing')).not.toHaveLength(0)
  await click(page, 'question', '.problems')
  await expectText(page, '.ant-modal', 'Not yet translated for en-GB')
})

test('the finder goes to a step, a sheet and another calculator', async () => {
  const page = await withStarter(app, 'equity', 'Found')
  const find = async (text: string) => {
    await page.keyboard.down('Alt')
    await page.keyboard.press('j')
    await page.keyboard.up('Alt')
    await page.waitForSelector('#finder')
    await eventually(
      async () => (await page.evaluate(() => document.activeElement?.id)) === 'finder',
      () => 'the finder has no focus',
    )
    await page.keyboard.type(text)
    await page.waitForSelector('#finder-found li[aria-selected=true]')
    await page.keyboard.press('Enter')
  }
  await find('years look')
  await eventually(
    async () => (await page.evaluate(() => document.activeElement?.id)) === 'line-after',
    () => 'the finder did not go to the step',
  )
  await find('narrow')
  await expectText(page, 'h1', 'Narrowboat loan')
  await find('resid')
  await expectText(page, 'h1', 'Rate sheets')
  expect(page.url()).toContain('residential-rates')
})

test('a document of 200 steps follows what is typed', async () => {
  const page = await withStarter(app, 'mortgage-payment', 'Long')
  const address = page.url()
  await page.evaluate(async () => {
    const path = `/api/calculators/${location.pathname.split('/').at(-1)}`
    const opened = (await (await fetch(path)).json()) as { revision: number; document: { steps: object[] } }
    const extra = Array.from({ length: 200 - opened.document.steps.length }, (_, i) => ({
      kind: 'working',
      id: `w${i}`,
      name: `value ${i}`,
      unit: 'any',
      rounding: null,
      note: '',
      shown: true,
      label: { 'en-CA': `v ${i}`, 'fr-CA': `v ${i}` },
      formula:
        i === 0
          ? 'home price'
          : `if value ${i - 1} > 1000 then value ${i - 1} * 0.99 + down payment / 200 else home price`,
    }))
    const document = { ...opened.document, steps: [...opened.document.steps, ...extra] }
    await fetch(`${path}/draft`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ revision: opened.revision, document }),
    })
  })
  await goTo(page, address)
  await openLine(page, 'homePrice')
  await fill(page, '#homePrice-default', '500000')
  await expectText(page, '#line-homePrice .value', '$500,000')
  await expectText(page, '#line-w0 .value', '$500,000')
  await expectText(page, '.note', 'Draft saved')
})
