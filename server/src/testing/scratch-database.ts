import type { TestProject } from 'vitest/node'
import { scratchCluster } from '../../../scripts/lib/scratch-server.mjs'

declare module 'vitest' {
  interface ProvidedContext {
    clusterUrl: string
  }
}

/** One PostgreSQL for all server tests; each test file makes databases of its own in it. */
export default async function setup(project: TestProject): Promise<() => Promise<void>> {
  const cluster = await scratchCluster()
  project.provide('clusterUrl', cluster.url)
  return cluster.stop
}
