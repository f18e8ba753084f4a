// @ts-check
import { chmodSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { clusterFolder, clusterOwner, makeOwned } from './cluster-folder.mjs'
import { startCluster } from './cluster.mjs'
import { PlainFailure } from './plain-failure.mjs'
import { lastLine } from './dependencies.mjs'
import { postgresPrograms } from './postgres-programs.mjs'
import { runCommand } from './run-command.mjs'

/**
 * A streaming replica of a server on this machine, in a temporary folder: what follows a primary in earnest, for tests.
 * @param {string} primaryUrl
 */
export async function startReplica(primaryUrl) {
  const { port, username, password, pathname } = new URL(primaryUrl)
  const home = mkdtempSync(join(tmpdir(), 'vivid-replica-'))
  chmodSync(home, 0o755)
  const owner = clusterOwner()
  writeFileSync(join(home, 'postgres-password'), decodeURIComponent(password), { mode: 0o600 })
  const data = clusterFolder(home, owner)
  makeOwned(data, owner)
  const { code, output } = await runCommand(
    join(await postgresPrograms(), 'pg_basebackup'),
    ['-h', '127.0.0.1', '-p', port, '-U', username, '-D', data, '-R', '-X', 'stream', '-c', 'fast'],
    { ...owner, cwd: '/', env: { ...process.env, PGPASSWORD: decodeURIComponent(password) } },
  )
  if (code !== 0) throw new PlainFailure(`The replica could not be made: ${lastLine(output)}`)
  let running = await startCluster(home, { standby: true })
  return {
    url: running.url.replace(/\/vivid$/, pathname),
    pause: () => running.stop(),
    resume: async () => {
      running = await startCluster(home, { standby: true })
    },
    stop: async () => {
      await running.stop()
      rmSync(home, { recursive: true, force: true })
    },
  }
}
