// @ts-check
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { installDebianPackages, isRoot } from './debian-package.mjs'
import { PlainFailure } from './plain-failure.mjs'

const DEBIAN_FOLDER = '/usr/lib/postgresql'
const CLUSTER_SETTINGS = '/etc/postgresql-common/createcluster.conf'

/** The folder of PostgreSQL's own programs (initdb, postgres, pg_ctl), installed first where there is none. */
export async function postgresPrograms() {
  const found = findPrograms()
  if (found) return found
  if (isRoot) await keepDebianFromMakingCluster()
  await installDebianPackages(['postgresql'], 'PostgreSQL')
  const installed = findPrograms()
  if (installed) return installed
  throw new PlainFailure(`PostgreSQL was installed, but its programs are not in ${DEBIAN_FOLDER}.`)
}

/** Debian's package would make and start a cluster of its own; only ours is wanted. */
async function keepDebianFromMakingCluster() {
  await installDebianPackages(['postgresql-common'], 'PostgreSQL')
  if (!existsSync(CLUSTER_SETTINGS)) return
  const settings = readFileSync(CLUSTER_SETTINGS, 'utf8')
  const without = settings.replace(/^#?\s*create_main_cluster\s*=.*$/m, 'create_main_cluster = false')
  writeFileSync(CLUSTER_SETTINGS, without)
}

function findPrograms() {
  const versions = existsSync(DEBIAN_FOLDER) ? readdirSync(DEBIAN_FOLDER) : []
  const debian = versions
    .sort((a, b) => Number(b) - Number(a))
    .map((version) => join(DEBIAN_FOLDER, version, 'bin'))
  const onPath = (process.env.PATH ?? '').split(':')
  return [...debian, ...onPath].find(
    (folder) => folder && existsSync(join(folder, 'initdb')) && existsSync(join(folder, 'postgres')),
  )
}
