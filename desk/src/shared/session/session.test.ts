import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, expect, test } from 'vitest'
import type { SessionState } from '@vivid/contract'
import { deskServer, INES } from '../../testing/desk-server'
import { useProof } from './proof-store'
import { useSession } from './session-store'

beforeEach(() => setActivePinia(createPinia()))

const nobody: SessionState = {
  person: null,
  second: [],
  mustSetUp: false,
  provider: null,
  problem: null,
  lender: 'Larkmoor Mutual',
  demoPeople: [],
}
const ines = { ...INES, email: 'ines@larkmoor.example', role: 'author' as const }

test('all that wait for a proof go on with one, and end without it', async () => {
  const proof = useProof()
  const [first, second] = [proof.prove(), proof.prove()]
  expect(proof.isAsked).toBe(true)
  proof.end(true)
  expect(await Promise.all([first, second])).toEqual([true, true])
  expect(proof.isAsked).toBe(false)
  const third = proof.prove()
  proof.end(false)
  expect(await third).toBe(false)
})

test('nobody may do anything until they are signed in, and then what their role may', async () => {
  const session = useSession()
  expect(session.can('edit')).toBe(false)
  deskServer(() => ({ body: { ...nobody, person: ines } }))
  await session.signIn('ines@larkmoor.example', 'ebb-and-flow')
  expect([session.can('edit'), session.can('approve'), session.can('keep')]).toEqual([true, false, false])
  session.forget()
  expect(session.person).toBeUndefined()
})

test('who is here is asked once, and again after it was forgotten', async () => {
  const { asked } = deskServer(() => ({ body: nobody }))
  const session = useSession()
  await session.load()
  await session.load()
  expect(asked).toHaveLength(1)
  session.forget()
  await session.load()
  expect(asked).toHaveLength(2)
})
