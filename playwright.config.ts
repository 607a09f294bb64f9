import { defineConfig } from '@playwright/test';
import { CHROMIUM } from './scripts/lib/chromium.mjs';

export default defineConfig({
  testDir: 'e2e/specs',
  globalSetup: './e2e/host/setUp.ts',
  workers: 2,
  // Every test has a shop of its own.
  fullyParallel: true,
  retries: 0,
  // A shared machine may stand still for half a minute; what does not come then does not come.
  timeout: 240_000,
  expect: { timeout: 40_000 },
  reporter: [['list']],
  use: {
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    // What a page asks for goes past no worker but in the tests of the worker itself.
    serviceWorkers: 'block',
    launchOptions: CHROMIUM,
  },
});
