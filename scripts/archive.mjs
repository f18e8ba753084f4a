// @ts-check
// `npm run archive -- out FILE`: everything in one archive. `npm run archive -- in FILE`: back into an empty database.
import { readFileSync, writeFileSync } from 'node:fs'
import { runByHand } from './lib/by-hand.mjs'
import { PlainFailure } from './lib/plain-failure.mjs'

await runByHand(async ({ bringArchiveBack, takeArchiveOut }) => {
  const [direction, file] = process.argv.slice(2)
  if (!file || (direction !== 'in' && direction !== 'out'))
    throw new PlainFailure('Say which way and which file: npm run archive -- out everything.zip')
  if (direction === 'in') {
    await bringArchiveBack(process.env, readFileSync(file))
    console.log(
      'Brought back. People have no passwords yet: npm run invite -- EMAIL NAME ROLE gives each a link.',
    )
  } else {
    const archive = await takeArchiveOut(process.env)
    writeFileSync(file, archive, { mode: 0o600 })
    console.log(`${file} holds everything, in ${archive.length} bytes.`)
  }
})
