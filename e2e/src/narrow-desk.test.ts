import { expect, test } from 'vitest'
import { goTo, useApplication } from './support/application'

const app = useApplication()

test.each([
  [1024, 768],
  [768, 1024],
])(
  'nothing at the desk runs over at %d by %d pixels',
  async (width, height) => {
    const page = await app.deskAs('Wren')
    const ids = await page.evaluate(async () => {
      const cards = (await (await fetch('/api/calculators')).json()) as { id: string; slug: string }[]
      return Object.fromEntries(cards.map(({ id, slug }) => [slug, id]))
    })
    await page.setViewport({ width, height })
    for (const path of [
      '',
      `/calculators/${ids['floating-home-mortgage']}`,
      `/calculators/${ids['narrowboat-loan']}/reading`,
      ...['/rate-sheets', '/house-styles', '/placements', '/audience', '/channels', '/record'],
      ...['/people', '/people/archive', '/me', '/worksheet'],
    ]) {
      await goTo(page, `${app.desk}${path}`)
      await page.waitForSelector('h1')
      await page.waitForNetworkIdle()
      const wide = await page.evaluate(() => document.documentElement.scrollWidth)
      expect([path, wide]).toEqual([path, width])
    }
  },
  120_000,
)
