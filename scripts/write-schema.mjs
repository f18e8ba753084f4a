// @ts-check
// `npm run schema`: writes docs/calculator.schema.json anew; a test fails while it is not as the code has it.
import { writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { build } from 'esbuild'
import { root } from './lib/project.mjs'

const { outputFiles } = await build({
  entryPoints: [join(root, 'contract/src/calculator-json-schema.ts')],
  bundle: true,
  write: false,
  format: 'esm',
  platform: 'node',
})
const code = Buffer.from(outputFiles[0]?.contents ?? []).toString('base64')
const { calculatorJsonSchema } = await import(`data:text/javascript;base64,${code}`)
writeFileSync(
  join(root, 'docs/calculator.schema.json'),
  `${JSON.stringify(calculatorJsonSchema(), null, 2)}\n`,
)
