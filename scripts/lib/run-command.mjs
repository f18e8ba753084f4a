// @ts-check
import { spawn } from 'node:child_process'

/**
 * @typedef {{ code: number, output: string }} Outcome
 * @typedef {import('node:child_process').SpawnOptions & { show?: boolean }} Options
 */

/**
 * Runs a program to its end and gathers what it printed; with `show`, prints it as well. Never rejects for a
 * program that fails: the caller reads `code` (127 where there is no such program).
 * @param {string} command @param {readonly string[]} args @param {Options} [options]
 * @returns {Promise<Outcome>}
 */
export function runCommand(command, args, { show = false, ...options } = {}) {
  return new Promise((resolve) => {
    const child = spawn(command, args, { stdio: ['ignore', 'pipe', 'pipe'], ...options })
    let output = ''
    /** @param {Buffer} chunk */
    const gather = (chunk) => {
      output += chunk
      if (show) process.stdout.write(chunk)
    }
    child.stdout?.on('data', gather)
    child.stderr?.on('data', gather)
    child.on('error', (error) => resolve({ code: 127, output: `${output}${error.message}` }))
    child.on('close', (code) => resolve({ code: code ?? 1, output }))
  })
}
