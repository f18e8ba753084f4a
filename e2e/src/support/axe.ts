import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import type { Frame, Page } from 'puppeteer-core'

const source = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8')

/** What breaks a rule of WCAG 2.2 AA on a page, each with the first element it was found at. */
export async function brokenRules(page: Page | Frame): Promise<string[]> {
  await page.evaluate(source)
  return page.evaluate(async () => {
    // A colour on its way to another is neither; a page behind another stands still.
    const onTheirWay = document
      .getAnimations()
      .filter(({ effect }) => effect?.getComputedTiming().endTime !== Infinity)
    await Promise.race([
      Promise.allSettled(onTheirWay.map(({ finished }) => finished)),
      new Promise((done) => setTimeout(done, 1_000)),
    ])
    const { axe } = window as unknown as {
      axe: { run: (o: object) => Promise<{ violations: { id: string; nodes: { html: string }[] }[] }> }
    }
    const { violations } = await axe.run({ runOnly: ['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'] })
    return violations.map(({ id, nodes }) => `${id}: ${nodes[0]?.html.slice(0, 160)}`)
  })
}
