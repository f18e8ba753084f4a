import type { TestProject } from 'vitest/node'
import { buildApplication } from '../../../scripts/lib/build-application.mjs'
import { launchChromium } from '../../../scripts/lib/chromium.mjs'
import { demoCluster, freePorts } from '../../../scripts/lib/scratch-server.mjs'
import type { Seat } from './seats'

declare module 'vitest' {
  interface ProvidedContext {
    demo: { url: string; home: string }
    seats: readonly Seat[]
  }
}

/** So many files run at a time. */
const SEATS = 3

/**
 * What the browser tests use is built before the first of them, and never under their feet; so is the database with
 * the demo data that each file takes a copy of. Files that follow each other have the same browser and ports: it keeps
 * scripts ready to run.
 */
export default async function setup(project: TestProject): Promise<() => Promise<void>> {
  await buildApplication()
  const { url, home, stop } = await demoCluster()
  project.provide('demo', { url, home })
  const browsers = await Promise.all(Array.from({ length: SEATS }, () => launchChromium()))
  const seats = browsers.map(async (browser) => ({ browser: browser.wsEndpoint(), ports: await freePorts() }))
  project.provide('seats', await Promise.all(seats))
  return async () => {
    await Promise.all(browsers.map((browser) => browser.close()))
    await stop()
  }
}
