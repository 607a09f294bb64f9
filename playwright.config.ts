import { defineConfig } from '@playwright/test';
import { CHROMIUM } from './scripts/lib/chromium.mjs';

export default defineConfig({
  testDir: 'e2e/specs',
  globalSetup: './e2e/host/build.mjs',
  workers: 2,
  // Every test has a shop of its own.
  fullyParallel: true,
  retries: 0,
  // A slow machine takes twice as long as a quiet one.
  timeout: 120_000,
  expect: { timeout: 12_000 },
  reporter: [['list']],
  use: {
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    // What a page asks for goes past no worker but in the tests of the worker itself.
    serviceWorkers: 'block',
    launchOptions: CHROMIUM,
  },
});
