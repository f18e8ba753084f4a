import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, onTestFinished, test } from 'vitest'
import type { Problems, TellBroken } from './broken-steps'
import { createThreadedWork, createWork, type Run } from './pool'
import type { Done, ForWhom, Outcome } from './task'

interface Raft {
  readonly draft: string
}
type Tasks = { readonly [Name in 'card' | 'check']: (raft: Raft) => Promise<Done<unknown>> }

const done = (broken: Problems = []): Outcome => ({ ok: true, done: { result: null, broken } })
const around: Raft = { draft: 'raft' }
const somebody: ForWhom = { who: 'somebody', what: 'draft raft' }
/** Both done in one line, one at a time. */
const workOf = (tell: TellBroken, run: Run) =>
  createWork<Tasks>(
    { card: { seconds: 5, awaitedBy: 'desk' }, check: { seconds: 30, awaitedBy: 'desk' } },
    tell,
    { visitors: run, desk: run },
    { visitors: 1, desk: 1 },
  )
const never: Run = (_task, signal) =>
  new Promise((_, reject) =>
    signal.addEventListener('abort', () => reject(new Error('the thread was ended'))),
  )

test('what takes too long is stopped, and says so; whoever waits behind it gets their turn', async () => {
  let begun = 0
  const first: Run = (task, signal) => (++begun === 1 ? never(task, signal) : Promise.resolve(done()))
  const work = workOf(() => undefined, first)
  const slow = work.do.card(around, somebody)
  const next = work.do.card(around, { ...somebody, who: 'somebody else' })
  await expect(slow).rejects.toMatchObject({
    code: 'WORK_STOPPED',
    message: expect.stringContaining('5 seconds'),
  })
  expect(await next).toBeNull()
})

test('what nobody waits for any more is not begun', async () => {
  const began: string[] = []
  let release = () => undefined as void
  const held: Run = ({ name }) => {
    began.push(name)
    return new Promise((resolve) => (release = () => resolve(done())))
  }
  const work = workOf(() => undefined, held)
  const gone = new AbortController()
  const first = work.do.card(around, somebody)
  const second = work.do.card(around, { ...somebody, signal: gone.signal })
  gone.abort()
  release()
  await first
  await expect(second).rejects.toMatchObject({ code: 'WORK_STOPPED' })
  expect(began).toEqual(['card'])
})

test('a thread without memory left is a refusal; another fault of ours stays one', async () => {
  const failing =
    (error: Error): Run =>
    () =>
      Promise.reject(error)
  const withCode = Object.assign(new Error('heap'), { code: 'ERR_WORKER_OUT_OF_MEMORY' })
  const work = (run: Run) => workOf(() => undefined, run).do.card(around, somebody)
  await expect(work(failing(withCode))).rejects.toMatchObject({ code: 'WORK_STOPPED' })
  await expect(work(failing(new RangeError('ours')))).rejects.toThrow(RangeError)
})

test('too much of one is refused with a time to come again; a refusal and what was broken come out of the thread', async () => {
  const told: string[] = []
  const work = workOf((what) => void told.push(what), never)
  const all = Array.from({ length: 40 }, () =>
    work.do.check(around, somebody).catch((error: unknown) => error),
  )
  const refused = (await Promise.race(all)) as { code: string; extras: { headers: object } }
  expect([refused.code, refused.extras.headers]).toEqual(['TOO_MANY_REQUESTS', { 'retry-after': '3' }])

  const refusing: Run = async () => ({ ok: false, code: 'PROOFS_DIFFER', extras: { details: { what: 'x' } } })
  await expect(workOf(() => undefined, refusing).do.check(around, somebody)).rejects.toMatchObject({
    code: 'PROOFS_DIFFER',
  })
  const broken: Problems = [
    { code: 'STEP_STOPPED', field: 'a', stop: { code: 'BROKEN', reason: 'a promise' } },
  ]
  await workOf(
    (what, { problems }) => void told.push(`${what} ${problems.length}`),
    async () => done(broken),
  ).do.card(around, somebody)
  expect(told).toEqual(['draft raft 1'])
})

test('a thread takes its module by import: one taken by require aborts the process that ends meanwhile', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'vivid-thread-'))
  onTestFinished(() => rmSync(folder, { recursive: true }))
  const worker = join(folder, 'worker.mjs')
  writeFileSync(
    worker,
    'const taken = new Error().stack\nexport default () => ({ ok: true, done: { result: taken, broken: [] } })\n',
  )
  const work = createThreadedWork<Tasks>(
    { card: { seconds: 5, awaitedBy: 'desk' }, check: { seconds: 30, awaitedBy: 'desk' } },
    worker,
    () => undefined,
  )
  onTestFinished(() => work.close())
  const stack = await work.do.card(around, somebody)
  expect(stack).toContain('worker.mjs')
  expect(stack).not.toMatch(/require/i)
})
