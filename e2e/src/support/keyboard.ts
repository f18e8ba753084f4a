import type { Page } from 'puppeteer-core'

/** Presses Tab until a field that fits has the focus, as someone without a mouse does. */
export async function tabTo(page: Page, selector: string, key: 'Tab' | 'BackTab' = 'Tab'): Promise<void> {
  for (let presses = 0; presses < 400; presses++) {
    const isThere = await page.evaluate(
      (wanted) => document.activeElement?.matches(wanted) ?? false,
      selector,
    )
    if (isThere) return
    if (key === 'BackTab') await page.keyboard.down('Shift')
    await page.keyboard.press('Tab')
    if (key === 'BackTab') await page.keyboard.up('Shift')
  }
  const at = await page.evaluate(() => document.activeElement?.outerHTML.slice(0, 120))
  throw new Error(`Tab never came to ${selector}; it stands at ${at}`)
}

/** Takes all of the field that has the focus and types over it. */
export async function typeOver(page: Page, text: string): Promise<void> {
  await page.keyboard.down('Control')
  await page.keyboard.press('a')
  await page.keyboard.up('Control')
  await page.keyboard.press('Backspace')
  await page.keyboard.type(text)
}

/** Goes to a field by Tab and types over it. */
export async function tabAndType(page: Page, selector: string, text: string): Promise<void> {
  await tabTo(page, selector)
  await typeOver(page, text)
}

/** Adds a step with the keyboard: to the part's "add", opens it, walks to the kind. Ends with the new line open. */
export async function addStep(
  page: Page,
  part: 'questions' | 'workings' | 'readouts',
  kind: string,
): Promise<void> {
  await page.keyboard.press('Escape')
  await tabTo(page, `[data-add=${part}]`, 'BackTab')
  await page.keyboard.press('Enter')
  await page.waitForSelector('.kinds button:focus')
  for (let presses = 0; presses < 30; presses++) {
    const at = await page.evaluate(() => document.activeElement?.getAttribute('data-kind'))
    if (at === kind) {
      await page.keyboard.press('Enter')
      await page.waitForSelector('.kinds', { hidden: true })
      await page.waitForSelector('.opened')
      return
    }
    await page.keyboard.press('ArrowDown')
  }
  throw new Error(`there is no ${kind} among the kinds`)
}
