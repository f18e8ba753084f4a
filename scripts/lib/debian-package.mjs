// @ts-check
import { lastLine } from './dependencies.mjs'
import { diskFull, PlainFailure } from './plain-failure.mjs'
import { runCommand } from './run-command.mjs'

export const isRoot = process.getuid?.() === 0

const apt = () => ({ env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' } })
/** Somebody else's installation, such as the machine's own updates, is waited for. */
const WAITING = ['-o', 'DPkg::Lock::Timeout=600']

/** @type {Promise<unknown>} */
let others = Promise.resolve()

/**
 * Installs Debian packages as root; anyone else is told, in one line, what to run.
 * One installation at a time.
 * @param {readonly string[]} packages @param {string} what what they give, as a sentence begins
 * @returns {Promise<void>}
 */
export function installDebianPackages(packages, what) {
  const installed = others.then(() => install(packages, what))
  others = installed.catch(() => undefined)
  return installed
}

/** @param {readonly string[]} packages @param {string} what */
async function install(packages, what) {
  const command = `apt-get install -y ${packages.join(' ')}`
  if (!isRoot) throw new PlainFailure(`${what} is not installed. Run: sudo apt-get update && sudo ${command}`)
  console.log(`Installing ${packages.join(', ')} from Debian's packages …`)
  await runCommand('apt-get', ['update', '-qq'], apt())
  const { code, output } = await runCommand(
    'apt-get',
    [...WAITING, 'install', '-y', '-qq', '--no-install-recommends', ...packages],
    apt(),
  )
  if (code === 0) return
  throw (
    diskFull(output, '/') ??
    new PlainFailure(`${what} could not be installed by "${command}": ${lastLine(output)}`)
  )
}
