// @vitest-environment happy-dom
import { createPinia, setActivePinia } from 'pinia'
import { nextTick } from 'vue'
import { beforeEach, expect, test, vi } from 'vitest'
import type { Proof, ProofResult } from '@vivid/core'
import { CALCULATOR, deskServer, named, openedAs } from '../../testing/desk-server'
import { useDraft } from '../draft/draft-store'
import { useProofs } from './proofs-store'
import type { ProofsProgress, ProofsRequest } from './proofs-worker'

/** The threads that were begun; each is told what to say. */
const threads: FakeThread[] = []
class FakeThread {
  onmessage: ((event: { data: ProofsProgress }) => void) | undefined
  asked: ProofsRequest[] = []
  isEnded = false
  constructor() {
    threads.push(this)
  }
  postMessage(request: ProofsRequest): void {
    this.asked.push(request)
  }
  terminate(): void {
    this.isEnded = true
  }
  says(agreeing: readonly boolean[], of: number, run = this.asked.at(-1)?.run ?? 0): void {
    const results = agreeing.map((agrees, n): ProofResult => ({
      id: `p${n}`,
      name: `Proof ${n}`,
      agrees,
      lines: [],
      problems: [],
    }))
    this.onmessage?.({ data: { run, results, of } })
  }
}

const proof = (id: string): Proof => ({
  id,
  name: id,
  on: '2026-11-25',
  answers: {},
  expected: [{ of: 'the loan.payment', figure: '100', tolerance: '0' }],
})
beforeEach(async () => {
  threads.length = 0
  setActivePinia(createPinia())
  vi.stubGlobal('Worker', FakeThread)
  const document = named('Raft loan', { proofs: [proof('a'), proof('b')] })
  deskServer(({ path }) => ({ body: path === '/rate-sheets' ? [] : openedAs({ document }) }))
  await useDraft().open(CALCULATOR)
})

test('proofs run as soon as a draft is open; only when all have run and agree do all agree', () => {
  const proofs = useProofs()
  expect([proofs.running, proofs.of, proofs.allAgree]).toEqual([true, 2, false])
  threads[0]?.says([true], 2)
  expect([proofs.running, proofs.allAgree]).toEqual([true, false])
  threads[0]?.says([true, true], 2)
  expect([proofs.running, proofs.allAgree]).toEqual([false, true])
  threads[0]?.says([true, false], 2)
  expect([proofs.allAgree, proofs.differing.map(({ id }) => id)]).toEqual([false, ['p1']])
})

test('a change runs them anew, and what an earlier run still says is not believed', async () => {
  const proofs = useProofs()
  const draft = useDraft()
  draft.change(named('Punt loan', { proofs: draft.document?.proofs ?? [] }))
  await nextTick()
  expect(threads[0]?.asked.map(({ document }) => document.title['en-CA'])).toEqual(['Raft loan', 'Punt loan'])
  threads[0]?.says([false, false], 2, threads[0].asked[0]?.run)
  expect(proofs.results).toEqual([])
  threads[0]?.says([true, true], 2)
  expect(proofs.allAgree).toBe(true)
})

test('a run that is stopped ends its thread; what is known stays, and what is said too late is not heard', () => {
  const proofs = useProofs()
  threads[0]?.says([true], 2)
  const run = threads[0]?.asked.at(-1)?.run
  proofs.stop()
  expect([threads[0]?.isEnded, proofs.running]).toEqual([true, false])
  threads[0]?.says([false, false], 2, run)
  expect(proofs.results.map(({ agrees }) => agrees)).toEqual([true])
  proofs.start()
  expect([threads.length, proofs.running]).toEqual([2, true])
  proofs.dispose()
  expect(threads[1]?.isEnded).toBe(true)
})

test('a draft without proofs has none that differ, and none that run', async () => {
  const proofs = useProofs()
  threads[0]?.says([false, false], 2)
  useDraft().change(named('Raft loan', { proofs: [] }))
  await nextTick()
  expect([proofs.results, proofs.of, proofs.running, proofs.allAgree]).toEqual([[], 0, false, true])
})
