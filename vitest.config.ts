import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    include: ['tests/unit/**/*.test.ts'],
    globalSetup: 'tests/unit/database.ts',
    testTimeout: 30_000,
  },
})
