// @ts-check
// `npm start`: everything on a fresh machine, from packages to a running application with demo data.
import { join } from 'node:path'
import { buildApplication } from './lib/build-application.mjs'
import { startCluster } from './lib/cluster.mjs'
import { installDependencies } from './lib/dependencies.mjs'
import { lockHome } from './lib/home-lock.mjs'
import { PlainFailure, diskFull, runMain } from './lib/plain-failure.mjs'
import { homeFolder, root } from './lib/project.mjs'
import { savedSecretsKey } from './lib/saved-secret.mjs'

/** What has to be undone at the end, last first. @type {(() => unknown)[]} */
const undo = []
let stopping = false

async function stop() {
  if (stopping) return
  stopping = true
  for (const step of undo.reverse()) {
    try {
      await step()
    } catch (error) {
      console.error(error)
    }
  }
}

for (const signal of /** @type {const} */ (['SIGINT', 'SIGTERM', 'SIGHUP'])) {
  process.on(signal, async () => {
    if (stopping) return
    console.log('\nStopping …')
    await stop()
    process.exit(0)
  })
}
stopWithParent()

await runMain(async () => {
  try {
    await start()
  } catch (error) {
    await stop()
    if (error instanceof PlainFailure) throw error
    throw diskFull(String(error), homeFolder()) ?? error
  }
})
if (process.exitCode) process.exit()

async function start() {
  await installDependencies()
  const home = homeFolder()
  const lock = await lockHome(home)
  undo.push(() => lock.release())
  await buildApplication()
  /** @type {NodeJS.ProcessEnv} */
  const env = { ...process.env, VIVID_LOG: process.env.VIVID_LOG ?? join(home, 'server.log') }
  if (!env.DATABASE_URL) {
    const cluster = await startCluster(home)
    undo.push(() => cluster.stop())
    env.DATABASE_URL = cluster.url
  }
  // Processes on other machines are given the same by hand; one with another key is refused.
  env.SECRETS_KEY ||= savedSecretsKey(home)
  const { run, startUpLine, demoPeople } = await import(join(root, 'server/dist/main.js'))
  const server = await run(env, root).catch((/** @type {unknown} */ error) => {
    const line = startUpLine(error)
    throw line === undefined ? error : new PlainFailure(line)
  })
  undo.push(() => server.close())
  console.log(`
Vivid Meter is ready.
  The desk            ${server.deskAddress}/desk${server.lenderAddress ? `\n  A lender's website  ${server.lenderAddress}\n  Its mail            ${server.lenderAddress}/mail` : ''}`)
  if (server.demo) {
    console.log('\nDemo sign-ins')
    for (const { email, password, role } of demoPeople)
      console.log(`  ${email.padEnd(26)} ${password.padEnd(14)} ${role}`)
  }
  if (server.firstInvitation)
    console.log(
      `\nNobody is here yet. Whoever looks after this desk comes in by this link, once:\n  ${server.firstInvitation}`,
    )
  console.log('\nCtrl-C stops it.')
}

/** Run by npm, we end when npm does, however it does: an orphan would keep the port. */
function stopWithParent() {
  if (!process.env.npm_lifecycle_event) return
  const parent = process.ppid
  setInterval(async () => {
    if (process.ppid === parent || stopping) return
    await stop()
    process.exit(1)
  }, 500).unref()
}
