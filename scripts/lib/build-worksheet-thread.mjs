// @ts-check
import { join } from 'node:path'
import { root } from './project.mjs'

/** Bundles what reads a worksheet in a thread of its own; the path of the file. Takes a blink, so that it is never out of date. */
export async function buildWorksheetThread() {
  const { build } = await import('esbuild')
  const outfile = join(root, 'worksheet/dist/read-in-thread.js')
  await build({
    entryPoints: [join(root, 'worksheet/src/read-in-thread.ts')],
    outfile,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    packages: 'external',
    alias: { '@vivid/core': join(root, 'core/src/index.ts') },
    logLevel: 'silent',
  })
  return outfile
}
