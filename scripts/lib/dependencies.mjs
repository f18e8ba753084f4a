// @ts-check
import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { needSpace } from './free-space.mjs'
import { diskFull, PlainFailure } from './plain-failure.mjs'
import { hashOf, root } from './project.mjs'
import { runCommand } from './run-command.mjs'

const stamp = join(root, 'node_modules', '.installed-from')
const OLDEST_NODE = [20, 19]

/** Installs the packages of the lock file, unless exactly those are installed. */
export async function installDependencies() {
  refuseOldNode()
  const wanted = hashOf(['package-lock.json'])
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return
  needSpace(root, 900, 'installing the packages')
  console.log('Installing packages …')
  const npm = process.env.npm_execpath
  const args = ['ci', '--include=dev', '--no-progress', '--loglevel=error']
  const { code, output } = npm
    ? await runCommand(process.execPath, [npm, ...args], { cwd: root })
    : await runCommand('npm', args, { cwd: root })
  if (code !== 0) {
    throw (
      diskFull(output, root) ?? new PlainFailure(`The packages could not be installed: ${lastLine(output)}`)
    )
  }
  writeFileSync(stamp, wanted)
}

function refuseOldNode() {
  const [major = 0, minor = 0] = process.versions.node.split('.').map(Number)
  const [oldestMajor = 0, oldestMinor = 0] = OLDEST_NODE
  if (major > oldestMajor || (major === oldestMajor && minor >= oldestMinor)) return
  throw new PlainFailure(
    `Node.js ${process.versions.node} is too old; install Node.js ${OLDEST_NODE.join('.')} or newer.`,
  )
}

/** @param {string} output */
export const lastLine = (output) => output.trim().split('\n').at(-1)?.trim() || 'it gave no reason.'
