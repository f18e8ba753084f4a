// @ts-check
import { chmodSync, existsSync, mkdtempSync, readFileSync, renameSync, rmSync } from 'node:fs'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import pg from 'pg'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { startCluster } from './cluster.mjs'

let home = ''
/** @type {Awaited<ReturnType<typeof startCluster>> | undefined} */
let cluster
/** @type {string[]} */
let said
beforeEach(() => {
  home = mkdtempSync(join(tmpdir(), 'vivid-cluster-'))
  chmodSync(home, 0o755)
  said = []
  vi.spyOn(console, 'error').mockImplementation((line) => void said.push(String(line)))
  vi.spyOn(console, 'log').mockImplementation(() => undefined)
})
afterEach(async () => {
  await cluster?.stop()
  rmSync(home, { recursive: true, force: true })
  vi.restoreAllMocks()
})

const data = () => readFileSync(join(home, 'postgres-folder'), 'utf8').trim()
const postmaster = () => Number(readFileSync(join(data(), 'postmaster.pid'), 'utf8').split('\n')[0])
const isAlive = (/** @type {number} */ pid) => existsSync(`/proc/${pid}`)

/** @param {string} url */
async function answer(url) {
  const client = new pg.Client({ connectionString: url })
  client.on('error', () => undefined)
  try {
    await client.connect()
    return (await client.query('SELECT 40 + 2 AS answer')).rows[0].answer
  } finally {
    await client.end().catch(() => undefined)
  }
}

test('a database that is killed comes back, also where it could not start for a while', async () => {
  cluster = await startCluster(home)
  const { url } = cluster
  expect(await answer(url)).toBe(42)
  const version = join(data(), 'PG_VERSION')
  renameSync(version, `${version}.away`)
  process.kill(postmaster(), 'SIGKILL')
  await vi.waitFor(() => expect(said.join('\n')).toContain('did not start'), { timeout: 20_000 })
  await expect(answer(url)).rejects.toThrow()
  renameSync(`${version}.away`, version)
  await vi.waitFor(async () => expect(await answer(url)).toBe(42), { timeout: 20_000 })
})

test('one that is stopped while it comes back does not run on', async () => {
  cluster = await startCluster(home)
  const { url } = cluster
  const before = postmaster()
  process.kill(before, 'SIGKILL')
  await vi.waitFor(() => expect(said).not.toEqual([]), { timeout: 10_000 })
  await cluster.stop()
  await expect(answer(url)).rejects.toThrow()
  if (existsSync(join(data(), 'postmaster.pid'))) expect(isAlive(postmaster())).toBe(false)
})

test('its port is none that the system lends to connections, and stays the same while it is free', async () => {
  const [lent] = readFileSync('/proc/sys/net/ipv4/ip_local_port_range', 'utf8')
    .trim()
    .split(/\s+/)
    .map(Number)
  const portOf = () => Number(new URL(cluster?.url ?? '').port)
  cluster = await startCluster(home)
  const port = portOf()
  expect(port).toBeLessThan(Math.min(lent ?? 0, 32_768))
  await cluster.stop()
  cluster = await startCluster(home)
  expect(portOf()).toBe(port)
  await cluster.stop()
  const taken = createServer()
  await new Promise((done) => taken.listen(port, '127.0.0.1', () => done(undefined)))
  cluster = await startCluster(home)
  expect(portOf()).not.toBe(port)
  expect(portOf()).toBeLessThan(32_768)
  taken.close()
})
