import { expect, test } from 'vitest'
import { goTo, useApplication } from './support/application'

const app = useApplication()

test('nothing at the desk runs over at 1024 by 768 pixels, nor where the window is turned upright', async () => {
  const page = await app.deskAs('Wren')
  const ids = await page.evaluate(async () => {
    const cards = (await (await fetch('/api/calculators')).json()) as { id: string; slug: string }[]
    return Object.fromEntries(cards.map(({ id, slug }) => [slug, id]))
  })
  for (const path of [
    '',
    `/calculators/${ids['floating-home-mortgage']}`,
    `/calculators/${ids['narrowboat-loan']}/reading`,
    ...['/rate-sheets', '/house-styles', '/placements', '/audience', '/channels', '/record'],
    ...['/people', '/people/archive', '/me', '/worksheet'],
  ]) {
    await page.setViewport({ width: 1024, height: 768 })
    await goTo(page, `${app.desk}${path}`)
    await page.waitForSelector('h1')
    await page.waitForSelector('.ant-skeleton', { hidden: true })
    const wideAt = async (width: number, height: number) => {
      await page.setViewport({ width, height })
      return page.evaluate(() => document.documentElement.scrollWidth)
    }
    expect([path, await wideAt(1024, 768)]).toEqual([path, 1024])
    expect([path, await wideAt(768, 1024)]).toEqual([path, 768])
  }
})
