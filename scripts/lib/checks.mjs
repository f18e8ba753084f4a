// @ts-check
import { join } from 'node:path'
import { root } from './project.mjs'
import { runCommand } from './run-command.mjs'

/** @param {string} name */
const bin = (name) => join(root, 'node_modules/.bin', name)

/** The compiler that is a program of the machine's own: a quarter of the time. By path, as both have the name `tsc`. */
const nativeCompiler = join(root, 'node_modules/typescript-native/bin/tsc')

/** The longest first, so that none is waited for at the end. @type {readonly { name: string, command: string, args: string[] }[]} */
const checks = [
  { name: 'lint', command: bin('eslint'), args: ['.', '--max-warnings=0'] },
  // Vue's and the linter's need the compiler's older major, which can be asked from JavaScript.
  { name: 'types: desk', command: bin('vue-tsc'), args: ['-p', 'desk'] },
  { name: 'format', command: bin('prettier'), args: ['--check', '--log-level=warn', '.'] },
  { name: 'types: visitor', command: bin('vue-tsc'), args: ['-p', 'visitor'] },
  // What nothing uses: files, exports, packages.
  { name: 'unused', command: bin('knip'), args: ['--no-progress'] },
  ...[
    'core',
    'core/tsconfig.test.json',
    'contract',
    'contract/tsconfig.test.json',
    'worksheet',
    'server',
    'visitor/tsconfig.test.json',
    'e2e',
    'scripts',
  ].map((project) => ({
    name: `types: ${project}`,
    command: process.execPath,
    args: [nativeCompiler, '-p', project],
  })),
]

/** Runs every check, two at a time, and prints what fails. */
export async function runChecks() {
  const waiting = [...checks]
  let [passed, failed] = [0, 0]
  const work = async () => {
    for (let check = waiting.shift(); check; check = waiting.shift()) {
      const { code, output } = await runCommand(check.command, check.args, { cwd: root })
      if (code === 0) passed++
      else failed++
      console.log(`${code === 0 ? '✓' : '✗'} ${check.name}${code === 0 ? '' : `\n${output.trim()}`}`)
    }
  }
  await Promise.all([work(), work()])
  return { passed, failed }
}
