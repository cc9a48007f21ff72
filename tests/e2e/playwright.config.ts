import { defineConfig } from '@playwright/test'

export default defineConfig({
  timeout: 60_000,
  expect: { timeout: 15_000 },
  globalSetup: './prepare.ts',
  workers: 2,
  retries: 0,
  projects: [
    { name: 'browser', testDir: '.', testIgnore: 'files/**' },
    // Asks the server alone: no browser is started, so that it can run beside the other stages.
    { name: 'files', testDir: 'files' },
  ],
  use: {
    launchOptions: {
      executablePath: '/usr/bin/chromium-headless-shell',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        '--no-first-run',
      ],
    },
    viewport: { width: 1280, height: 800 },
    trace: 'off',
  },
})
