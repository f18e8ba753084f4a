import { join } from 'node:path'
import { defineConfig } from 'vitest/config'

const common = {
  // On a machine that others keep busy, anything may take many times as long; nothing is waited for that does not come.
  testTimeout: 180_000,
  hookTimeout: 180_000,
  expect: { poll: { timeout: 20_000 } },
  setupFiles: join(import.meta.dirname, 'scripts/lib/random-cases.mjs'),
}

/** Tests of one room that keep nothing between them: files share what they import. */
const pure = (room: string) => ({
  test: {
    name: room,
    root: room,
    include: ['src/**/*.test.ts'],
    // One more than cores: some wait for a database or a clock.
    maxWorkers: 3,
    isolate: false,
    ...common,
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
          ...common,
        },
      },
      {
        test: {
          name: 'e2e',
          root: 'e2e',
          include: ['src/**/*.test.ts'],
          globalSetup: 'src/support/build.ts',
          ...common,
          testTimeout: 300_000,
          // After the others; each file runs a server on a database of its own, with the browser of its worker.
          sequence: { groupOrder: 1 },
          maxWorkers: 3,
          isolate: false,
        },
      },
    ],
  },
})
