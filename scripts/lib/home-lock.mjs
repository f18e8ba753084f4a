// @ts-check
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { setTimeout as wait } from 'node:timers/promises'
import { PlainFailure } from './plain-failure.mjs'

const PATIENCE_MS = 6_000

/**
 * Keeps a home folder for one run: two would share a database cluster. A run that was killed holds nothing; one
 * that is just stopping is waited for.
 * @param {string} home
 */
export async function lockHome(home) {
  mkdirSync(home, { recursive: true })
  const file = join(home, 'running')
  const deadline = Date.now() + PATIENCE_MS
  for (let holder = runningProcess(file); holder !== undefined; holder = runningProcess(file)) {
    if (Date.now() > deadline) {
      throw new PlainFailure(
        `Vivid Meter already runs from ${home} (process ${holder}); stop that one first, or set VIVID_HOME to another folder.`,
      )
    }
    await wait(200)
  }
  writeFileSync(file, String(process.pid))
  return { release: () => rmSync(file, { force: true }) }
}

/** @param {string} file @returns {number | undefined} */
function runningProcess(file) {
  if (!existsSync(file)) return undefined
  const pid = Number(readFileSync(file, 'utf8'))
  if (!Number.isInteger(pid) || pid <= 1 || pid === process.pid) return undefined
  try {
    const state = readFileSync(`/proc/${pid}/stat`, 'utf8').replace(/^.*\)\s/, '')[0]
    return state !== 'Z' && readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('start.mjs')
      ? pid
      : undefined
  } catch {
    return undefined
  }
}
