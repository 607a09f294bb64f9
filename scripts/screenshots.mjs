// npm run screenshots: one picture per main view, from a demo of its own, into docs/screenshots/.
// Look at every one before committing it.
import { fork } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { startMariadb } from './lib/mariadb.mjs';
import { cleanEnv, needBuild, ROOT } from './lib/prepare.mjs';
import { say } from './lib/say.mjs';

needBuild();
const only = process.argv.slice(2);
const out = join(ROOT, 'docs/screenshots');
mkdirSync(out, { recursive: true });
const folder = mkdtempSync(join(tmpdir(), 'limnos-shots-'));
const database = await startMariadb(folder, ['limnos_shots']);
const server = fork(join(ROOT, 'dist/server/main.mjs'), { cwd: ROOT, env: cleanEnv({ DATABASE_URL: database.url('limnos_shots'), PORT: '0', LIMNOS_SEED: 'demo', LOG_LEVEL: 'silent' }), stdio: ['ignore', 'ignore', 'inherit', 'ipc'] });
const { port } = await new Promise((resolve) => server.once('message', resolve));
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu', '--disable-dev-shm-usage', '--disable-background-networking'] });
const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, locale: 'en-GB', baseURL: `http://127.0.0.1:${port}`, reducedMotion: 'reduce' });
const page = await context.newPage();
page.setDefaultTimeout(15_000);
page.on('pageerror', (e) => say(`page error: ${e.message}`));

const settle = (ms = 700) => page.waitForTimeout(ms);
const role = (kind, name) => page.getByRole(kind, { name }).first();
const place = async (name) => { await page.getByRole('navigation', { name: 'Places' }).getByRole('link', { name: new RegExp(`${name}$`) }).click(); await settle(); };
async function shot(name, size) {
  if (only.length && !only.includes(name)) return;
  if (size) { await page.setViewportSize({ width: size[0], height: size[1] }); await settle(400); }
  await page.screenshot({ path: join(out, `${name}.png`) });
  say(`${name}.png`);
  if (size) await page.setViewportSize({ width: 1280, height: 800 });
}
async function start(tea, vessel, { warm = false } = {}) {
  await page.goto('/');
  await role('button', /^Start a brew/).click();
  await role('button', 'Tea: change').click();
  await page.getByRole('combobox').fill(tea.slice(0, 6));
  await role('option', new RegExp(tea)).click();
  await role('button', 'Vessel: change').click();
  await role('option', new RegExp(`^${vessel}`)).click();
  await role('button', warm ? /^Warm the/ : /^Water on: start/).click();
  await settle(500);
}

try {
  await page.goto('/');
  await settle();
  await role('button', /^Ilsa V/).click();
  await shot('sign-in');
  await page.getByLabel('Passphrase').fill('grey pot first');
  await role('button', 'Sign in').click();
  await settle();
  await page.keyboard.press('n');
  await settle();
  await shot('start');
  await start('Ostrey Deep', 'Lidded cup');
  await start('Tolvane Amber', 'White pot');
  await start('Quillorn Steam', 'Small pot');
  await start('Sennet Hollow', 'Release steeper');
  await start('Corrow Light', 'Glass pot', { warm: true });
  await settle(28_000);
  await shot('bar');
  await shot('bar-tablet', [820, 1180]);
  await shot('bar-phone', [390, 844]);
  await page.locator('.under[data-brew="Ostrey Deep"]').getByRole('button').first().click();
  await settle();
  await page.locator('.under[data-brew="Ostrey Deep"]').getByRole('button').first().click();
  await settle();
  await role('radio', 'Bitter: bitter').click();
  await role('radio', 'Drying: dry').click();
  await settle();
  await shot('judge');
  await page.goto('/');
  await settle();
  await place('Book');
  await role('link', /Tolvane Amber/).click();
  await settle();
  await shot('book');
  await page.getByTestId('tolerance').scrollIntoViewIfNeeded();
  await settle(900);
  await shot('tolerance');
  await page.keyboard.press('i');
  await settle(1200);
  for (const name of ['Heat', 'Time']) {
    await role('slider', name).focus();
    for (let i = 0; i < (name === 'Heat' ? 6 : 18); i++) await page.keyboard.press('ArrowRight');
  }
  await settle();
  await shot('what-if');
  await page.keyboard.press('Escape');
  await settle();
  await place('Shelf');
  await role('link', /White pot/).click();
  await settle();
  await shot('shelf');
  await place('Log');
  await shot('log');
  await page.locator('a[href^="/log/"]').nth(9).click();
  await settle();
  await shot('brew');
  await place('House');
  await shot('house');
} finally {
  await browser.close();
  server.kill('SIGTERM');
  await new Promise((r) => (server.exitCode === null ? server.once('exit', r) : r()));
  await database.stop();
  rmSync(folder, { recursive: true, force: true });
}
