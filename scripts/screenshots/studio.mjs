import { spawnSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { openChromium } from '../lib/chromium.mjs';
import { say } from '../lib/say.mjs';
import { AHEAD, shiftClock } from './clock.mjs';
import { recordsOver } from './records.mjs';
import { tiled } from './tiled.mjs';

const SCREEN = { width: 1280, height: 800 };
export const TABLET = { width: 820, height: 1180 };
export const PHONE = { width: 390, height: 844 };

/** A browser in a shop: what a scene does there, and what it takes pictures with. `only`: these alone are written. */
export async function openStudio({ address, out, only }) {
  const browser = await openChromium();
  const context = await browser.newContext({
    viewport: SCREEN,
    locale: 'en-GB',
    timezoneId: 'Europe/London',
    serviceWorkers: 'block',
    baseURL: address,
    reducedMotion: 'reduce',
  });
  await context.addInitScript(shiftClock, AHEAD);
  const page = await context.newPage();
  page.setDefaultTimeout(15_000);
  page.on('pageerror', (e) => say(`page error: ${e.message}`));

  const settle = (ms = 700) => page.waitForTimeout(ms);
  const role = (kind, name) => page.getByRole(kind, { name }).first();
  async function place(name) {
    const places = page.getByRole('navigation', { name: 'Places' });
    await places.getByRole('link', { name: new RegExp(`${name}$`) }).click();
    await settle();
  }
  async function go(path, ms = 1500) {
    await page.goto(path);
    await settle(ms);
  }
  /** The page as it is now, on a device of that size. */
  async function pictureOf(size = SCREEN) {
    if (size === SCREEN) return page.screenshot();
    await page.setViewportSize(size);
    await settle(400);
    const picture = await page.screenshot();
    await page.setViewportSize(SCREEN);
    return picture;
  }
  function write(name, picture) {
    if (only.length > 0 && !only.includes(name)) return;
    writeFileSync(join(out, `${name}.png`), picture);
    say(`${name}.png`);
  }
  const shot = async (name) => write(name, await pictureOf());
  const held = new Map();
  /** One of several pictures on one: each is held until the last is there. */
  async function tile(name, picture, { of, columns = 1 }) {
    const pictures = [...(held.get(name) ?? []), picture];
    held.set(name, pictures);
    if (pictures.length === of) write(name, await tiled(pictures, columns));
  }
  /** A PDF as it is printed. */
  async function printed(path, dotsPerInch) {
    const pdf = await page.request.get(path);
    const drawn = spawnSync('pdftoppm', ['-png', '-r', String(dotsPerInch), '-singlefile', '-'], {
      input: await pdf.body(),
      maxBuffer: 50_000_000,
    });
    if (drawn.status !== 0) throw new Error(`pdftoppm: ${drawn.stderr}`);
    return drawn.stdout;
  }
  return {
    ...{ context, page, settle, role, place, go, pictureOf, shot, tile, printed },
    ...recordsOver(page, address),
    close: () => browser.close(),
  };
}
