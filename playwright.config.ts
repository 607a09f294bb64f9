import { defineConfig } from '@playwright/test';
import { CHROMIUM } from './scripts/lib/chromium.mjs';

export default defineConfig({
  testDir: 'e2e/specs',
  workers: 2,
  // Every test has a shop of its own.
  fullyParallel: true,
  retries: 0,
  // A slow machine is no fault: what is waited for may take long, and what is wrong stays wrong for as long.
  timeout: 90_000,
  expect: { timeout: 20_000 },
  reporter: [['list']],
  use: {
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    // What a page asks for goes past no worker but in the tests of the worker itself.
    serviceWorkers: 'block',
    launchOptions: CHROMIUM,
  },
});
