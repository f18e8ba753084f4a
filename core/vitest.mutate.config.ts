import { defineConfig } from 'vitest/config'

/** For `npm run mutate`: the core's tests, apart from the long random ones, which would be run for every mutant. */
export default defineConfig({
  test: {
    root: 'core',
    include: ['src/**/*.test.ts'],
    exclude: ['src/hostile-input.test.ts', 'src/work.test.ts', 'src/public-names.test.ts'],
    testTimeout: 20_000,
  },
})
