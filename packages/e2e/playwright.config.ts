import { defineConfig } from '@playwright/test'

/** One running product for each worker, so that files of journeys can run side by side. */
const bases = (process.env.BASE_URL ?? 'http://127.0.0.1:4180').split(',')

export default defineConfig({
  testDir: '.',
  workers: bases.length,
  timeout: 120_000,
  // Two products and two browsers share what this machine has: only what has failed waits this long.
  expect: { timeout: 30_000 },
  reporter: process.env.E2E_REPORT
    ? [['line'], ['json', { outputFile: process.env.E2E_REPORT }]]
    : [['line']],
  use: {
    baseURL: bases[Number(process.env.TEST_PARALLEL_INDEX ?? 0)],
    viewport: { width: 1280, height: 800 },
    trace: 'off',
    // What waits between page and server is looked at where a journey is about it; elsewhere routes are held.
    serviceWorkers: 'block',
    launchOptions: { executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] },
  },
})
