import { spawn } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import autocannon from 'autocannon'
import { demoCluster, serverProcess } from '../../scripts/lib/scratch-server.mjs'

/** Reads and evaluations for a bounded time each, beside a bare Express route that sends the same bytes. */
const SECONDS = 8
const CONNECTIONS = 20
const SLUG = 'floating-home-mortgage'

const cluster = await demoCluster()
const server = await serverProcess(cluster.url)
const folder = mkdtempSync(join(tmpdir(), 'vivid-load-'))
const path = `/api/public/calculators/${SLUG}`
try {
  const live = await fetch(`${server.address}${path}`)
  const etag = live.headers.get('etag') ?? ''
  const file = join(folder, 'body.json')
  writeFileSync(file, await live.text())
  const bare = spawn(process.execPath, [join(import.meta.dirname, 'bare-express.mjs'), file])
  const port = await new Promise<string>((done) =>
    bare.stdout.once('data', (text) => done(String(text).trim())),
  )
  const authorization = `Bearer ${await makeKey()}`
  const json = { 'content-type': 'application/json', authorization }

  console.log(`${CONNECTIONS} connections, ${SECONDS} s each; both cores are shared with the load itself\n`)
  console.log(
    ['', 'a second', 'p50 ms', 'p99 ms', 'errors', 'refused']
      .map((text, i) => text.padStart(i ? 10 : 34))
      .join(''),
  )
  const bareRate = await run('bare Express, the same bytes', `http://127.0.0.1:${port}/`)
  const reads = await run('live edition', `${server.address}${path}`)
  await run('live edition, unchanged (304)', `${server.address}${path}`, {
    headers: { 'if-none-match': etag },
  })
  await run('visitor page', `${server.address}/c/${SLUG}`)
  await run('evaluation, 25 years monthly', `${server.address}${path}/evaluate`, {
    method: 'POST',
    headers: json,
    body: JSON.stringify({ answers: {} }),
  })
  console.log(`\nreads are ${(reads / bareRate).toFixed(2)} × the bare route (at least 0.8 wanted)`)
  bare.kill()
} finally {
  await server.kill('SIGTERM')
  await cluster.stop()
  rmSync(folder, { recursive: true, force: true })
}

/** Loads one address; its requests a second. */
async function run(name: string, url: string, more: Partial<autocannon.Options> = {}): Promise<number> {
  await autocannon({ url, duration: 1, connections: CONNECTIONS, ...more })
  const ran = await autocannon({
    url,
    duration: SECONDS,
    connections: CONNECTIONS,
    ...more,
  })
  const { requests, latency, errors } = ran
  const cells = [requests.average.toFixed(0), latency.p50, latency.p99, errors, ran['4xx'] + ran['5xx']]
  console.log(name.padStart(34) + cells.map((cell) => String(cell).padStart(10)).join(''))
  return requests.average
}

/** A key with a limit no load here reaches. */
async function makeKey(): Promise<string> {
  const post = (address: string, body: object, cookie = '') =>
    fetch(`${server.address}${address}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', cookie },
      body: JSON.stringify(body),
    })
  const signedIn = await post('/api/session', { email: 'wren@larkmoor.example', password: 'ebb-and-flow' })
  const cookie = signedIn.headers.get('set-cookie')?.split(';')[0]
  const made = await post('/api/channels/keys', { name: 'Load', perMinute: 100_000 }, cookie)
  return ((await made.json()) as { key: string }).key
}
