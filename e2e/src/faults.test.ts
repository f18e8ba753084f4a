import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { copiedDatabase, demoCluster, serverProcess } from '../../scripts/lib/scratch-server.mjs'
import { launchChromium } from '../../scripts/lib/chromium.mjs'
import { eventually, expectText, fill, goTo, press, reload } from './support/application'

/** What goes wrong in earnest: real servers that are killed, a real database that is stopped. */
let cluster: Awaited<ReturnType<typeof demoCluster>>
beforeAll(async () => {
  cluster = await demoCluster()
})
afterAll(() => cluster.stop())

interface Answer {
  readonly status: number
  readonly body: Record<string, unknown>
}

/** Somebody who talks to server processes, and keeps talking when one is gone. */
class Person {
  private cookie = ''
  constructor(private readonly name: string) {}

  async ask(address: string, method: string, path: string, body?: object): Promise<Answer> {
    const response = await fetch(`${address}${path}`, {
      method,
      headers: { 'content-type': 'application/json', cookie: this.cookie },
      ...(body ? { body: JSON.stringify(body) } : {}),
    })
    this.cookie = response.headers.get('set-cookie')?.split(';')[0] ?? this.cookie
    return { status: response.status, body: (await response.json()) as Record<string, unknown> }
  }
  async signIn(address: string): Promise<this> {
    const email = `${this.name}@larkmoor.example`
    expect(
      (await this.ask(address, 'POST', '/api/session', { email, password: 'ebb-and-flow' })).status,
    ).toBe(201)
    return this
  }
  async make(
    address: string,
    title: string,
  ): Promise<{ id: string; slug: string; revision: number; document: Doc }> {
    const made = await this.ask(address, 'POST', '/api/calculators', {
      from: 'starter',
      starter: 'personal-loan',
      title,
    })
    return made.body as never
  }
}
/** All that has to be ticked before something goes live. */
const checklistOf = async (person: Person, address: string): Promise<unknown> =>
  (await person.ask(address, 'GET', '/api/checklist')).body.items
interface Doc {
  readonly title: Readonly<Record<string, string>>
}

test('the database is away for ten seconds under load: visitors notice nothing, the desk says so and saves afterwards', async ({
  onTestFinished,
}) => {
  const server = await serverProcess(cluster.url)
  onTestFinished(() => server.kill())
  const browser = await launchChromium()
  onTestFinished(() => browser.close())
  const page = await browser.newPage()
  await goTo(page, `${server.address}/desk`)
  await press(page, '.demo button ::-p-text(Ines)')
  await press(page, 'button[type=submit]')
  await press(page, '::-p-text(Tidewater teahouse loan)')
  await page.waitForSelector('#line-page')
  await press(page, '#line-page')

  const failures: string[] = []
  let served = 0
  let isOver = false
  const visit = async () => {
    while (!isOver) {
      const path = '/api/public/calculators/floating-home-mortgage'
      for (const [address, init] of [
        ['/c/floating-home-mortgage', {}],
        [path, {}],
        [
          `${path}/evaluate`,
          { method: 'POST', headers: { 'content-type': 'application/json' }, body: '{"answers":{}}' },
        ],
      ] as const) {
        const status = await fetch(`${server.address}${address}`, init).then(
          (response) => response.status,
          (error: unknown) => String(error),
        )
        served++
        if (status !== 200) failures.push(`${address}: ${status}`)
      }
      // As fast as one address may ask without a key.
      await new Promise((done) => setTimeout(done, 250))
    }
  }
  const load = visit()
  await cluster.pause()
  const stopped = Date.now()
  await fill(page, '#page-title', 'Tidewater teahouse loan, in the dark')
  await expectText(page, '.note', 'The database cannot be reached')
  expect((await fetch(`${server.address}/readyz`)).status).toBe(503)
  expect((await fetch(`${server.address}/healthz`)).status).toBe(200)
  await new Promise((done) => setTimeout(done, Math.max(0, 10_000 - (Date.now() - stopped))))
  await cluster.resume()
  await expectText(page, '.note', 'Draft saved')
  isOver = true
  await load
  expect(failures).toEqual([])
  // How many is the machine's matter: some, all through.
  expect(served).toBeGreaterThan(9)
  await reload(page)
  await expectText(page, 'h1', 'Tidewater teahouse loan, in the dark')
})

describe('a server that is killed', () => {
  test('during saves loses nothing it said was saved', async () => {
    const url = await copiedDatabase(cluster.url)
    let server = await serverProcess(url)
    const ines = await new Person('ines').signIn(server.address)
    const made = await ines.make(server.address, 'Killed loan')
    let acknowledged = { revision: made.revision, title: 'Killed loan' }
    const saving = (async () => {
      for (let n = 1; ; n++) {
        const title = `Killed loan, ${n}`
        const document = { ...made.document, title: { ...made.document.title, 'en-CA': title } }
        const answer = await ines
          .ask(server.address, 'PUT', `/api/calculators/${made.id}/draft`, {
            revision: acknowledged.revision,
            document,
          })
          .catch(() => undefined)
        if (!answer) return { title }
        acknowledged = { revision: Number(answer.body.revision), title }
      }
    })()
    await eventually(
      () => Promise.resolve(acknowledged.revision > 5),
      () => `it was saved ${acknowledged.revision} times`,
    )
    await server.kill()
    const inFlight = await saving

    server = await serverProcess(url)
    const now = await ines.ask(server.address, 'GET', `/api/calculators/${made.id}`)
    const title = (now.body.document as Doc).title['en-CA']
    expect([
      [acknowledged.revision, acknowledged.title],
      [acknowledged.revision + 1, inFlight.title],
    ]).toContainEqual([now.body.revision, title])
    await server.kill()
  })

  test('during publishing leaves nothing half live: an edition with its entry on record, or neither', async () => {
    const url = await copiedDatabase(cluster.url)
    let server = await serverProcess(url)
    const [ines, odile] = [
      await new Person('ines').signIn(server.address),
      await new Person('odile').signIn(server.address),
    ]
    const checked = await checklistOf(odile, server.address)
    const all: { id: string; slug: string; revision: number }[] = []
    for (let n = 0; n < 8; n++) {
      const { id, slug, revision } = await ines.make(server.address, `Half loan ${n}`)
      await ines.ask(server.address, 'POST', `/api/calculators/${id}/send`, { revision })
      all.push({ id, slug, revision })
    }
    const approving = all.map(({ id, revision }) =>
      odile.ask(server.address, 'POST', `/api/calculators/${id}/approve`, { revision, checked }).then(
        ({ status }) => status,
        () => 0,
      ),
    )
    await Promise.race(approving)
    await server.kill()
    const said = await Promise.all(approving)

    server = await serverProcess(url)
    for (const [i, { id, slug }] of all.entries()) {
      const { body } = await odile.ask(server.address, 'GET', `/api/calculators/${id}`)
      const record = await odile.ask(server.address, 'GET', `/api/record?id=${id}&act=published`)
      const isLive = body.liveEdition === 1
      expect([slug, (body.editions as unknown[]).length]).toEqual([slug, isLive ? 1 : 0])
      expect([slug, (record.body.entries as unknown[]).length]).toEqual([slug, isLive ? 1 : 0])
      expect([slug, (await fetch(`${server.address}/c/${slug}`)).status]).toEqual([slug, isLive ? 200 : 404])
      if (said[i] === 200) expect(isLive).toBe(true)
    }
    expect(said.some((status) => status === 200)).toBe(true)
    await server.kill()
  })

  test('or down while the time of an edition comes puts it live when it starts', async () => {
    const url = await copiedDatabase(cluster.url)
    let server = await serverProcess(url)
    const [ines, odile] = [
      await new Person('ines').signIn(server.address),
      await new Person('odile').signIn(server.address),
    ]
    const { id, slug, revision } = await ines.make(server.address, 'Overslept loan')
    await ines.ask(server.address, 'POST', `/api/calculators/${id}/send`, { revision })
    const at = new Date(Date.now() + 2_000)
    const approved = await odile.ask(server.address, 'POST', `/api/calculators/${id}/approve`, {
      revision,
      at: at.toISOString(),
      checked: await checklistOf(odile, server.address),
    })
    expect(approved.body.scheduled).toMatchObject({ number: 1 })
    await server.kill()
    await new Promise((done) => setTimeout(done, at.getTime() - Date.now() + 100))
    server = await serverProcess(url)
    expect((await fetch(`${server.address}/c/${slug}`)).status).toBe(200)
    await server.kill()
  })
})

test('two server processes: of two who publish at once one wins and the other is told; both serve it within a second', async () => {
  const url = await copiedDatabase(cluster.url)
  const [one, two] = [await serverProcess(url), await serverProcess(url)]
  const ines = await new Person('ines').signIn(one.address)
  // A session that began at one process is known to the other.
  const odile = await new Person('odile').signIn(one.address)
  const kofi = await new Person('kofi').signIn(two.address)
  const checked = await checklistOf(odile, one.address)
  const { id, slug, revision } = await ines.make(two.address, 'Contested loan')
  await ines.ask(one.address, 'POST', `/api/calculators/${id}/send`, { revision })
  const answers = await Promise.all([
    odile.ask(one.address, 'POST', `/api/calculators/${id}/approve`, { revision, checked }),
    kofi.ask(two.address, 'POST', `/api/calculators/${id}/approve`, { revision, checked }),
  ])
  expect(answers.map(({ status }) => status).sort()).toEqual([200, 409])
  for (const { address } of [one, two]) {
    let asked = 0
    await eventually(
      async () => ++asked > 0 && (await fetch(`${address}/c/${slug}`)).status === 200,
      () => `${address} does not serve it`,
    )
    // That is within a second, where nothing else keeps the machine busy.
    expect(asked).toBeLessThanOrEqual(12)
  }
  expect((await odile.ask(two.address, 'GET', `/api/calculators/${id}`)).body.editions).toHaveLength(1)
  await Promise.all([one.kill(), two.kill()])
})

test('one process after the other is replaced by a new one: no visitor and nobody who saves notices', async () => {
  const url = await copiedDatabase(cluster.url)
  let running = [await serverProcess(url), await serverProcess(url)]
  /** As a balancer does: the next process where one takes no connection any more. What was taken has to be answered. */
  async function balanced<Result>(ask: (address: string) => Promise<Result>): Promise<Result> {
    for (let tries = 0; ; tries++) {
      const at = running[tries % running.length]
      try {
        return await ask(at?.address ?? '')
      } catch (error) {
        const { code } = ((error as Error).cause ?? {}) as { code?: string }
        if (code !== 'ECONNREFUSED' || tries > 10) throw error
      }
    }
  }
  const ines = await new Person('ines').signIn(running[0]?.address ?? '')
  const { id, revision, document } = await ines.make(running[0]?.address ?? '', 'Kept while upgrading')

  let isOver = false
  let [visits, last] = [0, revision]
  const faults: string[] = []
  const visiting = Array.from({ length: 4 }, async () => {
    while (!isOver) {
      const status = await balanced(async (address) => {
        const response = await fetch(`${address}/c/floating-home-mortgage`, {
          headers: { connection: 'close' },
        })
        await response.arrayBuffer()
        return response.status
      }).catch((error: unknown) => String((error as Error).cause ?? error))
      visits++
      if (status !== 200) faults.push(`a visit: ${status}`)
    }
  })
  const saving = (async () => {
    while (!isOver) {
      const title = { ...document.title, 'en-CA': `Kept while upgrading, ${last}` }
      const body = { revision: last, document: { ...document, title } }
      const saved = await balanced((address) =>
        ines.ask(address, 'PUT', `/api/calculators/${id}/draft`, body),
      ).catch(
        (error: unknown) =>
          ({ status: 0, body: { what: String((error as Error).cause ?? error) } }) as Answer,
      )
      if (saved.status === 200) last = Number(saved.body.revision)
      else faults.push(`a save: ${saved.status} ${JSON.stringify(saved.body).slice(0, 200)}`)
      await new Promise((done) => setTimeout(done, 120))
    }
  })()
  for (const old of [...running]) {
    const next = await serverProcess(url)
    running = [next, ...running.filter((one) => one !== old)]
    await old.kill('SIGTERM')
  }
  isOver = true
  await Promise.all([...visiting, saving])
  expect(faults).toEqual([])
  expect(visits).toBeGreaterThan(50)
  expect(last).toBeGreaterThan(revision + 5)
  const kept = await ines.ask(running[0]?.address ?? '', 'GET', `/api/calculators/${id}`)
  expect(kept.body.revision).toBe(last)
  await Promise.all(running.map((one) => one.kill()))
})
