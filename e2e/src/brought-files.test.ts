import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { ElementHandle, Frame } from 'puppeteer-core'
import { expect, test } from 'vitest'
import {
  choose,
  click,
  eventually,
  expectText,
  fill,
  press,
  reload,
  useApplication,
} from './support/application'
import { brokenRules } from './support/axe'

/** Files that somebody brings to the desk. */
const app = useApplication()

const fileOf = (name: string, content: string | Uint8Array): string => {
  const file = join(mkdtempSync(join(tmpdir(), 'vivid-file-')), name)
  writeFileSync(file, content)
  return file
}

test('a logo shows on the page while it is chosen, is made safe as it is kept, and says what it is', async () => {
  const file = fileOf(
    'logo.svg',
    '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 90 30" onload="alert(1)"><rect width="90" height="30"/></svg>',
  )
  const page = await app.deskAs('Ines', '/house-styles')
  await click(page, 'Chandler, serif on paper')
  const input = (await page.waitForSelector(
    '.logo-field input[type=file]',
  )) as ElementHandle<HTMLInputElement>
  await input.uploadFile(file)
  await fill(page, '#logo-alt', 'The chandler’s anchor')
  const preview = (await (await page.waitForSelector('.preview iframe'))?.contentFrame()) as Frame
  await preview.waitForSelector('img.logo[alt="The chandler’s anchor"]')
  expect(await brokenRules(page)).toEqual([])
  await click(page, 'Save', '.foot')
  await eventually(
    () =>
      page.evaluate(async () => {
        const all = (await (await fetch('/api/house-styles')).json()) as {
          id: string
          choices: { logo?: { image: string; alt: string; width: number } }
        }[]
        const logo = all.find(({ id }) => id === 'chandler')?.choices.logo
        return logo?.width === 90 && !atob(logo.image.split(',')[1] ?? '').includes('onload')
      }),
    () => 'it is not kept',
  )
})

test('an archive is taken out, and brought in where a draft went wrong: kept, put beside, or taken', async () => {
  const wren = await app.deskAs('Wren', '/people')
  const bytes = await wren.evaluate(async () => [
    ...new Uint8Array(await (await fetch('/api/archive')).arrayBuffer()),
  ])
  const file = fileOf('archive.zip', Uint8Array.from(bytes))
  const ines = await app.deskAs('Ines')
  await click(ines, 'Winter berth purchase')
  await press(ines, '#line-page')
  await fill(ines, '#page-title', 'Went wrong')
  await expectText(ines, '.note', 'Draft saved')

  const bringIn = async (choice: string) => {
    const input = (await wren.$('input[type=file]')) as ElementHandle<HTMLInputElement>
    await input.uploadFile(file)
    await wren.waitForSelector('main table')
    await choose(wren, 'main table select', choice)
    await click(wren, 'Bring in what is chosen')
    await expectText(wren, '.ant-alert-success', 'Brought in: 1 calculator')
  }
  await click(wren, 'Archive')
  await wren.waitForSelector('input[type=file]')
  await bringIn('beside')
  await bringIn('replace')
  await reload(ines)
  await expectText(ines, 'h1', 'Winter berth purchase')
  await click(ines, 'Calculators')
  await eventually(
    async () => (await ines.$$('.card ::-p-text(Winter berth purchase)')).length === 2,
    () => 'there are not two',
  )
  await click(wren, 'Record')
  await expectText(wren, '.ant-table', 'brought in an archive')
})
