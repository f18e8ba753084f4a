// @ts-check
import { createHash } from 'node:crypto'
import { chownSync, existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { spawnSync } from 'node:child_process'
import { isRoot } from './debian-package.mjs'
import { PlainFailure } from './plain-failure.mjs'

/**
 * @typedef {{ uid?: number, gid?: number }} Owner who PostgreSQL runs as; empty: whoever runs us
 */

/** PostgreSQL refuses to run as root; it then runs as the user its Debian package made. @returns {Owner} */
export function clusterOwner() {
  if (!isRoot) return {}
  const [line] = readFileSync('/etc/passwd', 'utf8').match(/^postgres:.*$/m) ?? []
  if (!line)
    throw new PlainFailure(
      'PostgreSQL does not run as root, and there is no user postgres. Run: adduser --system --group postgres',
    )
  const [, , uid, gid] = line.split(':')
  return { uid: Number(uid), gid: Number(gid) }
}

/**
 * Where the cluster lies: in the home folder, or, where its owner cannot reach that (a clone below /root, say),
 * in a folder of /var/lib that belongs to this home alone. Once chosen it stays.
 * @param {string} home @param {Owner} owner
 */
export function clusterFolder(home, owner) {
  mkdirSync(home, { recursive: true })
  const note = join(home, 'postgres-folder')
  if (existsSync(note)) return readFileSync(note, 'utf8').trim()
  const inHome = join(home, 'postgres')
  const folder = canReach(home, owner) ? inHome : join('/var/lib/vivid-meter', hashOfPath(home), 'postgres')
  if (folder !== inHome) mkdirSync(join(folder, '..'), { recursive: true, mode: 0o755 })
  writeFileSync(note, `${folder}\n`)
  return folder
}

/**
 * Makes a folder that belongs to the cluster's owner.
 * @param {string} folder @param {Owner} owner
 */
export function makeOwned(folder, { uid, gid }) {
  mkdirSync(folder, { mode: 0o700 })
  if (uid !== undefined && gid !== undefined) chownSync(folder, uid, gid)
}

/** @param {string} folder @param {Owner} owner */
const canReach = (folder, owner) => spawnSync('test', ['-x', folder], { ...owner, cwd: '/' }).status === 0

/** @param {string} path */
const hashOfPath = (path) => createHash('sha256').update(path).digest('hex').slice(0, 12)
