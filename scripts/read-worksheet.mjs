// @ts-check
// `npm run -s read-worksheet -- FILE [--answers JSON] [--as worksheet|ledger]`: what is read of a worksheet, as JSON.
import { readFileSync } from 'node:fs'
import { basename } from 'node:path'
import { parseArgs } from 'node:util'
import { Worker } from 'node:worker_threads'
import { buildWorksheetThread } from './lib/build-worksheet-thread.mjs'
import { installDependencies } from './lib/dependencies.mjs'
import { PlainFailure } from './lib/plain-failure.mjs'
import { limitWork } from './lib/work-limit.mjs'

/** The most a file may take, of the processor, the clock and the memory: honest ones take a tenth of it. */
const MOST_TIME = { mostCpuMs: 5_000, mostMs: 60_000 }
const MOST_MB = 1_024

try {
  // What is said on the way is no part of the JSON.
  console.log = console.error
  await installDependencies()
  const report = await read(askedFor(process.argv.slice(2)))
  process.stdout.write(`${JSON.stringify(report)}\n`)
} catch (error) {
  console.error(error instanceof PlainFailure ? error.message : error)
  process.exitCode = 2
}

/** @param {string[]} args */
function askedFor(args) {
  const options = /** @type {const} */ ({
    answers: { type: 'string' },
    as: { type: 'string', default: 'worksheet' },
  })
  const { values, positionals } = plainly('The options are --answers JSON and --as worksheet|ledger.', () =>
    parseArgs({ args, options, allowPositionals: true }),
  )
  const [file] = positionals
  if (file === undefined || positionals.length > 1)
    throw new PlainFailure('Say which file: npm run -s read-worksheet -- FILE')
  if (values.as !== 'worksheet' && values.as !== 'ledger')
    throw new PlainFailure(`A draft is made --as worksheet or --as ledger, not “${values.as}”.`)
  return {
    bytes: plainly(`The file ${file} cannot be read.`, () => readFileSync(file)),
    as: values.as,
    title: basename(file).replace(/\.xlsx$/i, ''),
    answers: answersIn(values.answers),
  }
}

/** Values of cells by their names: {"Loan!B3":187500}. @param {string | undefined} json */
function answersIn(json) {
  const form = 'Answers are JSON like {"Loan!B3":187500}.'
  const answers = json === undefined ? {} : plainly(form, () => JSON.parse(json))
  const isAnswer = (/** @type {unknown} */ value) => ['number', 'string', 'boolean'].includes(typeof value)
  if (typeof answers !== 'object' || answers === null || !Object.values(answers).every(isAnswer))
    throw new PlainFailure(form)
  return answers
}

/** @template T @param {string} otherwise @param {() => T} act */
function plainly(otherwise, act) {
  try {
    return act()
  } catch {
    throw new PlainFailure(otherwise)
  }
}

/** Reads in a thread, which is ended where that takes too long or too much. @param {ReturnType<typeof askedFor>} asked */
async function read(asked) {
  const worker = new Worker(await buildWorksheetThread(), {
    workerData: asked,
    resourceLimits: { maxOldGenerationSizeMb: MOST_MB },
  })
  const tooMuch = new PlainFailure('This worksheet takes too much to read.')
  let endLimit = () => {}
  try {
    return await new Promise((resolve, reject) => {
      endLimit = limitWork(MOST_TIME, () => reject(tooMuch))
      worker.once('message', ({ report, refused }) =>
        refused ? reject(new PlainFailure(refused)) : resolve(report),
      )
      worker.once('error', (error) =>
        reject('code' in error && error.code === 'ERR_WORKER_OUT_OF_MEMORY' ? tooMuch : error),
      )
    })
  } finally {
    endLimit()
    await worker.terminate()
  }
}
