import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Page } from 'puppeteer-core'
import { afterAll, expect, test } from 'vitest'
import { pluralForms, shippedPhrases } from '@vivid/contract/own-words'
import {
  choose,
  click,
  eventually,
  expectText,
  fill,
  placedFrame,
  press,
  textOf,
  useApplication,
} from './support/application'
import { brokenRules } from './support/axe'
import { closeDialog, putLive, sendForApproval, storedDocument, withStarter } from './support/desk'

const app = useApplication()
const folder = mkdtempSync(join(tmpdir(), 'vivid-words-'))
afterAll(() => rmSync(folder, { recursive: true, force: true }))

/** A language that only the lender speaks: each phrase is the English one behind a mark. */
const MARK = '¤'
const english = await shippedPhrases('en', pluralForms('nl'))
const marked: Readonly<Record<string, string>> = {
  ...Object.fromEntries(Object.entries(english).map(([name, text]) => [name, `${MARK}${text}`])),
  typedYears: 'jaar, jr',
}
const quoted = (text: string) => `"${text.replaceAll('"', '""')}"`
const csvOf = (phrases: Readonly<Record<string, string>>) =>
  ['phrase,yours', ...Object.entries(phrases).map((cells) => cells.map(quoted).join(','))].join('\r\n')

async function bring(page: Page, name: string, text: string): Promise<void> {
  const file = join(folder, name)
  writeFileSync(file, text)
  const [chooser] = await Promise.all([page.waitForFileChooser(), click(page, 'Bring a CSV …', '.ant-modal')])
  await chooser.accept([file])
}

test('the lender words the page otherwise, and adds a language of its own, which its visitors read whole', async () => {
  const styles = await app.deskAs('Ines', '/house-styles')
  await click(styles, 'Larkmoor plum', '.choose-list')
  await click(styles, 'Word it otherwise, or add a language')
  await fill(styles, '#words-find', 'page.startAgain')
  await fill(styles, '[id="phrase-page.startAgain"]', 'Begin anew')
  await fill(styles, '#words-find', 'page.from')
  await fill(styles, '[id="phrase-page.from"]', 'no less than')
  await styles.keyboard.press('Tab')
  await expectText(styles, '.phrases', '“page.from” has to say {least} somewhere')
  await expectText(styles, '.state', '1 to mend before this can be saved.')
  await fill(styles, '[id="phrase-page.from"]', 'no less than {least}')
  await styles.keyboard.press('Tab')
  await eventually(
    async () => !(await textOf(styles, '.state')).includes('to mend'),
    () => 'it is still to be mended',
  )
  expect(await brokenRules(styles)).toEqual([])

  await choose(styles, '#words-language', 'nl')
  const all = Object.keys(english).length
  await expectText(styles, '.state', `${all} of ${all} phrases are missing.`)
  await bring(styles, 'faulty.csv', csvOf({ ...marked, 'page.from': 'x', 'page.nothing': 'x' }))
  await expectText(styles, '.ant-alert', 'Nothing was taken from the file.')
  await expectText(styles, '.ant-alert', 'There is no phrase “page.nothing”.')
  const { 'page.startAgain': left, ...others } = marked
  await bring(styles, 'nearly.csv', csvOf(others))
  await expectText(styles, '.state', `1 of ${all} phrases are missing.`)
  await fill(styles, '#words-find', '')
  await choose(styles, '#words-which', 'missing')
  await fill(styles, '[id="phrase-page.startAgain"]', left ?? '')
  await styles.keyboard.press('Tab')
  await expectText(styles, '.state', 'Dutch is whole')
  await closeDialog(styles)
  await click(styles, 'Save', '.foot')
  await expectText(styles, 'body', 'Saved: each calculator')

  const ines = await withStarter(app, 'mortgage-payment', 'In other words')
  await press(ines, '#line-page')
  await fill(ines, '[aria-label^="Another language"]', 'fi-FI')
  await ines.keyboard.press('Enter')
  await expectText(ines, '.problems', '1 to mend')
  await click(ines, 'Undo')
  await fill(ines, '[aria-label^="Another language"]', 'nl-NL')
  await ines.keyboard.press('Enter')
  await click(ines, 'nl', '[aria-label="Language of the preview"]')
  const preview = await placedFrame(ines)
  await expectText(preview, 'body', `${MARK}Start again`)
  // What was undone was saved too: only what the server has tells which of them it was.
  await eventually(
    async () => JSON.stringify(await storedDocument(ines)).includes('nl-NL'),
    () => 'the language was not saved',
  )
  await expectText(ines, '.problems', 'questions')
  await sendForApproval(ines)
  await expectText(ines, '.state', 'Waiting for approval')
  const odile = await app.deskAs('Odile', new URL(ines.url()).pathname.replace('/desk', ''))
  await putLive(odile, 1)

  const slug = 'in-other-words'
  await eventually(
    async () => (await fetch(`${app.address}/c/${slug}`)).ok,
    () => 'it did not go live',
  )
  const visitor = await app.visit(`${app.address}/c/${slug}`)
  await expectText(visitor, 'body', 'Begin anew')
  const dutch = await app.visit(`${app.address}/c/${slug}?lang=nl-NL`)
  await expectText(dutch, 'body', `${MARK}Start again`)
  await fill(dutch, '#answer-term', '20 jaar')
  await expectText(dutch, 'body', '240 ')
  const said = await dutch.$eval('body', (body) => (body as HTMLElement).innerText)
  const ours = Object.values(english)
    .filter((text) => text.length > 12 && !/[{#]/.test(text))
    .sort((a, b) => b.length - a.length)
  const rest = ours.reduce((left, text) => left.replaceAll(`${MARK}${text}`, ''), said)
  expect(ours.filter((text) => rest.includes(text))).toEqual([])
})
