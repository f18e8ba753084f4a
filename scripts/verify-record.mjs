// @ts-check
// `npm run verify-record`: works out every hash of the record again; exit code 1 where one does not hold.
import { runByHand } from './lib/by-hand.mjs'

await runByHand(async ({ verifyRecord }) => {
  const { entries, brokenAt, lastHash } = await verifyRecord(process.env)
  if (brokenAt !== null) {
    console.log(`Entry ${brokenAt} does not say what it said when it was made; ${entries} before it do.`)
    process.exitCode = 1
  } else console.log(`All ${entries} entries hold. The newest one’s hash: ${lastHash ?? 'none'}`)
})
