// @ts-check
import { spawn } from 'node:child_process'
import { mkdirSync, mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { brotliDecompressSync, gunzipSync } from 'node:zlib'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { built, isBuilt, stamp } from './build-application.mjs'
import { clusterFolder, makeOwned } from './cluster-folder.mjs'
import { lastLine } from './dependencies.mjs'
import { needSpace } from './free-space.mjs'
import { lockHome } from './home-lock.mjs'
import { packAssets } from './packed-assets.mjs'
import { diskFull, PlainFailure, runMain } from './plain-failure.mjs'
import { runCommand } from './run-command.mjs'
import { knownSecretsKey, savedSecret, savedSecretsKey } from './saved-secret.mjs'

let home = ''
beforeEach(() => {
  home = mkdtempSync(join(tmpdir(), 'vivid-scripts-'))
})
afterEach(() => {
  rmSync(home, { recursive: true, force: true })
  vi.restoreAllMocks()
  process.exitCode = undefined
})

test('a program is run to its end, with what it printed; one that fails or is not there is no exception', async () => {
  expect(await runCommand('sh', ['-c', 'echo out; echo err >&2; exit 3'])).toEqual({
    code: 3,
    output: expect.stringMatching(/out\n[^]*err\n|err\n[^]*out\n/),
  })
  expect(await runCommand('no-such-program-here', [])).toMatchObject({ code: 127 })
  expect(await runCommand('sh', ['-c', 'kill -9 $$'])).toMatchObject({ code: 1 })
})

test('what is built holds while each part of it is there, and its sources are the same', () => {
  for (const file of [stamp, ...built]) {
    mkdirSync(dirname(join(home, file)), { recursive: true })
    writeFileSync(join(home, file), 'sources')
  }
  expect([isBuilt(home, 'sources'), isBuilt(home, 'others')]).toEqual([true, false])
  for (const file of [stamp, ...built]) {
    rmSync(join(home, file))
    expect([file, isBuilt(home, 'sources')]).toEqual([file, false])
    writeFileSync(join(home, file), 'sources')
  }
})

test('a plain failure is one line and exit code 1; another keeps its stack', async () => {
  /** @type {unknown[]} */
  const said = []
  vi.spyOn(console, 'error').mockImplementation((what) => void said.push(what))
  await runMain(async () => {
    throw new PlainFailure('The port is taken.')
  })
  expect([said, process.exitCode]).toEqual([['The port is taken.'], 1])
  const ours = new Error('a bug')
  await runMain(async () => {
    throw ours
  })
  expect(said.at(-1)).toBe(ours)
})

test.each([
  ['npm error code ENOSPC', true],
  ['tar: No space left on device', true],
  ['Disk quota exceeded', true],
  ['network timeout', false],
])('%j says that the disk is full: %s', (output, isFull) => {
  expect(diskFull(output, '/home/x')?.message.includes('/home/x') ?? false).toBe(isFull)
})

test('room on the disk is asked for where the folder is, or will be', () => {
  expect(() => needSpace(join(home, 'not', 'there', 'yet'), 1, 'a test')).not.toThrow()
  expect(() => needSpace(home, 1e9, 'a test')).toThrow(
    /is full: \d+ MB are free and a test needs 1000000000 MB/,
  )
})

test.each([
  ['a\nb\n', 'b'],
  ['', 'it gave no reason.'],
  ['  \n ', 'it gave no reason.'],
])('the last line of %j', (output, line) => expect(lastLine(output)).toBe(line))

test('a home is kept for one run; one that was killed, or is another program, holds nothing', async () => {
  const lock = await lockHome(home)
  expect(readFileSync(join(home, 'running'), 'utf8')).toBe(String(process.pid))
  lock.release()
  const other = spawn('sleep', ['30'])
  writeFileSync(join(home, 'running'), String(other.pid))
  await (await lockHome(home)).release()
  other.kill('SIGKILL')
  for (const text of ['', 'x', '1', '99999999']) {
    writeFileSync(join(home, 'running'), text)
    await (await lockHome(home)).release()
  }
})

test('a home that another run holds is refused by its process, once that had its time to stop', async () => {
  const script = join(home, 'start.mjs')
  writeFileSync(script, 'setInterval(() => {}, 1000)')
  const other = spawn(process.execPath, [script])
  await new Promise((done) => other.once('spawn', done))
  writeFileSync(join(home, 'running'), String(other.pid))
  await vi.waitFor(() => expect(readFileSync(`/proc/${other.pid}/cmdline`, 'utf8')).toContain('start.mjs'))
  await expect(lockHome(home)).rejects.toThrow(new RegExp(`already runs from .*process ${other.pid}`))
  other.kill('SIGKILL')
})

test('a secret is made once, and its file is its owner’s alone', () => {
  expect(knownSecretsKey(home)).toBeUndefined()
  const key = savedSecretsKey(home)
  expect(Buffer.from(key, 'base64')).toHaveLength(32)
  expect([savedSecretsKey(home), knownSecretsKey(home)]).toEqual([key, key])
  expect(statSync(join(home, 'secrets-key')).mode & 0o777).toBe(0o600)
  expect(savedSecret(home, 'other', () => ' spaced \n')).toBe('spaced')
})

test('a cluster lies in the home, and stays where it was put', () => {
  const folder = clusterFolder(join(home, 'new'), {})
  expect(folder).toBe(join(home, 'new', 'postgres'))
  writeFileSync(join(home, 'new', 'postgres-folder'), '/elsewhere\n')
  expect(clusterFolder(join(home, 'new'), {})).toBe('/elsewhere')
  makeOwned(folder, {})
  expect(statSync(folder).mode & 0o777).toBe(0o700)
})

test('scripts and styles are packed, whatever folder they lie in, and nothing else is', async () => {
  mkdirSync(join(home, 'assets'))
  const text = 'const answer = 42\n'.repeat(100)
  writeFileSync(join(home, 'assets', 'a.js'), text)
  writeFileSync(join(home, 'b.css'), text)
  writeFileSync(join(home, 'c.png'), text)
  await packAssets(home)
  for (const file of [join(home, 'assets', 'a.js'), join(home, 'b.css')]) {
    expect(brotliDecompressSync(readFileSync(`${file}.br`)).toString()).toBe(text)
    expect(gunzipSync(readFileSync(`${file}.gz`)).toString()).toBe(text)
  }
  expect(() => statSync(join(home, 'c.png.br'))).toThrow('ENOENT')
})
