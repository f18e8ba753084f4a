// @ts-check
import { existsSync } from 'node:fs'
import { installDebianPackages, isRoot } from './debian-package.mjs'

const PLACES = ['/usr/bin/chromium', '/usr/bin/chromium-browser', '/usr/bin/google-chrome']

/** The path of a Chromium, installed first where there is none. */
export async function chromiumPath() {
  const find = () => PLACES.find((place) => existsSync(place))
  const found = find()
  if (found) return found
  await installDebianPackages(['chromium'], 'Chromium')
  const installed = find()
  if (!installed) throw new Error('Chromium was installed and cannot be found')
  return installed
}

/**
 * Starts a headless Chromium with a new profile, which goes with it.
 * @returns {Promise<import('puppeteer-core').Browser>}
 */
export async function launchChromium() {
  const { default: puppeteer } = await import('puppeteer-core')
  return puppeteer.launch({
    executablePath: await chromiumPath(),
    args: [
      ...(isRoot ? ['--no-sandbox'] : []),
      '--disable-gpu',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
      '--disable-dev-shm-usage',
      '--font-render-hinting=none',
      // The automation client loses sight of one of two frames in processes of their own that come at once.
      '--disable-site-isolation-trials',
    ],
  })
}
