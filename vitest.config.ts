import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    projects: [
      { test: { name: 'core', root: 'core', include: ['src/**/*.test.ts'] } },
      { test: { name: 'contract', root: 'contract', include: ['src/**/*.test.ts'] } },
      { test: { name: 'visitor', root: 'visitor', include: ['src/**/*.test.ts'] } },
      { test: { name: 'desk', root: 'desk', include: ['src/**/*.test.ts'] } },
      {
        test: {
          name: 'server',
          root: 'server',
          include: ['src/**/*.test.ts'],
          globalSetup: 'src/testing/scratch-database.ts',
          testTimeout: 20_000,
          hookTimeout: 60_000,
        },
      },
      {
        test: {
          name: 'e2e',
          root: 'e2e',
          include: ['src/**/*.test.ts'],
          globalSetup: 'src/support/build.ts',
          testTimeout: 120_000,
          hookTimeout: 120_000,
          // After the others; each file runs a browser, a server and a database of its own.
          sequence: { groupOrder: 1 },
          maxWorkers: 3,
        },
      },
    ],
  },
})
