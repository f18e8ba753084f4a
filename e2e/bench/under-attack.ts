import { execFile } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { promisify } from 'node:util'
import { hostileDocuments } from '../../core/src/testing/hostile-documents'
import { demoCluster, serverProcess } from '../../scripts/lib/scratch-server.mjs'

/**
 * How long a visitor's page and the list take while one person or address asks for all it can: beside each attack, what
 * a page (wanted: under 50 ms) and a list (under 300 ms) take. The cores are shared with the attack itself.
 */
const [SECONDS, CONNECTIONS] = [6, 8]
const SLUG = 'floating-home-mortgage'
const cluster = await demoCluster()
const server = await serverProcess(cluster.url)
const folder = mkdtempSync(join(tmpdir(), 'vivid-attack-'))
const json = { 'content-type': 'application/json' }

interface Attack {
  readonly path: string
  readonly method?: string
  readonly cookie?: string
  /** Sent in turns. */
  readonly bodies: readonly (string | object)[]
}

const send = (path: string, body: unknown, cookie = '', method = 'POST') =>
  fetch(`${server.address}${path}`, { method, headers: { ...json, cookie }, body: JSON.stringify(body) })
async function sessionOf(name: string): Promise<string> {
  const answer = await send('/api/session', { email: `${name}@larkmoor.example`, password: 'ebb-and-flow' })
  return answer.headers.get('set-cookie')?.split(';')[0] ?? ''
}

try {
  const [ines, odile] = [await sessionOf('ines'), await sessionOf('odile')]
  const pages = '/api/public/calculators/'
  const shown = { answers: {}, language: 'en-CA', edition: 3, on: new Date().toLocaleDateString('sv-SE') }

  console.log(`each for ${SECONDS} s, from ${CONNECTIONS} connections at once; milliseconds\n`)
  const heads = ['page p50', 'p99', 'most', 'list p50', 'p99', 'most', 'answered', 'refused', 'stopped']
  console.log(''.padEnd(52) + heads.map((head) => head.padStart(10)).join(''))
  await measure('nothing else', odile)
  for (const [name, make] of Object.entries(hostileDocuments)) {
    const short = name.slice(0, 40)
    const made = await send('/api/calculators', { from: 'empty', title: short }, ines)
    const { id } = (await made.json()) as { id: string }
    // Each save but the first of a revision is stale: it is read, parsed and refused with the draft as it stands.
    const bodies = Array.from({ length: 20 }, (_, n) => ({
      revision: n + 1,
      document: { ...make(), title: { 'en-CA': `${short} ${n}` }, languages: ['en-CA'] },
    }))
    const at = `/api/calculators/${id}`
    await measure(`saves ${short}`, odile, { path: `${at}/draft`, method: 'PUT', cookie: ines, bodies })
    const opened = await fetch(`${server.address}${at}`, { headers: { cookie: ines } })
    const { revision } = (await opened.json()) as { revision: number }
    await measure(`sends ${short}`, odile, { path: `${at}/send`, cookie: ines, bodies: [{ revision }] })
  }
  await measure('evaluations', odile, { path: `${pages}${SLUG}/evaluate`, bodies: [{ answers: {} }] })
  await measure('PDFs', odile, { path: `${pages}${SLUG}/files/pdf`, bodies: [shown] })
  await measure('hand-overs', odile, {
    path: `${pages}${SLUG}/hand-overs`,
    bodies: [{ ...shown, name: 'A', reach: 'a@b.example', message: '', consent: true }],
  })
  await measure('counts', odile, {
    path: '/api/public/audience',
    bodies: [{ calculator: SLUG, edition: 3, language: 'en-CA', placement: '', event: 'opened' }],
  })
  await measure('bodies of 0.95 MB by nobody', odile, {
    path: '/api/session',
    bodies: [`{"email":"${'x'.repeat(950_000)}","password":"x"}`],
  })
  await measure('bodies of 60,000 brackets', odile, {
    path: `${pages}${SLUG}/evaluate`,
    bodies: ['['.repeat(60_000)],
  })
  await measure('wrong passwords', odile, {
    path: '/api/session',
    bodies: [{ email: 'x@y.example', password: 'x' }],
  })
} finally {
  await server.kill('SIGTERM')
  await cluster.stop()
  rmSync(folder, { recursive: true, force: true })
}

async function measure(name: string, cookie: string, attack?: Attack): Promise<void> {
  const end = Date.now() + SECONDS * 1000
  const [page, list, counts] = await Promise.all([
    times(`/c/${SLUG}`, {}, end, 25),
    times('/api/calculators', { cookie }, end, 100),
    attack ? attacked(attack) : { answered: 0, refused: 0, stopped: 0 },
  ])
  const cells = [...page, ...list, counts.answered, counts.refused, counts.stopped]
  console.log(name.padEnd(52) + cells.map((cell) => String(cell).padStart(10)).join(''))
}

async function attacked({ path, method = 'POST', cookie = '', bodies }: Attack) {
  const file = join(folder, 'attack.json')
  writeFileSync(
    file,
    JSON.stringify({
      url: `${server.address}${path}`,
      method,
      headers: { ...json, cookie },
      bodies: bodies.map((body) => (typeof body === 'string' ? body : JSON.stringify(body))),
      connections: CONNECTIONS,
      seconds: SECONDS,
    }),
  )
  const program = join(import.meta.dirname, 'attacker.mjs')
  const { stdout } = await promisify(execFile)(process.execPath, [program, file])
  return JSON.parse(stdout) as { answered: number; refused: number; stopped: number }
}

/** The median, the 99th of a hundred and the longest time an address takes, asked again and again. */
async function times(
  path: string,
  headers: Record<string, string>,
  end: number,
  pause: number,
): Promise<number[]> {
  const took: number[] = []
  while (Date.now() < end) {
    const begun = performance.now()
    const answer = await fetch(`${server.address}${path}`, { headers })
    await answer.arrayBuffer()
    if (!answer.ok) throw new Error(`${path} answered ${answer.status}`)
    took.push(performance.now() - begun)
    await new Promise((done) => setTimeout(done, pause))
  }
  const sorted = took.sort((a, b) => a - b)
  return [0.5, 0.99, 1].map((part) =>
    Math.round(sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * part))] ?? 0),
  )
}
