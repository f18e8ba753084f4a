import { expect, test } from 'vitest'
import { eventually, expectText, goTo, press, textOf, useApplication } from './support/application'
import { addStep, tabAndType, tabTo, typeOver } from './support/keyboard'
import { textbookLoan } from './support/textbook-loan'

const app = useApplication()

test('a calculator is set up from an empty document by keyboard alone, and goes live', async () => {
  const page = await app.deskAs('Ines')
  await tabTo(page, '.new button')
  await page.keyboard.press('Enter')
  await page.waitForSelector('#new-title')
  // From the first starter up to the end of the choices: a copy, an empty one.
  await tabTo(page, 'input[name=starter]')
  await page.keyboard.press('ArrowUp')
  await page.keyboard.press('ArrowUp')
  await tabAndType(page, '#new-title', 'Pontoon mortgage')
  await page.keyboard.press('Enter')
  await page.waitForSelector('[data-add=questions]')
  await expectText(page, '.problems', 'to mend')

  await addStep(page, 'questions', 'money')
  await tabAndType(page, '#amount-name', 'price')
  await tabAndType(page, '#amount-label', 'Price of the pontoon')
  await tabAndType(page, '#amount-default', '400,000')
  await addStep(page, 'questions', 'term')
  await addStep(page, 'questions', 'choice')
  await tabAndType(page, '#choice-name', 'margin')
  await tabAndType(page, '#choice-label', 'Your membership')
  await tabTo(page, '#choice-gives')
  await page.keyboard.type('a perc')
  await tabAndType(page, '#choice-option-0', 'member')
  await tabAndType(page, '#choice-option-0-value', '0.1%')
  await tabAndType(page, '#choice-option-1', 'guest')
  await tabAndType(page, '#choice-option-1-value', '0.6')
  await addStep(page, 'questions', 'yesNo')
  await tabAndType(page, '#yesOrNoAnswer-name', 'pays more')
  await tabAndType(page, '#yesOrNoAnswer-label', 'Pay a little more?')
  await addStep(page, 'questions', 'money')
  await tabAndType(page, '#amount2-name', 'extra')
  await tabAndType(page, '#amount2-label', 'How much more, each month')
  await tabAndType(page, '#amount2-default', '100')
  await tabAndType(page, '#amount2-most', '10000')
  await tabAndType(page, '#amount2-step', '10')
  await tabAndType(page, '#amount2-shownWhen', 'pays more')

  await addStep(page, 'workings', 'lookUp')
  await tabAndType(page, '#lookedUp-name', 'base rate')
  await tabTo(page, '#lookedUp-sheet')
  await page.keyboard.type('Resid')
  await page.waitForSelector('#lookedUp-key-term')
  await tabAndType(page, '#lookedUp-key-term', 'term')
  await addStep(page, 'workings', 'working')
  await tabAndType(page, '#working-name', 'your rate')
  await tabAndType(page, '#working-formula', 'base rate + margin')
  await expectText(page, '.read-back', 'Base rate (4.69%) plus margin (0.1%) gives 4.79%.')
  await addStep(page, 'workings', 'loan')
  await tabAndType(page, '#theLoan-principal', 'price')
  await tabAndType(page, '#theLoan-annualRate', 'your rate')
  await tabAndType(page, '#theLoan-term', 'term')
  await addStep(page, 'workings', 'loanAs')
  await tabAndType(page, '#theOtherLoan-name', 'with the extra')
  await tabTo(page, '.terms .link')
  while ((await page.evaluate(() => document.activeElement?.textContent?.trim())) !== 'Add an extra')
    await page.keyboard.press('Tab')
  await page.keyboard.press('Enter')
  await page.waitForSelector('#theOtherLoan-extra-0')
  await tabTo(page, '#theOtherLoan-extra-0', 'BackTab')
  await typeOver(page, 'extra')

  await addStep(page, 'readouts', 'readout-figure')
  await tabAndType(page, '#result-label', 'You would pay')
  await tabAndType(page, '#result-value', 'the loan.payment')
  await tabTo(page, '.tick-alone input')
  await page.keyboard.press('Space')
  await addStep(page, 'readouts', 'readout-sentence')
  await tabAndType(page, '#inShort-sentence', 'Done in {with the extra.length}, at {your rate}.')
  await tabAndType(page, '#inShort-shownWhen', 'pays more')
  await addStep(page, 'readouts', 'readout-schedule')
  await page.keyboard.press('Escape')

  const loan = (ratePercent: string) =>
    textbookLoan({
      principal: '400000',
      ratePercent,
      compoundsPerYear: 12,
      paymentsPerYear: 12,
      payments: 300,
    })
  await expectText(page, '#line-result .value', loan('4.79').payment)
  await expectText(page, '#line-inShort .value', 'not shown')
  await eventually(
    async () => !(await textOf(page, '.problems')).includes('to mend'),
    async () => `still to mend: ${await textOf(page, '.problems')}`,
  )
  await expectText(page, '.note', 'Draft saved')
  await tabTo(page, '.actions .ant-btn-primary', 'BackTab')
  await page.keyboard.press('Enter')
  await page.waitForSelector('#send-note', { visible: true })
  await tabTo(page, '#send-note')
  await page.keyboard.type('From an empty document.')
  await page.keyboard.down('Control')
  await page.keyboard.press('Enter')
  await page.keyboard.up('Control')
  await expectText(page, '.state', 'Waiting for approval')

  const approver = await app.deskAs('Odile')
  await goTo(approver, page.url())
  await tabTo(approver, '.actions .ant-btn-primary')
  await approver.keyboard.press('Enter')
  await approver.waitForSelector('.go-live .items')
  for (const [i] of (await approver.$$('.go-live .ant-checkbox-input')).entries()) {
    await tabTo(approver, `.items .ant-checkbox-wrapper:nth-of-type(${i + 1}) input`)
    await approver.keyboard.press('Space')
  }
  await tabTo(approver, '.go-live .ant-btn-primary')
  await approver.keyboard.press('Enter')
  await approver.waitForSelector('.ant-modal .ant-radio-group', { visible: true })
  await tabTo(approver, '.ant-modal-footer .ant-btn-primary')
  await approver.keyboard.press('Enter')
  await expectText(approver, '.state', 'Live · edition 1')

  // A visitor: the choice changes the rate, the condition brings the question, the hidden working stays hidden.
  const visitor = await app.visit(`${app.address}/c/pontoon-mortgage`)
  await expectText(visitor, '.payment .figure', loan('4.79').payment)
  expect(await visitor.$('#answer-amount2, [id^=answer-extra]')).toBeNull()
  expect(await textOf(visitor, '.calculator')).not.toContain('4.79')
  await press(visitor, '::-p-text(guest)')
  await expectText(visitor, '.payment .figure', loan('5.29').payment)
  await press(visitor, '::-p-text(Yes)')
  await expectText(visitor, '.questions', 'How much more, each month')
  await expectText(visitor, '.said .sentence', 'at 5.29%.')
  expect(await visitor.$$('.year')).toHaveLength(26)
})
