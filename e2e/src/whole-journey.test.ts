import { expect, test } from 'vitest'
import {
  choose,
  click,
  eventually,
  expectText,
  fill,
  goTo,
  placedFrame,
  press,
  reload,
  textOf,
  useApplication,
} from './support/application'
import { closeDialog, putLive, readSent, sendForApproval } from './support/desk'
import { textbookLoan } from './support/textbook-loan'

/** The starter's defaults but for the amount: 25 years at 4.64 %, compounded half-yearly. */
const monthly = { ratePercent: '4.64', compoundsPerYear: 2, paymentsPerYear: 12, payments: 300 }

const app = useApplication()

test('a calculator goes from a starter to a visitor on the lender’s page, and through a second edition', async () => {
  // The author makes it from the starter and edits a line of its tape.
  const author = await app.deskAs('Ines')
  await click(author, 'New calculator')
  await fill(author, '#new-title', 'Stilt house mortgage')
  await click(author, 'Make it')
  await author.waitForSelector('#line-homePrice')
  const asStarted = textbookLoan({ ...monthly, principal: '350710' })
  await expectText(author, '#line-payment .value', asStarted.payment)
  await press(author, '#line-homePrice')
  await fill(author, '#homePrice-label', 'Price of the stilt house')
  await fill(author, '#homePrice-help', 'With its jetty.')
  await fill(author, '#homePrice-least', '50,000')
  await fill(author, '#homePrice-most', '$1.5m')
  await fill(author, '#homePrice-step', '5000')
  await fill(author, '#homePrice-default', '380 000')
  await expectText(author, '#line-homePrice .value', '$380,000')
  const default380 = textbookLoan({ ...monthly, principal: '323000' })
  await expectText(author, '#line-payment .value', default380.payment)
  await expectText(author, '#line-totalInterest .value', default380.totalInterest)
  await author.keyboard.press('Tab')
  expect(await author.$eval('#homePrice-default', (field) => (field as HTMLInputElement).value)).toBe(
    '$380,000',
  )
  expect(await author.$eval('#homePrice-most', (field) => (field as HTMLInputElement).value)).toBe(
    '$1,500,000',
  )

  // The visitor's view beside the tape is alive.
  const preview = await placedFrame(author)
  await expectText(preview, 'label', 'Price of the stilt house')
  await expectText(preview, '.payment .figure', default380.payment)
  await expectText(preview, '.help', 'With its jetty.')

  // It saves by itself; there is no snippet before an edition is live; it is sent for approval.
  await expectText(author, '.note', 'Draft saved')
  expect(await textOf(author, '.bar')).not.toContain('Placements')
  expect(await textOf(author, '.bar')).not.toContain('live')
  await sendForApproval(author, 'The rate is Monday’s.')
  await expectText(author, '.state', 'Waiting for approval')
  await expectText(author, '.actions', 'An approver puts it live.')

  // Another person approves: it is edition 1, and the snippet is there.
  const approver = await app.deskAs('Odile')
  await click(approver, 'Stilt house mortgage')
  await expectText(approver, '.words', 'Ines Okafor says: The rate is Monday’s.')

  // It goes back once, with a remark at its step; its author finds the step by the remark, and sends it again.
  await readSent(approver, 1)
  await click(approver, 'Send back')
  await approver.waitForSelector('#remark-0-text', { visible: true })
  await choose(approver, '#remark-0-step', 'rate')
  await fill(approver, '#remark-0-text', 'Say that it is fixed for five years.')
  await click(approver, 'Send it back', '.ant-modal')
  await expectText(approver, '.state', 'Draft')
  await reload(author)
  await expectText(author, '.words', 'Odile Marchetti sent it back')
  await click(author, 'rate', '.words')
  await author.waitForSelector('#rate-help-en-CA, #rate-default')
  await sendForApproval(author, 'The rate is Monday’s, fixed for five years.')
  await expectText(author, '.state', 'Waiting for approval')
  expect(await author.$('.words li')).toBeNull()
  await reload(approver)
  await putLive(approver, 1)
  await expectText(approver, '.state', 'Live · edition 1')

  // It is placed on a page of the lender's site, the only place that may show it.
  await click(approver, 'Placements', '.actions')
  await approver.waitForSelector('.sites')
  await click(approver, 'Place a calculator')
  await fill(approver, '#placement-page', '/borrow/stilt-house-mortgage')
  await click(approver, 'Save', '.ant-modal')
  await expectText(approver, '.ant-table', '/borrow/stilt-house-mortgage')
  await expectText(approver, '.ant-table', 'never yet')
  await click(approver, 'Snippet', '.ant-table')
  await approver.waitForSelector('#placement-snippet', { visible: true })
  expect(await textOf(approver, '#placement-snippet')).toMatch(
    new RegExp(
      `^<script async src="${app.address}/embed.js" data-placement="[0-9a-f]{16}"></script> ` +
        `<noscript><a href="${app.address}/c/stilt-house-mortgage">Stilt house mortgage</a></noscript>$`,
    ),
  )
  await closeDialog(approver)
  await goTo(approver, author.url())

  // A visitor on the lender's page, another origin, puts in figures of their own.
  const visitor = await app.visit(`${app.lender}/borrow/stilt-house-mortgage`)
  const frame = await placedFrame(visitor)
  await expectText(frame, '.payment .figure', default380.payment)
  await fill(frame, '#answer-homePrice', '512300')
  await fill(frame, '#answer-downPayment', '$112,300')
  await fill(frame, '#answer-rate', '5.27')
  await fill(frame, '#answer-term', '22')
  await choose(frame, '#answer-frequency', 'biweekly')
  const own = textbookLoan({
    principal: '400000',
    ratePercent: '5.27',
    compoundsPerYear: 2,
    paymentsPerYear: 26,
    payments: 572,
  })
  await expectText(frame, '.payment .figure', own.payment)
  await expectText(frame, '.result .figure', own.totalInterest)
  await expectText(frame, '.parts', own.row(1)?.interest ?? '')
  expect(await frame.$eval('#answer-homePrice', (field) => (field as HTMLInputElement).value)).toBe(
    '$512,300',
  )

  // The schedule opens to each payment, and the frame grows with it.
  const heightBefore = await visitor.$eval('iframe', (element) => element.clientHeight)
  await press(frame, 'tbody:nth-of-type(2) .year button')
  const shown = await frame.waitForSelector('[data-payment="20"]')
  const cells = await shown?.$$eval('td', (all) => all.map((cell) => cell.textContent?.trim()))
  const row = own.row(20)
  expect(cells).toEqual([row?.principal, row?.interest, row?.closing])
  const frameHeight = () => visitor.$eval('iframe', (element) => element.clientHeight)
  await eventually(
    async () => (await frameHeight()) > heightBefore + 500,
    () => 'the frame did not grow with its content',
  )
  const overflow = await frame.evaluate(() => document.documentElement.scrollHeight - window.innerHeight)
  expect(overflow).toBeLessThanOrEqual(1)

  // Other channels get the same figures.
  const answers = {
    homePrice: 512_300_00,
    downPayment: { money: 112_300_00 },
    rate: '5.27',
    term: { years: 22, months: 0 },
    frequency: 'biweekly',
  }
  const response = await fetch(`${app.address}/api/public/calculators/stilt-house-mortgage/evaluate`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ answers }),
  })
  const { readouts } = (await response.json()) as { readouts: { figure: string }[] }
  expect(readouts.slice(0, 2).map(({ figure }) => figure)).toEqual([own.payment, own.totalInterest])

  // The draft moves on; visitors keep edition 1 until edition 2 is live.
  await reload(author)
  await press(author, '#line-page')
  await fill(author, '#page-title', 'Stilt house mortgage, new')
  await expectText(author, '.note', 'Draft saved')
  await expectText(author, '.state', 'Live, draft has changes · edition 1')
  await reload(visitor)
  expect(await textOf(await placedFrame(visitor), 'h1')).toBe('Stilt house mortgage')
  await click(author, 'Read 1 change')
  await expectText(author, '.changes', 'Stilt house mortgage Stilt house mortgage, new')
  await click(author, 'Back to its tape')
  await author.waitForSelector('.proofs')
  await sendForApproval(author)
  await expectText(author, '.state', 'Waiting for approval')
  await reload(approver)
  await putLive(approver, 2)
  await expectText(approver, '.state', 'Live · edition 2')
  await reload(visitor)
  expect(await textOf(await placedFrame(visitor), 'h1')).toBe('Stilt house mortgage, new')

  // An edition that was replaced is still there as visitors saw it.
  await click(approver, '1', '.ribbon')
  await approver.waitForSelector('.ant-modal iframe')
  await expectText(approver, '.facts', 'The rate is Monday’s, fixed for five years.')
  const old = await (await approver.waitForSelector('.ant-modal iframe'))?.contentFrame()
  if (!old) throw new Error('the old edition is not shown')
  await expectText(old, 'h1', 'Stilt house mortgage')
  expect(await textOf(old, 'h1')).toBe('Stilt house mortgage')
  await closeDialog(approver)

  // Taken down, visitors get a decent page; it can be put back.
  await click(approver, 'Take down')
  await fill(approver, '#take-down-message', 'Stilt houses come back <in May>.')
  await click(approver, 'Take it down', '.ant-modal')
  await expectText(approver, '.state', 'Taken down')
  await reload(visitor)
  expect(await textOf(await placedFrame(visitor), '.notice h1')).toBe(
    'This calculator is not offered at the moment',
  )
  expect(await textOf(await placedFrame(visitor), '.notice p')).toBe('Stilt houses come back <in May>.')
  await click(approver, 'Put edition 2 back')
  await expectText(approver, '.state', 'Live · edition 2')
})

test('an approver who made the last change is told that another has to put it live', async () => {
  const approver = await app.deskAs('Kofi')
  await click(approver, 'Tidewater teahouse loan')
  await press(approver, '#line-page')
  await fill(approver, '#page-introduction', 'Tea, and the tide.')
  await expectText(approver, '.note', 'Draft saved')
  await sendForApproval(approver)
  await expectText(approver, '.actions', 'You changed it too: another approver puts it live.')
  await readSent(approver, 1)
  await expectText(approver, '.go-live', 'You changed it too: another approver puts it live.')
  const disabled = await approver.$eval(
    '.go-live .ant-btn-primary',
    (button) => (button as HTMLButtonElement).disabled,
  )
  expect(disabled).toBe(true)
})
