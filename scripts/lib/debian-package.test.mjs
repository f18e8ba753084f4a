// @ts-check
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { installDebianPackages, isRoot } from './debian-package.mjs'

let folder = ''
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'vivid-packages-'))
  vi.stubEnv('PATH', `${folder}:${process.env['PATH']}`)
  vi.spyOn(console, 'log').mockReturnValue()
})
afterEach(() => {
  vi.unstubAllEnvs()
  vi.restoreAllMocks()
  rmSync(folder, { recursive: true })
})
/** @param {string} script */
const aptGetIs = (script) => writeFileSync(join(folder, 'apt-get'), `#!/bin/sh\n${script}`, { mode: 0o755 })

/** As Debian's own: one at a time. */
const LOCKED = `mkdir "$0.lock" || { echo 'Unable to acquire the dpkg frontend lock'; exit 100; }
sleep 0.2
rmdir "$0.lock"`

test.runIf(isRoot)('what is asked for at once is installed one after the other', async () => {
  aptGetIs(LOCKED)
  const all = ['one', 'another', 'one'].map((name) => installDebianPackages([name], name))
  await expect(Promise.all(all)).resolves.toHaveLength(3)
})

test.runIf(isRoot)('one that fails says how, and the next goes on', async () => {
  aptGetIs('case "$*" in *none*) echo E: no such; exit 100;; esac')
  const none = installDebianPackages(['none'], 'A program')
  const some = installDebianPackages(['some'], 'Another')
  await expect(none).rejects.toThrow(
    'A program could not be installed by "apt-get install -y none": E: no such',
  )
  await expect(some).resolves.toBeUndefined()
})
