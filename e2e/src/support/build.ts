import type { TestProject } from 'vitest/node'
import { buildApplication } from '../../../scripts/lib/build-application.mjs'
import { demoCluster } from '../../../scripts/lib/scratch-server.mjs'

declare module 'vitest' {
  interface ProvidedContext {
    demo: { url: string; home: string }
  }
}

/**
 * What the browser tests use is built before the first of them, and never under their feet; so is the database with
 * the demo data that each file takes a copy of.
 */
export default async function setup(project: TestProject): Promise<() => Promise<void>> {
  await buildApplication()
  const { url, home, stop } = await demoCluster()
  project.provide('demo', { url, home })
  return stop
}
