// @ts-check
// `npm run screens`: remakes the pictures in docs/screenshots from the demo data.
import { mkdirSync } from 'node:fs'
import { join } from 'node:path'
import { buildApplication } from './lib/build-application.mjs'
import { launchChromium } from './lib/chromium.mjs'
import { installDependencies } from './lib/dependencies.mjs'
import { runMain } from './lib/plain-failure.mjs'
import { root } from './lib/project.mjs'
import { scratchServer } from './lib/scratch-server.mjs'

const folder = process.env.SCREENS_FOLDER ?? join(root, 'docs/screenshots')
const wide = { width: 1280, height: 800 }
const phone = { width: 390, height: 844, isMobile: true, hasTouch: true }

/** @typedef {import('puppeteer-core').Page} Page */

await runMain(async () => {
  await installDependencies()
  await buildApplication()
  mkdirSync(folder, { recursive: true })
  const server = await scratchServer()
  const browser = await launchChromium()
  try {
    await takeAll(await browser.newPage(), server)
  } finally {
    await browser.close()
    await server.stop()
  }
})

/** @param {Page} page @param {{ desk: string, address: string, lender: string }} server */
async function takeAll(page, { desk, address, lender }) {
  /** @param {string} name @param {boolean} [fullPage] */
  const shot = async (name, fullPage = false) => {
    await quiet(page)
    await page.evaluate(() => document.fonts.ready)
    await page.screenshot({ path: join(folder, /** @type {`${string}.png`} */ (`${name}.png`)), fullPage })
    console.log(`${name}.png`)
  }
  /** @param {string} address */
  const goTo = async (address) => {
    await page.goto(address)
    await quiet(page)
  }
  /** @param {string} text */
  const openCard = async (text) => {
    await goTo(desk)
    await page.locator(`::-p-text(${text})`).click()
    await page.waitForSelector('iframe')
    await quiet(page)
  }

  await page.setViewport(wide)
  await goTo(desk)
  await shot('sign-in')
  await page.locator('::-p-text(Ines Okafor)').click()
  await page.locator('button[type=submit]').click()
  await page.waitForSelector('.card')
  await shot('calculators')

  await openCard('Floating home mortgage')
  await shot('calculator')
  await goTo(`${desk}/worksheet`)
  await page.locator('::-p-text(a schedule, payment by payment)').click()
  await page.locator('.sheet [aria-label^="B6: "]').click()
  await page.waitForSelector('.cell-card')
  await shot('worksheet')
  await openCard('First floating home, insured')
  await page.locator('#line-premium').click()
  await page.waitForSelector('.read-back')
  await shot('calculator-formula')
  await page.locator('.proofs .link').click()
  await page.waitForSelector('.ant-modal .one')
  await shot('calculator-proofs')
  await page.locator('.ant-modal-close').click()
  await goTo(`${desk}/record`)
  await page.locator('::-p-text(Check the chain)').click()
  await page.waitForSelector('.ant-alert-success')
  await shot('record')
  await goTo(`${desk}/rate-sheets?sheet=insurance-premiums`)
  for (const [cell, figure] of /** @type {const} */ ([
    ['1 1', '3.15'],
    ['2 1', '3.50'],
  ])) {
    await page.focus(`input[data-cell="${cell}"]`)
    await page.$eval(`input[data-cell="${cell}"]`, (field) =>
      /** @type {HTMLInputElement} */ (field).select(),
    )
    await page.keyboard.type(figure)
  }
  await page.locator('::-p-text(What would it change?)').click()
  await page.waitForSelector('.impact')
  await shot('rate-sheets', true)
  for (const _ of [1, 2]) await page.locator('.files ::-p-text(Undo)').click()
  await goTo(`${desk}/house-styles`)
  await shot('house-styles')
  await goTo(`${desk}/audience`)
  await page.select('#audience-calculator', 'floating-home-mortgage')
  await page.waitForSelector('.answers .band')
  await shot('audience', true)
  await goTo(`${desk}/channels`)
  await page.locator('::-p-text(Ask for the figures)').click()
  await page.waitForSelector('#channel-answer')
  await shot('channels')
  await page.locator('::-p-text(Sign out)').click()
  await page.waitForSelector('.demo')
  await page.locator('.demo button ::-p-text(Odile)').click()
  await page.locator('button[type=submit]').click()
  await page.waitForSelector('.card')
  await openCard('Narrowboat loan')
  await page.locator('::-p-text(Read edition 2)').click()
  await page.waitForSelector('main table tbody tr')
  await shot('calculator-approval')
  await goTo(`${desk}/placements`)
  await shot('placements')
  await page.locator('::-p-text(Sign out)').click()
  await page.waitForSelector('.demo')
  await page.locator('.demo button ::-p-text(Wren)').click()
  await page.locator('button[type=submit]').click()
  await page.waitForSelector('.card')
  await goTo(`${desk}/people`)
  await shot('people')

  await goTo(`${lender}/`)
  await shot('lender-page')
  await goTo(`${address}/c/floating-home-mortgage`)
  await shot('visitor-page')
  await goTo(`${address}/c/marine-engine-loan`)
  for (const [offer, typed] of /** @type {const} */ ([
    ['extra', '150'],
    ['rate', '6.9'],
  ])) {
    await page.locator(`#whatIf-${offer}`).fill(typed)
    await page.keyboard.press('Enter')
  }
  await page.locator('.kept li:nth-child(2) input').fill('If rates rise')
  await page.locator('#whatIf-lumpSum').fill('10k')
  await page.evaluate(() => document.querySelector('.what-if')?.scrollIntoView())
  await shot('visitor-what-if')
  await goTo(`${address}/c/harbour-home-loan`)
  await shot('visitor-right-to-left')
  await page.setViewport(phone)
  await goTo(`${address}/c/floating-home-mortgage`)
  await shot('visitor-phone')
}

/**
 * Waits until nothing is fetched, for a while at most, as the browser does not always tell of a request's end; and until
 * nothing is on its way on the screen.
 * @param {Page} page
 */
async function quiet(page) {
  await page.waitForNetworkIdle({ timeout: 5_000 }).catch(() => undefined)
  await page.waitForFunction(
    () =>
      !document.querySelector('[class*=zoom-enter], [class*=fade-enter], .ant-btn-loading, .ant-skeleton'),
  )
}
