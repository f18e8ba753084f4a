// @ts-check

/** A failure that one line explains to the person at the terminal: what is wrong, and what to do. */
export class PlainFailure extends Error {}

/**
 * Runs `main`; a plain failure becomes one line and exit code 1, anything else keeps its stack.
 * @param {() => Promise<void>} main
 */
export async function runMain(main) {
  try {
    await main()
  } catch (error) {
    console.error(error instanceof PlainFailure ? error.message : error)
    process.exitCode = 1
  }
}

/**
 * The failure in a program's output, if it is that the disk is full.
 * @param {string} output @param {string} folder
 */
export function diskFull(output, folder) {
  return /ENOSPC|no space left on device|disk quota exceeded/i.test(output)
    ? new PlainFailure(`The disk that holds ${folder} is full; free some space and start again.`)
    : undefined
}
