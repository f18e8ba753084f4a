import pino from 'pino'
import type { Sequelize } from 'sequelize'
import { afterAll, beforeAll, expect, inject, test } from 'vitest'
import { z, ZodError } from 'zod'
import { copiedDatabase } from '../../../../scripts/lib/scratch-server.mjs'
import { connect } from './connection'
import { jsonb, table } from './table'

const columns = {
  id: z.string(),
  boatName: z.string(),
  berths: z.number(),
  lastSeen: z.date().nullable(),
  papers: jsonb(z.object({ kind: z.string() }).nullable()),
  crew: z.array(z.string()).readonly(),
  tags: jsonb(z.array(z.string()).readonly()),
}
let database: Sequelize
const boats = () => table(database, 'boats', columns)
const raft = {
  id: 'raft',
  boatName: 'The Raft',
  berths: 2,
  papers: { kind: 'hull' },
  crew: ['a', 'b'],
  tags: ['c'],
}

beforeAll(async () => {
  database = connect(await copiedDatabase(inject('clusterUrl')), pino({ level: 'silent' }))
  await database.query(`CREATE TABLE boats (id text PRIMARY KEY, boat_name text NOT NULL, berths integer NOT NULL DEFAULT 1,
    last_seen timestamptz, papers jsonb, crew text[] NOT NULL DEFAULT '{}', tags jsonb NOT NULL DEFAULT '[]')`)
})
afterAll(() => database.close())

test('a row is kept and read as its schema says: JSON, lists, moments and nothing', async () => {
  const added = await boats().add(raft)
  expect(added).toEqual({ ...raft, lastSeen: null })
  const at = new Date('2026-11-27T10:00:00Z')
  expect(await boats().change({ lastSeen: at, papers: null, crew: [], tags: [] }, { id: 'raft' })).toBe(1)
  expect(await boats().first('WHERE id = :id', { id: 'raft' })).toEqual({
    ...raft,
    lastSeen: at,
    papers: null,
    crew: [],
    tags: [],
  })
  expect(await boats().pick(['boatName'], 'ORDER BY id')).toEqual([{ boatName: 'The Raft' }])
})

test('a key is taken once; what is asked for by value is compared, never pasted', async () => {
  expect(await boats().addUnlessTaken({ id: 'punt', boatName: "O'Punt :id $1 ?", berths: 1 })).toBe(true)
  expect(await boats().addUnlessTaken({ id: 'punt', boatName: 'Another', berths: 9 })).toBe(false)
  expect(await boats().count('WHERE boat_name = :name', { name: "O'Punt :id $1 ?" })).toBe(1)
  expect(await boats().change({ berths: 3 }, { boatName: "O'Punt :id $1 ?" })).toBe(1)
  expect(await boats().change({}, { id: 'punt' })).toBe(0)
  expect(await boats().remove({ id: 'punt', berths: 1 })).toBe(0)
  expect(await boats().remove({ id: 'punt', berths: 3 })).toBe(1)
  expect(await boats().first('WHERE id = :id', { id: 'punt' })).toBeUndefined()
})

test('a column that holds nothing is found by nothing; no condition is no statement', async () => {
  await boats().add({ ...raft, id: 'hulk', papers: null })
  expect(await boats().change({ berths: 8 }, { id: 'hulk', lastSeen: null, papers: null })).toBe(1)
  expect(await boats().remove({ id: 'hulk', lastSeen: new Date() })).toBe(0)
  await expect(boats().remove({})).rejects.toThrow('syntax error')
  await expect(boats().change({ berths: 9 }, {})).rejects.toThrow('syntax error')
  expect(await boats().remove({ id: 'hulk', berths: 8 })).toBe(1)
})

test('a row that is not what its schema says is a fault, not a value', async () => {
  await boats().add({ ...raft, id: 'wreck' })
  await database.query(`UPDATE boats SET papers = '{"kind": 7}' WHERE id = 'wreck'`)
  await expect(boats().first(`WHERE id = 'wreck'`)).rejects.toThrow(ZodError)
  expect(await boats().pick(['berths'], `WHERE id = 'wreck'`)).toEqual([{ berths: 2 }])
})

test('nothing is done where a transaction is not', async () => {
  await expect(
    database.transaction(async (transaction) => {
      await boats().add({ ...raft, id: 'skiff' }, transaction)
      expect(await boats().first(`WHERE id = 'skiff'`, {}, transaction)).toBeDefined()
      throw new Error('not today')
    }),
  ).rejects.toThrow('not today')
  expect(await boats().count(`WHERE id = 'skiff'`)).toBe(0)
})
