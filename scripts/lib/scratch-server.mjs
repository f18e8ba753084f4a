// @ts-check
import { chmodSync, mkdtempSync, rmSync } from 'node:fs'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { startCluster } from './cluster.mjs'
import { root } from './project.mjs'

/** Settings that make a database fast and forgetful: for one that is thrown away. */
const SCRATCH_DATABASE = ['fsync=off', 'synchronous_commit=off', 'full_page_writes=off']

/** A database of its own in a temporary folder; `stop` removes it. */
export async function scratchCluster() {
  const home = mkdtempSync(join(tmpdir(), 'vivid-scratch-'))
  // PostgreSQL's own user has to get in.
  chmodSync(home, 0o755)
  const cluster = await startCluster(home, { settings: SCRATCH_DATABASE })
  return {
    home,
    url: cluster.url,
    stop: async () => {
      await cluster.stop()
      rmSync(home, { recursive: true, force: true })
    },
  }
}

/** The built application with demo data on a database and ports of its own; `stop` removes every trace. */
export async function scratchServer() {
  const cluster = await scratchCluster()
  const { run } = await import(join(root, 'server/dist/main.js'))
  const env = {
    DATABASE_URL: cluster.url,
    PORT: String(await freePort()),
    LENDER_PORT: String(await freePort()),
    VIVID_LOG: join(cluster.home, 'server.log'),
  }
  const server = await run(env, root)
  return {
    desk: `${server.deskAddress}/desk`,
    address: /** @type {string} */ (server.deskAddress),
    lender: /** @type {string} */ (server.lenderAddress),
    databaseUrl: cluster.url,
    stop: async () => {
      await server.close()
      await cluster.stop()
    },
  }
}

/** @returns {Promise<number>} a port nobody uses at the moment */
export const freePort = () =>
  new Promise((resolve, reject) => {
    const probe = createServer()
    probe.once('error', reject)
    probe.listen(0, '127.0.0.1', () => {
      const address = probe.address()
      probe.close(() => resolve(typeof address === 'object' && address ? address.port : 0))
    })
  })
