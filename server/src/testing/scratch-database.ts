import pino from 'pino'
import type { TestProject } from 'vitest/node'
import { scratchCluster } from '../../../scripts/lib/scratch-server.mjs'
import { connect } from '../platform/database/connection'
import { loadDemoOnce } from '../demo/load-demo'
import { migrate } from '../platform/database/migrate'
import { TODAY } from './today'

declare module 'vitest' {
  interface ProvidedContext {
    clusterUrl: string
  }
}

/** One PostgreSQL for all server tests; its first database has the demo data, and each test file takes copies of it. */
export default async function setup(project: TestProject): Promise<() => Promise<void>> {
  const cluster = await scratchCluster()
  const log = pino({ level: 'silent' })
  const database = connect(cluster.url, log)
  await migrate(database, log)
  await loadDemoOnce(database, TODAY)
  await database.close()
  project.provide('clusterUrl', cluster.url)
  return cluster.stop
}
