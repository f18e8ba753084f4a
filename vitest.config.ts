import { defineConfig } from 'vitest/config'

/** Tests of one room that keep nothing between them: files share what they import. */
const pure = (room: string) => ({
  test: {
    name: room,
    root: room,
    include: ['src/**/*.test.ts'],
    // One more than cores: some wait for a database or a clock.
    maxWorkers: 3,
    isolate: false,
    testTimeout: 60_000,
  },
})

export default defineConfig({
  test: {
    projects: [
      pure('core'),
      pure('contract'),
      pure('worksheet'),
      pure('visitor'),
      pure('desk'),
      { test: { ...pure('scripts').test, include: ['lib/**/*.test.mjs'] } },
      {
        test: {
          name: 'server',
          maxWorkers: 3,
          // Each test has a database of its own; what they import is read once.
          isolate: false,
          root: 'server',
          include: ['src/**/*.test.ts'],
          globalSetup: 'src/testing/scratch-database.ts',
          testTimeout: 60_000,
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
          // After the others; each file runs a server on a database of its own, with the browser of its worker.
          sequence: { groupOrder: 1 },
          maxWorkers: 2,
          isolate: false,
        },
      },
    ],
  },
})
