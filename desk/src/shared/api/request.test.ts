import { expect, test, vi } from 'vitest'
import { z } from 'zod'
import { deskServer, refusal } from '../../testing/desk-server'
import { onProofNeeded, onSignedOut, request } from './request'

const Boat = z.object({ name: z.string() })

test('what is asked goes as JSON, and what comes back is checked', async () => {
  const { asked } = deskServer(() => ({ body: { name: 'Raft' } }))
  expect(await request(Boat, 'POST', '/boats', { berths: 2 })).toEqual({ name: 'Raft' })
  expect(asked).toEqual([{ method: 'POST', path: '/boats', body: { berths: 2 } }])
  deskServer(() => ({ body: { name: 7 } }))
  await expect(request(Boat, 'GET', '/boats')).rejects.toThrow(z.ZodError)
})

test('a refusal is an error with its code and its sentence; one that cannot be read says so', async () => {
  deskServer(() => refusal(422, 'SHEET_INVALID', 'Row 2 is there twice.', { field: 'rows.1' }))
  await expect(request(Boat, 'GET', '/boats')).rejects.toMatchObject({
    code: 'SHEET_INVALID',
    message: 'Row 2 is there twice.',
  })
  vi.stubGlobal('fetch', async () => new Response('<h1>Bad gateway</h1>', { status: 502 }))
  await expect(request(Boat, 'GET', '/boats')).rejects.toMatchObject({ code: 'UNREADABLE' })
  deskServer(() => 'offline')
  await expect(request(Boat, 'GET', '/boats')).rejects.toMatchObject({ code: 'OFFLINE' })
})

test('whoever is not signed in any more is told once, and the work ends', async () => {
  const told = vi.fn()
  onSignedOut(told)
  deskServer(() => refusal(401, 'NOT_SIGNED_IN', 'Sign in first.'))
  await expect(request(Boat, 'GET', '/boats')).rejects.toMatchObject({ code: 'NOT_SIGNED_IN' })
  expect(told).toHaveBeenCalledTimes(1)
})

test('where a proof is asked for, it is given and the same is asked again; without one it is refused', async () => {
  let isProved = false
  const { asked } = deskServer(() =>
    isProved ? { body: { name: 'Raft' } } : refusal(403, 'PROOF_NEEDED', 'Prove who you are.'),
  )
  onProofNeeded(async () => (isProved = true))
  expect(await request(Boat, 'POST', '/boats', { live: true })).toEqual({ name: 'Raft' })
  expect(asked.map(({ body }) => body)).toEqual([{ live: true }, { live: true }])
  isProved = false
  onProofNeeded(async () => false)
  await expect(request(Boat, 'POST', '/boats')).rejects.toMatchObject({ code: 'PROOF_NEEDED' })
})
