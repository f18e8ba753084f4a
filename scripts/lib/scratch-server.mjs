// @ts-check
import { spawn } from 'node:child_process'
import { randomBytes } from 'node:crypto'
import { chmodSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { startCluster } from './cluster.mjs'
import { freePort } from './ports.mjs'
import { root } from './project.mjs'

/** Settings that make a database fast and forgetful: for one that is thrown away. */
const SCRATCH_DATABASE = ['fsync=off', 'synchronous_commit=off', 'full_page_writes=off']

/** A database of its own in a temporary folder; `stop` removes it. */
export async function scratchCluster() {
  const home = mkdtempSync(join(tmpdir(), 'vivid-scratch-'))
  // PostgreSQL's own user has to get in.
  chmodSync(home, 0o755)
  const cluster = await startCluster(home, { settings: SCRATCH_DATABASE })
  let running = cluster
  return {
    home,
    url: cluster.url,
    /** Stops the server, and starts it again on the same port with the same databases. */
    pause: () => running.stop(),
    resume: async () => {
      running = await startCluster(home, { settings: SCRATCH_DATABASE })
    },
    stop: async () => {
      await running.stop()
      rmSync(home, { recursive: true, force: true })
    },
  }
}

/** A cluster with one database that has the demo data, to copy others from: loading it takes seconds, a copy none. */
export async function demoCluster() {
  const cluster = await scratchCluster()
  const server = await serverOn(cluster, { warms: true })
  // Each copy has its figures too.
  await server.warmed
  await server.close()
  return cluster
}

/** Makes a database in a cluster as a copy of its first one; its address. @param {string} url */
export const copiedDatabase = (url) => newDatabase(url, 'vivid')

/** Makes a database in a cluster with nothing in it; its address. @param {string} url */
export const emptyDatabase = (url) => newDatabase(url, 'template0')

/** @param {string} url @param {string} template */
async function newDatabase(url, template) {
  const { default: pg } = await import('pg')
  const name = `copy_${randomBytes(6).toString('hex')}`
  // Nobody may be in the database that is copied: we ask from another.
  const admin = new pg.Client({ connectionString: url.replace(/vivid$/, 'postgres') })
  await admin.connect()
  await admin.query(`CREATE DATABASE ${name} TEMPLATE ${template}`)
  await admin.end()
  return url.replace(/vivid$/, name)
}

/**
 * The built application with demo data on a database and ports of its own; `stop` removes every trace. On a cluster
 * of its own, or on a copy of the database of a cluster that is there.
 * @param {{ url: string, home: string }} [shared] @param {Ports} [ports]
 */
export async function scratchServer(shared, ports) {
  const cluster = shared
    ? { url: await copiedDatabase(shared.url), home: shared.home, stop: async () => undefined }
    : await scratchCluster()
  const server = await serverOn(cluster, { ports, warms: !shared })
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

/**
 * The built application in a process of its own, which can be killed, on a database that is there.
 * @param {string} databaseUrl @param {Record<string, string>} [more]
 */
export async function serverProcess(databaseUrl, more = {}) {
  const port = await freePort()
  const env = {
    ...process.env,
    DATABASE_URL: databaseUrl,
    PORT: String(port),
    LENDER_PORT: 'none',
    VIVID_LOG: '/dev/null',
    ...more,
  }
  const child = spawn(process.execPath, [join(root, 'scripts/lib/serve.mjs')], { env, stdio: 'pipe' })
  const ended = new Promise((done) => child.once('exit', done))
  await new Promise((done, fail) => {
    child.stdout.on('data', (text) => String(text).includes('Serving') && done(undefined))
    child.stderr.on('data', (text) => fail(new Error(String(text))))
    child.once('exit', (code) => fail(new Error(`the server ended with ${code}`)))
  })
  return {
    address: `http://127.0.0.1:${port}`,
    /** @param {NodeJS.Signals} [signal] */
    kill: async (signal = 'SIGKILL') => {
      child.kill(signal)
      await ended
    },
  }
}

/** Two ports that are free. @typedef {readonly [desk: number, lender: number]} Ports @returns {Promise<Ports>} */
export const freePorts = async () => [await freePort(), await freePort()]

/** @param {{ url: string, home: string }} cluster @param {{ ports?: Ports, warms: boolean }} how */
async function serverOn({ url, home }, { ports, warms }) {
  const { run } = await import(join(root, 'server/dist/main.js'))
  const [desk, lender] = ports ?? (await freePorts())
  const env = {
    DATABASE_URL: url,
    PORT: String(desk),
    LENDER_PORT: String(lender),
    VIVID_LOG: join(home, 'server.log'),
  }
  return run(env, root, { warms })
}
