// @ts-check
// `npm run check`: types, lint (imports included) and format.
import { runChecks } from './lib/checks.mjs'
import { installDependencies } from './lib/dependencies.mjs'
import { runMain } from './lib/plain-failure.mjs'

await runMain(async () => {
  await installDependencies()
  const { failed } = await runChecks()
  if (failed > 0) process.exitCode = 1
})
