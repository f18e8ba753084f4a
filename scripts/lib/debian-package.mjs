// @ts-check
import { lastLine } from './dependencies.mjs'
import { diskFull, PlainFailure } from './plain-failure.mjs'
import { runCommand } from './run-command.mjs'

export const isRoot = process.getuid?.() === 0

const apt = { env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' } }

/**
 * Installs Debian packages as root; anyone else is told, in one line, what to run.
 * @param {readonly string[]} packages @param {string} what what they give, as a sentence begins
 */
export async function installDebianPackages(packages, what) {
  const command = `apt-get install -y ${packages.join(' ')}`
  if (!isRoot) throw new PlainFailure(`${what} is not installed. Run: sudo apt-get update && sudo ${command}`)
  console.log(`Installing ${packages.join(', ')} from Debian's packages …`)
  await runCommand('apt-get', ['update', '-qq'], apt)
  const { code, output } = await runCommand(
    'apt-get',
    ['install', '-y', '-qq', '--no-install-recommends', ...packages],
    apt,
  )
  if (code === 0) return
  throw (
    diskFull(output, '/') ??
    new PlainFailure(`${what} could not be installed by "${command}": ${lastLine(output)}`)
  )
}
