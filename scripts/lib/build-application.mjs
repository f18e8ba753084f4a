// @ts-check
import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { packAssets } from './packed-assets.mjs'
import { PlainFailure, diskFull } from './plain-failure.mjs'
import { hashOf, root } from './project.mjs'
import { runCommand } from './run-command.mjs'

/** Says from which sources it is built. */
export const stamp = 'server/dist/built-from'
const sources = [
  'core/src',
  'contract/src',
  'server/src',
  'worksheet/src',
  'desk/src',
  'desk/index.html',
  'desk/vite.config.ts',
  'visitor/src',
  'visitor/index.html',
  'visitor/public',
  'visitor/vite.config.ts',
  'visitor/smaller-letters.ts',
  'visitor/vite.embed.config.ts',
  'visitor/vite.server.config.ts',
  'scripts/lib/build-application.mjs',
  'scripts/lib/packed-assets.mjs',
  'package-lock.json',
]

/** How the server becomes one file: our own code bundled, packages left to Node.js. */
export const serverBundle = {
  entryPoints: {
    main: join(root, 'server/src/main.ts'),
    worker: join(root, 'server/src/worker.ts'),
    'archive-worker': join(root, 'server/src/desk/archive/archive-worker.ts'),
  },
  outdir: join(root, 'server/dist'),
  bundle: true,
  // What only some tasks need is read when they need it.
  splitting: true,
  platform: /** @type {const} */ ('node'),
  format: /** @type {const} */ ('esm'),
  target: 'node20',
  sourcemap: true,
  packages: /** @type {const} */ ('external'),
  alias: Object.fromEntries(
    [
      ['@vivid/core/evaluate', 'core/src/evaluate.ts'],
      ['@vivid/core/further', 'core/src/further.ts'],
      ['@vivid/core/what-if', 'core/src/what-if.ts'],
      ['@vivid/core', 'core/src/index.ts'],
      ['@vivid/contract/formats', 'contract/src/formats/index.ts'],
      ['@vivid/contract/pictures', 'contract/src/pictures/index.ts'],
      ['@vivid/contract/own-words', 'contract/src/wording/own-words/check-phrases.ts'],
      ['@vivid/contract/wording', 'contract/src/wording/index.ts'],
      ['@vivid/contract/visitor', 'contract/src/visitor.ts'],
      ['@vivid/contract', 'contract/src/index.ts'],
    ].map(([name = '', file = '']) => [name, join(root, file)]),
  ),
}

/** One file of each part. */
export const built = [
  'desk/dist/index.html',
  'visitor/dist/index.html',
  'visitor/dist/embed.js',
  'server/dist/main.js',
  'server/dist/page/drawn-by-server.js',
]

/** Whether all that is built is there, from these sources. @param {string} folder of the project @param {string} wanted their hash */
export function isBuilt(folder, wanted) {
  const stamped = join(folder, stamp)
  return (
    built.every((file) => existsSync(join(folder, file))) &&
    existsSync(stamped) &&
    readFileSync(stamped, 'utf8') === wanted
  )
}

/** Builds desk, visitor page, placement script and server, unless all are there and nothing changed since. */
export async function buildApplication() {
  const wanted = hashOf(sources)
  if (isBuilt(root, wanted)) return
  console.log('Building …')
  // Neither the stamp nor what an older build was cut into stays.
  rmSync(serverBundle.outdir, { recursive: true, force: true })
  const vite = join(root, 'node_modules/vite/bin/vite.js')
  /** @param {string} room @param {string[]} args */
  const viteBuild = async (room, ...args) => {
    const { code, output } = await runCommand(process.execPath, [vite, 'build', ...args], {
      cwd: join(root, room),
      // Whoever asks for the build: what is shipped is the packages' production code.
      env: { ...process.env, NODE_ENV: 'production' },
    })
    if (code !== 0)
      throw diskFull(output, root) ?? new PlainFailure(`The ${room} could not be built:\n${output.trim()}`)
  }
  const { build, stop } = await import('esbuild')
  await Promise.all([
    viteBuild('desk'),
    viteBuild('visitor').then(() => viteBuild('visitor', '--config', 'vite.embed.config.ts')),
    viteBuild('visitor', '--config', 'vite.server.config.ts'),
    build(serverBundle),
  ])
  await stop()
  await Promise.all(['desk', 'visitor'].map((room) => packAssets(join(root, room, 'dist'))))
  writeFileSync(join(root, stamp), wanted)
}
