// @ts-check
// The built server alone, on the database of the environment.
import { join } from 'node:path'
import { PlainFailure, runMain } from './plain-failure.mjs'
import { root } from './project.mjs'

await runMain(async () => {
  const { run, startUpLine } = await import(join(root, 'server/dist/main.js'))
  const server = await run(process.env, root).catch((/** @type {unknown} */ error) => {
    throw new PlainFailure(startUpLine(error) ?? String(error))
  })
  console.log(`Serving ${server.deskAddress}/desk`)
  process.once('SIGTERM', async () => {
    await server.leave()
    await server.close()
    process.exit(0)
  })
})
