import { join } from 'node:path'
import { ESLint } from 'eslint'
import { expect, test } from 'vitest'
import { root } from '../../scripts/lib/project.mjs'

const eslint = new ESLint({ cwd: root })

async function refusals(file: string, specifier: string): Promise<string[]> {
  const code = `import * as other from '${specifier}'\nexport { other }\n`
  const [result] = await eslint.lintText(code, { filePath: join(root, file) })
  return (
    result?.messages.map(({ ruleId }) => ruleId ?? '').filter((rule) => rule.includes('restricted')) ?? []
  )
}

test.each([
  ['core/src/loan/x.ts', '@vivid/contract'],
  ['core/src/loan/x.ts', '../../../contract/src/errors'],
  ['core/src/loan/x.ts', 'node:fs'],
  ['contract/src/x.ts', '../../server/src/app'],
  ['desk/src/x.ts', '../../server/src/settings'],
  ['desk/src/x.ts', '../../visitor/src/model/headline'],
  ['server/src/x.ts', '../../desk/src/api/request'],
  ['visitor/src/x.ts', '../../desk/src/api/request'],
  ['visitor/src/x.ts', '@vivid/core'],
  ['visitor/src/x.ts', '@vivid/contract'],
  ['visitor/src/x.ts', '../../core/src/calculator/compile/compile'],
  ['visitor/src/x.ts', 'ant-design-vue'],
  ['visitor/src/x.ts', 'zod'],
])('%s may not import %s', async (file, specifier) => {
  expect(await refusals(file, specifier)).not.toEqual([])
})

test.each([
  ['contract/src/x.ts', '@vivid/core'],
  ['server/src/x.ts', '@vivid/contract'],
  ['desk/src/x.ts', '@vivid/core'],
  ['visitor/src/x.ts', '@vivid/core/evaluate'],
  ['visitor/src/x.ts', '@vivid/core/further'],
  ['visitor/src/x.ts', '@vivid/contract/wording'],
])('%s may import %s', async (file, specifier) => {
  expect(await refusals(file, specifier)).toEqual([])
})

test('the core has no clock and no chance', async () => {
  const code = 'export const now = () => [Date.now(), Math.random()]\n'
  const [result] = await eslint.lintText(code, { filePath: join(root, 'core/src/x.ts') })
  expect(result?.messages.map(({ ruleId }) => ruleId).sort()).toEqual([
    'no-restricted-globals',
    'no-restricted-properties',
  ])
})
