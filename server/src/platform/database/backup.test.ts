import { execFile } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { promisify } from 'node:util'
import { afterAll, beforeAll, expect, inject, test } from 'vitest'
import { postgresPrograms } from '../../../../scripts/lib/postgres-programs.mjs'
import { emptyDatabase } from '../../../../scripts/lib/scratch-server.mjs'
import { createRecordStore } from '../../team/record/record-store'
import { TestClient, testServer, type TestServer } from '../../testing/test-server'

const run = promisify(execFile)
const folder = mkdtempSync(join(tmpdir(), 'vivid-backup-'))
let server: TestServer
beforeAll(async () => {
  server = await testServer()
})
afterAll(async () => {
  await server.close()
  rmSync(folder, { recursive: true })
})

test('a backup as docs/running.md makes it comes back: visitors get the same, people sign in, the record holds', async () => {
  const programs = await postgresPrograms()
  const dump = join(folder, 'vivid.dump')
  await run(join(programs, 'pg_dump'), ['--format=custom', `--file=${dump}`, server.databaseUrl])
  const url = await emptyDatabase(inject('clusterUrl'))
  await run(join(programs, 'pg_restore'), ['--exit-on-error', `--dbname=${url}`, dump])

  const restored = await testServer({ databaseUrl: url })
  const visit = async (address: string) =>
    (await new TestClient(address).ask('GET', '/api/public/calculators/liveaboard-mortgage-insured')).body
  expect(await visit(restored.address)).toEqual(await visit(server.address))
  expect(await createRecordStore(restored.database).verify()).toEqual(
    await createRecordStore(server.database).verify(),
  )
  const ines = await new TestClient(restored.address).signIn('ines')
  expect((await ines.ask<unknown[]>('GET', '/api/calculators')).body.length).toBeGreaterThan(15)
  // What the database refuses to change it refuses after a restore too.
  await expect(restored.database.query(`UPDATE record SET person = 'somebody else'`)).rejects.toThrow(
    'only ever added to',
  )
  await expect(restored.database.query(`DELETE FROM sheet_editions`)).rejects.toThrow('never changes')
  await restored.close()
})
