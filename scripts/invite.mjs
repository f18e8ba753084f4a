// @ts-check
// `npm run invite -- EMAIL NAME ROLE`: a link by which somebody chooses a password and comes in.
import { runByHand } from './lib/by-hand.mjs'
import { PlainFailure } from './lib/plain-failure.mjs'

await runByHand(async ({ inviteByHand }) => {
  const [email, name = email, role = 'keeper'] = process.argv.slice(2)
  if (!email)
    throw new PlainFailure('Say whom: npm run invite -- wren@larkmoor.example "Wren Castellan" keeper')
  const secret = await inviteByHand(process.env, { email, name, role })
  const desk = process.env.DESK_ADDRESS ?? 'http://127.0.0.1:4680/desk'
  console.log(`Within seven days, once: ${desk}/welcome#${secret}`)
})
