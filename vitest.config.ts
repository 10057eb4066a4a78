import { availableParallelism } from 'node:os'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    include: ['tests/unit/**/*.test.ts'],
    setupFiles: ['tests/withTexts.ts'],
    testTimeout: 30_000,
    // Much of the time the database works: two at a time are worth it even where there are two processors.
    maxWorkers: Math.max(2, availableParallelism() - 1),
  },
})
