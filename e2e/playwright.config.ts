import { defineConfig } from '@playwright/test';

/** The servers are brought up by tools/test.mjs, which runs these in halves, each on a demo database of its own. */
export default defineConfig({
  testDir: '.',
  // `npm run whole`
  testIgnore: ['whole/**'],
  outputDir: process.env['PLAYWRIGHT_OUTPUT'] ?? '../test-results/browser',
  timeout: 600_000,
  expect: { timeout: 60_000 },
  fullyParallel: false,
  workers: 1,
  retries: 0,
  reporter: [
    ['list'],
    ['json', { outputFile: process.env['PLAYWRIGHT_JSON'] ?? '../test-results/browser.json' }],
  ],
  use: {
    actionTimeout: 90_000,
    baseURL: process.env['BASE_URL'] ?? 'http://127.0.0.1:8460',
    // keeping every step takes a tenth of the run, filming it much more: TRACE=1 keeps the steps
    trace: process.env['TRACE']
      ? { mode: 'retain-on-failure', screenshots: false, snapshots: true, sources: false }
      : 'off',
    screenshot: 'only-on-failure',
    // only where a test is about being without signal: keeping the app takes as long as drawing it
    serviceWorkers: 'block',
    launchOptions: {
      executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
      args: [
        '--headless',
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
});
