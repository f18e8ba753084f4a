// @ts-check
// `npm run verify-record`: works out every hash of the record again; exit code 1 where one does not hold.
import { join } from 'node:path'
import { buildApplication } from './lib/build-application.mjs'
import { installDependencies } from './lib/dependencies.mjs'
import { PlainFailure, runMain } from './lib/plain-failure.mjs'
import { root } from './lib/project.mjs'

await runMain(async () => {
  if (!process.env.DATABASE_URL)
    throw new PlainFailure(
      'DATABASE_URL has to say which database; the desk’s own page does the same by “Check the chain”.',
    )
  await installDependencies()
  await buildApplication()
  const { verifyRecord } = await import(join(root, 'server/dist/main.js'))
  const { entries, brokenAt, lastHash } = await verifyRecord(process.env)
  if (brokenAt !== null) {
    console.log(`Entry ${brokenAt} does not say what it said when it was made; ${entries} before it do.`)
    process.exitCode = 1
  } else console.log(`All ${entries} entries hold. The newest one’s hash: ${lastHash ?? 'none'}`)
})
