import { defineConfig } from '@playwright/test'

export default defineConfig({
  testDir: '.',
  workers: 1,
  timeout: 120_000,
  expect: { timeout: 15_000 },
  reporter: process.env.E2E_REPORT
    ? [['line'], ['json', { outputFile: process.env.E2E_REPORT }]]
    : [['line']],
  use: {
    baseURL: process.env.BASE_URL ?? 'http://127.0.0.1:4180',
    viewport: { width: 1280, height: 800 },
    trace: 'off',
    launchOptions: { executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] },
  },
})
