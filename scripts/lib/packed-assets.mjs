// @ts-check
import { readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { promisify } from 'node:util'
import { brotliCompress, constants, gzip } from 'node:zlib'

const [packBrotli, packGzip] = [promisify(brotliCompress), promisify(gzip)]

/** Blocks of 2^16 bytes: files of some hundred thousand become a little smaller than with those it takes by itself. */
const params = { [constants.BROTLI_PARAM_LGBLOCK]: 16 }

/**
 * Packs the scripts and styles of a built folder once and as small as they go; the server sends what the browser takes.
 * @param {string} folder
 */
export async function packAssets(folder) {
  const files = readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter((name) => /\.(js|css)$/.test(name))
    .map((name) => join(folder, name))
  await Promise.all(
    files.map(async (file) => {
      const content = readFileSync(file)
      writeFileSync(`${file}.br`, await packBrotli(content, { params }))
      writeFileSync(`${file}.gz`, await packGzip(content, { level: 9 }))
    }),
  )
}
