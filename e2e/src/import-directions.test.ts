import { readdirSync } from 'node:fs'
import { join } from 'node:path'
import { ESLint } from 'eslint'
import { expect, test } from 'vitest'
import { root } from '../../scripts/lib/project.mjs'
import { floors } from '../../scripts/lint/floors.mjs'

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
  ['worksheet/src/x.ts', '../../server/src/app'],
  ['worksheet/src/book/x.ts', '../draft/make-draft'],
  ['desk/src/x.ts', '../../server/src/settings'],
  ['desk/src/x.ts', '../../visitor/src/model/headline'],
  ['server/src/x.ts', '../../desk/src/shared/api/request'],
  ['visitor/src/x.ts', '../../desk/src/shared/api/request'],
  ['visitor/src/x.ts', '@vivid/core'],
  ['visitor/src/x.ts', '@vivid/contract'],
  ['visitor/src/x.ts', '../../core/src/calculator/compile/compile'],
  ['visitor/src/x.ts', 'ant-design-vue'],
  ['visitor/src/x.ts', 'zod'],
  ['server/src/platform/x.ts', '../team/record/entries'],
  ['server/src/platform/http/x.ts', '../../app'],
  ['server/src/authoring/rate-sheets/x.ts', '../calculators/editions-store'],
  ['server/src/live/x.ts', '../desk/placements/placements-store'],
  ['server/src/visitors/figures/x.ts', '../routes'],
  ['desk/src/shared/fields/x.ts', '../../calculators/draft/draft-store'],
  ['desk/src/record/x.ts', '../rate-sheets/sheets-store'],
  ['desk/src/calculators/draft/x.ts', '../tape/term-words'],
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
  ['server/src/live/x.ts', '../authoring/calculators/editions-store'],
  ['server/src/x.ts', './desk/placements/placements-store'],
  ['desk/src/record/x.ts', '../shared/api/request'],
  ['desk/src/app/x.ts', '../record/record-words'],
])('%s may import %s', async (file, specifier) => {
  expect(await refusals(file, specifier)).toEqual([])
})

test('no two files import each other, however far around', async () => {
  const code = "import { LONGEST } from './parse-formula'\nexport const formulaParser = LONGEST\n"
  const filePath = join(root, 'worksheet/src/formula/grammar.ts')
  const [result] = await eslint.lintText(code, { filePath })
  expect(result?.messages.map(({ ruleId }) => ruleId)).toEqual(['import-x/no-cycle'])
})

test('the core has no clock and no chance', async () => {
  const code = 'export const now = () => [Date.now(), Math.random()]\n'
  const [result] = await eslint.lintText(code, { filePath: join(root, 'core/src/x.ts') })
  expect(result?.messages.map(({ ruleId }) => ruleId).sort()).toEqual([
    'no-restricted-globals',
    'no-restricted-properties',
  ])
})

test.each(Object.entries(floors))('every folder of %s stands on a floor', (room, all) => {
  const known = all.flat()
  const folders = readdirSync(join(root, room), { withFileTypes: true })
    .filter((one) => one.isDirectory() && one.name !== 'testing')
    .map(({ name }) => name)
  expect(folders.filter((name) => !known.some((one) => one === name || one.startsWith(`${name}/`)))).toEqual(
    [],
  )
})
