import { needPackages } from './prepare.mjs';

/** Debian's headless Chromium: what tests, benches, soaks and screenshots drive, and how it is started. */
export const CHROMIUM = {
  executablePath: '/usr/bin/chromium-headless-shell',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-dev-shm-usage',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
};
/** Its package, for needPackages. */
export const CHROMIUM_PACKAGE = { 'chromium-headless-shell': 'chromium-headless-shell' };

/** A browser for a script, its package installed when it is not there. */
export async function openChromium() {
  needPackages(CHROMIUM_PACKAGE);
  const { chromium } = await import('@playwright/test');
  return chromium.launch(CHROMIUM);
}
