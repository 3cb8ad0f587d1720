import { defineConfig } from '@playwright/test';

/** Drives Debian's Chromium against the production build with the demo data; each test has a server and a database of its own. */
export default defineConfig({
  testDir: 'tests/e2e',
  outputDir: 'test-results',
  globalSetup: './tests/e2e/seedTemplate.ts',
  timeout: 90_000,
  expect: { timeout: 20_000 },
  workers: 2,
  fullyParallel: true,
  // Flaky is a failure.
  retries: 0,
  reporter: [['list']],
  use: {
    viewport: { width: 1280, height: 800 },
    locale: 'en-US',
    timezoneId: 'UTC',
    actionTimeout: 20_000,
    // Only where loading again without network is tried (offline.spec.ts): elsewhere what is asked of the server is looked at.
    serviceWorkers: 'block',
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
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
