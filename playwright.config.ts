import { defineConfig } from '@playwright/test';

const PORT = 3210;

export default defineConfig({
  testDir: 'e2e',
  testMatch: '*.spec.ts',
  timeout: 180_000,
  expect: { timeout: 15_000 },
  // Two files at a time; where the machine is shared, one: there a page may have to wait for long as it is.
  workers: process.env.CI ? 1 : 2,
  // Where the machine is shared, a test that only came too late is tried once more; the list calls it flaky.
  retries: process.env.CI ? 1 : 0,
  reporter: [['list']],
  outputDir: 'test-results',
  use: {
    baseURL: `http://127.0.0.1:${PORT}`,
    viewport: { width: 1280, height: 800 },
    acceptDownloads: true,
    // offline.spec.ts lets it in: what it answers, a test's routes do not see.
    serviceWorkers: 'block',
    // Past the doors of a first start; firstStart.spec.ts begins before them.
    storageState: {
      cookies: [],
      origins: [
        {
          origin: `http://127.0.0.1:${PORT}`,
          localStorage: [{ name: 'candelum-first-start', value: '{"doors":false}' }],
        },
      ],
    },
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
  webServer: {
    command: `node node_modules/next/dist/bin/next start --hostname 127.0.0.1 -p ${PORT}`,
    url: `http://127.0.0.1:${PORT}/plan`,
    reuseExistingServer: false,
    timeout: 60_000,
  },
});
