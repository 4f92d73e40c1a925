import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    projects: [
      {
        resolve: { alias: { '~~': import.meta.dirname } },
        test: {
          name: 'unit',
          include: ['tests/unit/**/*.test.ts'],
          setupFiles: ['tests/unit/seed.ts'],
          // Minutes of simulation, on a machine that may be busy with something else.
          testTimeout: 600_000,
          hookTimeout: 600_000,
        },
      },
      {
        test: {
          name: 'interface',
          include: ['tests/e2e/**/*.test.ts'],
          testTimeout: 120_000,
          hookTimeout: 120_000,
          fileParallelism: false,
          globalSetup: ['tests/e2e/server.ts'],
        },
      },
    ],
  },
})
