// npm run bench:book: typed find in a book of 500 teas, in the page; and a table of 5,000 rows with 40 faults, read.
// Prints JSON.
import { fork } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { v7 } from 'uuid';
import { openChromium } from '../lib/chromium.mjs';
import { startMariadb } from '../lib/mariadb.mjs';
import { cleanEnv, needBuild, needModules, needPackages, ROOT } from '../lib/prepare.mjs';

process.env.LIMNOS_SAY = 'stderr';
needPackages({ mariadbd: 'mariadb-server', 'mariadb-install-db': 'mariadb-server' });
needModules();
needBuild();
const folder = mkdtempSync(join(tmpdir(), 'limnos-bench-'));
const database = await startMariadb(folder, ['limnos_bench']);
const server = fork(join(ROOT, 'dist/server/main.mjs'), {
  cwd: ROOT,
  env: cleanEnv({
    DATABASE_URL: database.url('limnos_bench'),
    PORT: '0',
    LIMNOS_SEED: 'demo',
    LIMNOS_DEMO_DAYS: '2',
    LOG_LEVEL: 'silent',
  }),
  stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
});
const { port } = await new Promise((resolve) => server.once('message', resolve));
const address = `http://127.0.0.1:${port}`;
const browser = await openChromium();
const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
const percentile = (sorted, p) =>
  Number(sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * p))].toFixed(1));

const FIRST = [
  'Bar',
  'Cor',
  'Dun',
  'Fen',
  'Gal',
  'Hol',
  'Ister',
  'Jor',
  'Kel',
  'Lun',
  'Mor',
  'Nar',
  'Osk',
  'Pel',
  'Quil',
  'Ros',
  'Sen',
  'Tol',
  'Ul',
  'Ven',
];
const LAST = [
  'row',
  'mere',
  'wick',
  'hollow',
  'stead',
  'ridge',
  'vale',
  'fold',
  'burn',
  'leigh',
  'garth',
  'moss',
  'thorn',
  'dale',
  'water',
  'brook',
  'cross',
  'holt',
  'shaw',
  'grove',
  'pike',
  'crag',
  'lane',
  'gate',
];
const names = FIRST.flatMap((a) => LAST.map((b) => `${a}${b} Leaf`));
const KINDS = ['white', 'black, whole leaf', 'green, steamed', 'green, pan-fired'];

try {
  await page.goto(address);
  await page
    .getByRole('button', { name: /^Ilsa V/ })
    .first()
    .click();
  await page.getByLabel('Passphrase').fill('grey pot first');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.getByRole('navigation', { name: 'Places' }).waitFor();
  const send = async (what, text) => {
    const began = performance.now();
    const answer = await page.request.post(`${address}/api/exchange/${what}`, {
      headers: { origin: address },
      timeout: 120_000,
      data: {
        ...(what === 'imports' ? { id: v7() } : {}),
        name: 'bench.csv',
        text,
        table: null,
        answers: {},
      },
    });
    if (!answer.ok()) throw new Error(await answer.text());
    return { ms: Math.round(performance.now() - began), body: await answer.json() };
  };
  const teas = await send(
    'imports',
    [
      'tea,style,words',
      ...names.map((n, i) => `${n},"${KINDS[i % 4]}","malty, word${i % 37}"`),
    ].join('\n'),
  );
  await send(
    'imports',
    [
      'tea,dose,heat,best',
      ...names.map(
        (n, i) => `${n},${(1 + (i % 9) / 10).toFixed(1)},${70 + (i % 25)},${2 + (i % 3)}:00`,
      ),
    ].join('\n'),
  );

  const rows = Array.from(
    { length: 5000 },
    (_, i) => `${i % 125 === 60 ? '' : `Sample ${i}`};white;dessert spoon;5;12,5`,
  );
  const reading = [];
  let faults = 0;
  for (let i = 0; i < 5; i++) {
    const { ms, body } = await send(
      'preview',
      ['tea;style;spoon;spoons;weighed (g)', ...rows].join('\r\n'),
    );
    reading.push(ms);
    faults = new Set(body.faults.map((f) => f.row)).size;
  }
  reading.sort((a, b) => a - b);

  await page.goto(`${address}/book?find=1`);
  await page.locator('.teas li').first().waitFor();
  await page.waitForTimeout(1500);
  const times = [];
  for (const word of [
    'hollow',
    'malty',
    'pel',
    'word12',
    'white',
    'zzz',
    'sen',
    'lot',
    'green',
    'quil',
  ]) {
    await page.getByLabel('Find a tea').fill('');
    await page.waitForTimeout(200);
    for (const letter of word) {
      // From the letter to after the next frame is drawn.
      times.push(
        await page.evaluate(
          (c) =>
            new Promise((done) => {
              const box = /** @type {HTMLInputElement} */ (
                document.querySelector('[aria-label="Find a tea"]')
              );
              const began = performance.now();
              Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(
                box,
                box.value + c,
              );
              box.dispatchEvent(new Event('input', { bubbles: true }));
              requestAnimationFrame(() => setTimeout(() => done(performance.now() - began), 0));
            }),
          letter,
        ),
      );
    }
  }
  times.sort((a, b) => a - b);
  console.log(
    JSON.stringify(
      {
        find: {
          teas: names.length + 24,
          letters: times.length,
          p50Ms: percentile(times, 0.5),
          p95Ms: percentile(times, 0.95),
          mostMs: percentile(times, 1),
          wantedP95Ms: 50,
        },
        readTable: {
          rows: 5000,
          faultsNamed: faults,
          medianMs: reading[2],
          mostMs: reading.at(-1),
          wantedMs: 3000,
        },
        bringIn: { teas: names.length, ms: teas.ms },
      },
      null,
      1,
    ),
  );
} finally {
  await browser.close();
  server.kill('SIGTERM');
  await new Promise((r) => server.once('exit', r));
  await database.stop();
  rmSync(folder, { recursive: true, force: true });
}
