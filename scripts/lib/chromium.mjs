// @ts-check
import { existsSync } from 'node:fs'
import { installDebianPackages, isRoot } from './debian-package.mjs'

/** Debian's build that has no window at all: a fifth less to do than for one that only shows none. */
const WITHOUT_WINDOW = '/usr/bin/chromium-headless-shell'
const OTHERS = ['/usr/bin/chromium', '/usr/bin/chromium-browser', '/usr/bin/google-chrome']

/** The path of a Chromium; the one without a window is installed where it is missing, and can be. */
export async function chromiumPath() {
  if (existsSync(WITHOUT_WINDOW)) return WITHOUT_WINDOW
  try {
    await installDebianPackages(['chromium-headless-shell'], 'Chromium')
    return WITHOUT_WINDOW
  } catch (error) {
    const other = OTHERS.find((place) => existsSync(place))
    if (other) return other
    throw error
  }
}

/**
 * Starts a headless Chromium with a new profile, which goes with it.
 * @returns {Promise<import('puppeteer-core').Browser>}
 */
export async function launchChromium() {
  const { default: puppeteer } = await import('puppeteer-core')
  return puppeteer.launch({
    headless: 'shell',
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
