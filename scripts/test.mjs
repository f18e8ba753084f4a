// @ts-check
// `npm test`: everything, on a database and ports of its own. The last line tells how many passed and failed.
import { chmodSync, existsSync, mkdtempSync, readFileSync, rmSync, statfsSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { buildApplication } from './lib/build-application.mjs'
import { runChecks } from './lib/checks.mjs'
import { chromiumPath } from './lib/chromium.mjs'
import { installDependencies } from './lib/dependencies.mjs'
import { PlainFailure } from './lib/plain-failure.mjs'
import { postgresPrograms } from './lib/postgres-programs.mjs'
import { root } from './lib/project.mjs'
import { runCommand } from './lib/run-command.mjs'

/** Names of tests that are asked for; without any it is all. */
const only = process.argv.slice(2)
const total = { passed: 0, failed: 0, tests: 0 }
/** @param {{ passed: number, failed: number }} counts */
const count = ({ passed, failed }) => {
  total.passed += passed
  total.failed += failed
}

/** Does one thing after the other, and counts it as one that failed where something cannot go on. @param {() => Promise<void>} steps */
async function inTurn(steps) {
  try {
    await steps()
  } catch (error) {
    console.error(error instanceof PlainFailure ? error.message : error)
    count({ passed: 0, failed: 1 })
  }
}

await inTurn(async () => {
  await Promise.all([installDependencies(), postgresPrograms().then(chromiumPath)])
  // Browser tests wait much of the time: all else has the machine then.
  await Promise.all([
    inTurn(async () => {
      await buildApplication()
      count(await runTests('e2e'))
    }),
    inTurn(async () => {
      count(await runChecks())
      count(await runTests('!e2e'))
    }),
  ])
  if (only.length > 0 && total.tests === 0)
    throw new PlainFailure(`No test file has ${only.join(' or ')} in its name.`)
})
console.log(`${total.passed} passed, ${total.failed} failed`)
process.exitCode = total.failed > 0 ? 1 : 0

/** Runs the tests of a project, or with "!" those of all others; a run that ends without a report has failed. @param {string} project */
async function runTests(project) {
  const folder = mkdtempSync(join(withMostRoom(), 'vivid-tests-'))
  // PostgreSQL's own user has to get in.
  chmodSync(folder, 0o755)
  const report = join(folder, 'report.json')
  const args = ['run', `--project=${project}`, '--reporter=default', '--reporter=json']
  const { code } = await runCommand(
    join(root, 'node_modules/.bin/vitest'),
    // What is asked for by name may be in the other run.
    [...args, `--outputFile.json=${report}`, ...(only.length > 0 ? ['--passWithNoTests', ...only] : [])],
    {
      cwd: root,
      env: { ...process.env, TMPDIR: folder },
      show: true,
    },
  )
  const {
    numPassedTests = 0,
    numFailedTests = 0,
    numFailedTestSuites = 0,
  } = existsSync(report) ? JSON.parse(readFileSync(report, 'utf8')) : {}
  rmSync(folder, { recursive: true, force: true })
  total.tests += numPassedTests + numFailedTests
  const reported = numFailedTests || numFailedTestSuites
  return { passed: numPassedTests, failed: code === 0 ? reported : Math.max(1, reported) }
}

/** Where tests put what they throw away: in memory where there is enough of it. Databases alone come to some gigabytes. */
function withMostRoom() {
  const inMemory = '/dev/shm'
  if (!existsSync(inMemory)) return tmpdir()
  const { bavail, bsize } = statfsSync(inMemory)
  return bavail * bsize > 8 * 2 ** 30 ? inMemory : tmpdir()
}
