// npm run screenshots: one picture per main view, from a demo of its own, into docs/screenshots/.
// Look at every one before committing it.
import { fork, spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { v7 } from 'uuid';
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
const records = async (path) => (await page.request.get(path)).json();
/** A brew that another tablet started so many seconds ago. */
async function stands(tea, vessel, ago, place, warming = false) {
  const t = (await records('/api/book')).teas.find((x) => x.name === tea);
  const v = (await records('/api/vessels')).vessels.find((x) => x.name === vessel);
  const body = { id: v7(), siteId: v.siteId, teaId: t.id, versionId: t.house.id, vesselId: v.id, water: v.mark, warmed: t.house.recipe.warm, warming, place, at: Date.now() - ago * 1000 };
  const answer = await page.request.post('/api/brews', { data: body, headers: { origin: `http://127.0.0.1:${port}` } });
  if (!answer.ok()) throw new Error(await answer.text());
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
  await stands('Ostrey Deep', 'Lidded cup', 26, 1);
  await stands('Tolvane Amber', 'White pot', 150, 2);
  await stands('Quillorn Steam', 'Small pot', 94, 3);
  await stands('Sennet Hollow', 'Release steeper', 158, 4);
  await stands('Corrow Light', 'Glass pot', 20, 5, true);
  await page.goto('/');
  await settle(1500);
  await shot('bar');
  await shot('bar-tablet', [820, 1180]);
  await shot('bar-phone', [390, 844]);
  await page.locator('.under[data-brew="Quillorn Steam"]').getByRole('button').first().click();
  await settle(7000);
  await page.locator('.under[data-brew="Quillorn Steam"]').getByRole('button').first().click();
  await settle();
  await role('radio', '4 · darker').click();
  await role('radio', 'Bitter: bitter').click();
  await role('radio', 'Drying: dry').click();
  await role('radio', 'Sweet: little').click();
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
  await page.keyboard.press('b');
  await settle();
  await role('button', 'Cups: change').click();
  await page.getByRole('textbox', { name: 'Cups' }).fill('18');
  await page.keyboard.press('Enter');
  await settle();
  await shot('scaling-board');
  await page.keyboard.press('Escape');
  await settle();
  await page.keyboard.press('v');
  await settle();
  await shot('versions');
  if (!only.length || only.includes('wall-card')) {
    const tea = (await records('/api/book')).teas.find((x) => x.name === 'Sennet Hollow');
    writeFileSync(join(folder, 'card.pdf'), await (await page.request.get(`/api/teas/${tea.id}/wall.pdf`)).body());
    spawnSync('pdftoppm', ['-r', '110', '-png', '-singlefile', join(folder, 'card.pdf'), join(out, 'wall-card')]);
    say('wall-card.png');
  }
  await place('Shelf');
  await shot('shelf');
  await role('link', /White pot/).click();
  await settle();
  await shot('vessel');
  await place('Shelf');
  await role('link', /Tall kettle/).click();
  await settle();
  await shot('kettle');
  await place('Log');
  await shot('log');
  await page.locator('a[href^="/log/"]').nth(9).click();
  await settle();
  await shot('brew');
  await place('House');
  await shot('house');
  await role('link', 'Exchange: out and in').click();
  await settle();
  await page.getByLabel('File to bring in').setInputFiles({ name: 'autumn.csv', mimeType: 'text/csv', buffer: Buffer.from('tea;method;leaf;water (ml);heat;earliest;best;latest\nSennet Hollow;pot;6,5 g;500;208;1:30;2:00;2:30\nKestry Pearl;pot;1 tbs;300;82;2:30;3,30;4:00\nSennet Holow;pot;7 g;500;80;1:30;2:00;2:30\nCorrow Light;pot;8 g;480;92;2:45;2:30;2:00\nTolvane Amber;pot;5 g;500;92;3:00;4:00;5:00\nVennick Gold;bowl;6 g;500;90;3:00;3:45;4:30\n') });
  await settle(1200);
  await shot('import');
} finally {
  await browser.close();
  server.kill('SIGTERM');
  await new Promise((r) => (server.exitCode === null ? server.once('exit', r) : r()));
  await database.stop();
  rmSync(folder, { recursive: true, force: true });
}
