import { availableParallelism } from 'node:os'
import { defineConfig } from '@playwright/test'
import { CHROMIUM } from './tests/browser'

export default defineConfig({
  testDir: 'tests/e2e',
  timeout: 90_000,
  expect: { timeout: 15_000 },
  // A worker is a browser and an application of its own; with more than that on a processor nothing is faster.
  workers: Math.min(4, Math.max(2, Math.floor(availableParallelism() / 2))),
  fullyParallel: false,
  retries: 0,
  reporter: 'list',
  snapshotPathTemplate: '{testDir}/trees/{arg}{ext}',
  use: {
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: CHROMIUM,
      args: [
        '--no-sandbox',
        '--disable-gpu',
        // Letters as wide as on any screen, not as whole pixels.
        '--font-render-hinting=none',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
})
