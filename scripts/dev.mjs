// @ts-check
// `npm run dev`: the application with demo data, built again whenever a file changes; reload the page to see it.
import { spawn } from 'node:child_process'
import { join } from 'node:path'
import { buildApplication, serverBundle } from './lib/build-application.mjs'
import { startCluster } from './lib/cluster.mjs'
import { installDependencies } from './lib/dependencies.mjs'
import { lockHome } from './lib/home-lock.mjs'
import { runMain } from './lib/plain-failure.mjs'
import { homeFolder, root } from './lib/project.mjs'
import { savedSecretsKey } from './lib/saved-secret.mjs'

await runMain(async () => {
  await installDependencies()
  const home = homeFolder()
  const lock = await lockHome(home)
  await buildApplication()
  const cluster = process.env.DATABASE_URL ? undefined : await startCluster(home)
  const env = cluster
    ? { SECRETS_KEY: savedSecretsKey(home), ...process.env, DATABASE_URL: cluster.url }
    : process.env
  const vite = join(root, 'node_modules/vite/bin/vite.js')
  const watchers = ['desk', 'visitor'].map((room) =>
    spawn(process.execPath, [vite, 'build', '--watch', '--emptyOutDir=false'], {
      cwd: join(root, room),
      stdio: 'inherit',
    }),
  )
  const serve = () =>
    spawn(process.execPath, [join(root, 'scripts/lib/serve.mjs')], { env, stdio: 'inherit' })
  let server = serve()
  const { context } = await import('esbuild')
  const bundle = await context({
    ...serverBundle,
    plugins: [
      {
        name: 'restart the server',
        setup: ({ onEnd }) =>
          onEnd(({ errors }) => {
            if (errors.length > 0) return
            server.once('exit', () => (server = serve()))
            server.kill()
          }),
      },
    ],
  })
  await bundle.watch()
  process.once('SIGINT', async () => {
    await bundle.dispose()
    for (const child of [...watchers, server]) {
      child.removeAllListeners('exit')
      child.kill()
    }
    await cluster?.stop()
    lock.release()
    process.exit(0)
  })
})
