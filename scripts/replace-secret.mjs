// @ts-check
// `npm run replace-secret`: another secret signs sessions from a minute on; nobody is signed out.
import { runByHand } from './lib/by-hand.mjs'

await runByHand(async ({ replaceSecret }) => {
  await replaceSecret(process.env)
  console.log('Sessions are signed with another secret from a minute on. Nobody is signed out.')
})
