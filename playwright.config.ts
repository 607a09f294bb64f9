import { defineConfig } from '@playwright/test';

export default defineConfig({
  testDir: 'e2e/specs',
  workers: 2,
  retries: 0,
  timeout: 45_000,
  expect: { timeout: 8000 },
  reporter: [['list']],
  use: {
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    // What a page asks for goes past no worker but in the tests of the worker itself.
    serviceWorkers: 'block',
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: ['--no-sandbox', '--disable-gpu', '--disable-dev-shm-usage', '--disable-quic', '--no-first-run', '--disable-background-networking', '--disable-component-update', '--disable-sync'],
    },
  },
});
