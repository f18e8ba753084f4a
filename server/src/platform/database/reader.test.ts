import pino from 'pino'
import { QueryTypes, type Sequelize } from 'sequelize'
import { afterAll, beforeAll, expect, inject, test } from 'vitest'
import type { RecordPage } from '@vivid/contract'
import { copiedDatabase } from '../../../../scripts/lib/scratch-server.mjs'
import { startReplica } from '../../../../scripts/lib/replica.mjs'
import { TestClient, testServer, type TestServer } from '../../testing/test-server'
import { connect } from './connection'
import { createReader, type Reader } from './reader'

const silent = pino({ level: 'silent' })
let replica: Awaited<ReturnType<typeof startReplica>>
let server: TestServer
let reader: Reader
let ines: TestClient
beforeAll(async () => {
  const url = await copiedDatabase(inject('clusterUrl'))
  replica = await startReplica(url)
  server = await testServer({ databaseUrl: url, replicas: [replica.url] })
  reader = createReader(server.database, [connect(replica.url, silent)], silent)
  ines = await new TestClient(server.address).signIn('ines')
})
afterAll(async () => {
  await reader.close()
  await server.close()
  await replica.stop()
})

const isReplica = async (database: Sequelize) => {
  const [row] = await database.query<{ replica: boolean }>('SELECT pg_is_in_recovery() AS replica', {
    type: QueryTypes.SELECT,
  })
  return row?.replica
}
const newest = async () => (await ines.ask<RecordPage>('GET', '/api/record')).body.entries[0]

test('reads that may be a moment old go to the replica, which follows what is written', async () => {
  expect(await reader.read(isReplica)).toBe(true)
  const made = await ines.make('Followed loan')
  await expect.poll(newest).toMatchObject({ act: 'calculatorMade', id: made.id })
})

test('a replica that stops sends reads back to the primary at once, and is asked again when it is back', async () => {
  await replica.pause()
  expect(await reader.read(isReplica)).toBe(false)
  const made = await ines.make('Unfollowed loan')
  expect(await newest()).toMatchObject({ act: 'calculatorMade', id: made.id })
  await replica.resume()
  await expect.poll(() => reader.read(isReplica), { interval: 500 }).toBe(true)
  await expect.poll(newest).toMatchObject({ id: made.id })
})

test('an error that is the question’s own is not asked of the replica twice', async () => {
  await expect(reader.read((database) => database.query('SELECT nothing FROM nowhere'))).rejects.toThrow(
    'nowhere',
  )
})
