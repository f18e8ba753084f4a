// @ts-check
import js from '@eslint/js'
import prettier from 'eslint-config-prettier'
import { createTypeScriptImportResolver } from 'eslint-import-resolver-typescript'
import { importX } from 'eslint-plugin-import-x'
import vue from 'eslint-plugin-vue'
import globals from 'globals'
import tseslint from 'typescript-eslint'
import { floorZones } from './scripts/lint/floors.mjs'

/** Imports go one way: core <- contract <- worksheet <- server | desk | visitor. A room may import from the rooms named here. */
const mayImport = {
  core: [],
  contract: ['core'],
  worksheet: ['core', 'contract'],
  server: ['core', 'contract'],
  desk: ['core', 'contract', 'worksheet'],
  visitor: ['core', 'contract'],
}
const rooms = Object.keys(mayImport)

const zones = [
  ...Object.entries(mayImport).flatMap(([room, allowed]) =>
    rooms
      .filter((other) => other !== room && !allowed.includes(other))
      .map((other) => ({
        target: `./${room}`,
        from: `./${other}`,
        message: `${room} may not import ${other}: imports go core <- contract <- worksheet <- server | desk | visitor.`,
      })),
  ),
  // By path as by name: of the core the visitor page has the light doors only.
  {
    target: './visitor',
    from: './core',
    except: ['./src/evaluate.ts', './src/further.ts', './src/what-if.ts'],
  },
]

const barrels = { selector: 'ExportAllDeclaration', message: 'List each public name by hand.' }

export default tseslint.config(
  { ignores: ['**/dist/', '**/node_modules/', '.vivid/'] },
  js.configs.recommended,
  ...tseslint.configs.recommended,
  ...vue.configs['flat/recommended'],
  prettier,
  {
    files: ['**/*.{ts,vue,mjs}'],
    plugins: { 'import-x': importX },
    settings: {
      // Without these no file of ours is read for what it imports, and circles are not seen.
      'import-x/extensions': ['.ts', '.mjs'],
      'import-x/parsers': { '@typescript-eslint/parser': ['.ts', '.mjs'] },
      'import-x/resolver-next': [
        createTypeScriptImportResolver({ project: '*/tsconfig.json', noWarnOnMultipleProjects: true }),
      ],
    },
    rules: {
      'import-x/no-restricted-paths': ['error', { zones: [...zones, ...floorZones] }],
      'import-x/no-cycle': 'error',
      'no-restricted-syntax': ['error', barrels],
      eqeqeq: 'error',
      'no-console': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
    },
  },
  {
    files: ['**/*.vue'],
    languageOptions: { parserOptions: { parser: tseslint.parser }, globals: globals.browser },
    rules: { 'vue/multi-word-component-names': 'off' },
  },
  { files: ['{desk,visitor}/**/*.ts'], languageOptions: { globals: globals.browser } },
  {
    files: ['scripts/**/*.mjs', '*.mjs', '{core,e2e}/bench/**'],
    languageOptions: { globals: { ...globals.node, document: 'readonly' } },
    rules: { 'no-console': 'off' },
  },
  {
    // The core has no clock, no randomness, no input/output.
    files: ['core/src/**/*.ts'],
    ignores: ['**/*.test.ts', 'core/src/testing/**'],
    rules: {
      'no-restricted-globals': ['error', 'Date', 'fetch', 'process', 'console', 'setTimeout', 'performance'],
      'no-restricted-properties': ['error', { object: 'Math', property: 'random' }],
      'no-restricted-imports': ['error', { patterns: ['node:*'] }],
    },
  },
  {
    // The visitor's browser gets the evaluation and the wording, never the compiler, the formula parser or Zod.
    files: ['visitor/src/**/*.{ts,vue}'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          paths: [
            {
              name: '@vivid/core',
              message: 'The visitor page imports @vivid/core/evaluate, /further or /what-if only.',
            },
            {
              name: '@vivid/contract',
              message: 'The visitor page imports @vivid/contract/visitor or /wording.',
            },
            { name: 'zod', message: 'Zod stays out of the visitor page.' },
          ],
          patterns: ['ant-design-vue*', 'lezer-feel*'],
        },
      ],
    },
  },
  {
    // Tests stand beside what they test and may use the whole room.
    files: ['**/*.test.ts', '**/testing/**'],
    rules: { 'import-x/no-restricted-paths': ['error', { zones }] },
  },
  {
    // The browser does not always tell of a request's end: who waits for all of them may wait forever.
    files: ['e2e/src/**/*.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        barrels,
        ...['Identifier[name="waitForNetworkIdle"]', 'Literal[value=/^networkidle/]'].map((selector) => ({
          selector,
          message: 'Wait for what the page shows, or with untilQuiet, which has an end.',
        })),
      ],
    },
  },
  {
    // Its tests may work things out by the whole core.
    files: ['visitor/src/**/*.test.ts'],
    rules: {
      'import-x/no-restricted-paths': [
        'error',
        { zones: zones.filter(({ target, from }) => !(target === './visitor' && from === './core')) },
      ],
    },
  },
)
