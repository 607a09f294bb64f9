// npm run screenshots: one picture per main view, from a demo of its own, into docs/screenshots/.
// Look at every one before committing it.
import { spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { v7 } from 'uuid';
import { forkApplication } from './lib/application.mjs';
import { openChromium } from './lib/chromium.mjs';
import { startMariadb } from './lib/mariadb.mjs';
import { needBuild, needPackages, ROOT } from './lib/prepare.mjs';
import { say } from './lib/say.mjs';

needPackages({ pdftoppm: 'poppler-utils' });
needBuild();
const only = process.argv.slice(2);
const out = join(ROOT, 'docs/screenshots');
mkdirSync(out, { recursive: true });
// Always the same afternoon, so that a picture changes only when a screen does.
const AFTERNOON = Date.parse('2026-03-11T14:20:00Z');
const ahead = AFTERNOON - Date.now();
const now = () => Date.now() + ahead;
/** Shifts a page's clock to that afternoon. */
function shiftClock(by) {
  const RealDate = Date;
  globalThis.Date = /** @type {any} */ (
    class extends RealDate {
      constructor(/** @type {any[]} */ ...given) {
        super(.../** @type {[any]} */ (given.length === 0 ? [RealDate.now() + by] : given));
      }
      /** @override */
      static now() {
        return RealDate.now() + by;
      }
    }
  );
}
const folder = mkdtempSync(join(tmpdir(), 'limnos-shots-'));
mkdirSync(join(folder, 'backups'));
const database = await startMariadb(folder, ['limnos_shots']);
const { child: server, ready } = await forkApplication({
  DATABASE_URL: database.url('limnos_shots'),
  PORT: '0',
  LIMNOS_SEED: 'demo',
  LIMNOS_CLOCK: new Date(now()).toISOString(),
  LOG_LEVEL: 'silent',
  LIMNOS_BACKUPS: join(folder, 'backups'),
  LIMNOS_BACKUP_PROGRAM: 'e2e/host/backupProgram.mjs',
});
const { port } = ready;
const browser = await openChromium();
const context = await browser.newContext({
  viewport: { width: 1280, height: 800 },
  locale: 'en-GB',
  timezoneId: 'Europe/London',
  serviceWorkers: 'block',
  baseURL: `http://127.0.0.1:${port}`,
  reducedMotion: 'reduce',
});
await context.addInitScript(shiftClock, ahead);
const page = await context.newPage();
page.setDefaultTimeout(15_000);
page.on('pageerror', (e) => say(`page error: ${e.message}`));

const settle = (ms = 700) => page.waitForTimeout(ms);
const role = (kind, name) => page.getByRole(kind, { name }).first();
const place = async (name) => {
  await page
    .getByRole('navigation', { name: 'Places' })
    .getByRole('link', { name: new RegExp(`${name}$`) })
    .click();
  await settle();
};
async function shot(name, size) {
  if (only.length && !only.includes(name)) return;
  if (size) {
    await page.setViewportSize({ width: size[0], height: size[1] });
    await settle(400);
  }
  await page.screenshot({ path: join(out, `${name}.png`) });
  say(`${name}.png`);
  if (size) await page.setViewportSize({ width: 1280, height: 800 });
}
/** Several pictures on one: each is held until the last is there. */
const held = new Map();
async function tile(name, picture, { of, columns = 1 }) {
  const pictures = [...(held.get(name) ?? []), picture];
  held.set(name, pictures);
  if (pictures.length < of || (only.length && !only.includes(name))) return;
  const gap = 16;
  const sizes = await Promise.all(pictures.map((x) => sharp(x).metadata()));
  const rows = Math.ceil(of / columns);
  const most = (list) => Math.max(...list);
  const inColumn = (c) => sizes.filter((_, i) => i % columns === c);
  const inRow = (r) => sizes.slice(r * columns, (r + 1) * columns);
  const widths = Array.from({ length: columns }, (_, c) => most(inColumn(c).map((m) => m.width)));
  const heights = Array.from({ length: rows }, (_, r) => most(inRow(r).map((m) => m.height)));
  const upTo = (list, n) => list.slice(0, n).reduce((sum, x) => sum + x + gap, 0);
  await sharp({
    create: {
      width: upTo(widths, columns) - gap,
      height: upTo(heights, rows) - gap,
      channels: 3,
      background: '#8a969d',
    },
  })
    .composite(
      pictures.map((input, i) => ({
        input,
        left: upTo(widths, i % columns),
        top: upTo(heights, Math.floor(i / columns)),
      })),
    )
    .png({ compressionLevel: 9 })
    .toFile(join(out, `${name}.png`));
  say(`${name}.png`);
}
async function pictureOf(size) {
  if (size) {
    await page.setViewportSize({ width: size[0], height: size[1] });
    await settle(400);
  }
  const picture = await page.screenshot();
  if (size) await page.setViewportSize({ width: 1280, height: 800 });
  return picture;
}
/** Two states of one view on one picture, one over the other or side by side. */
const half = async (name, size, across = false) =>
  tile(name, await pictureOf(size), { of: 2, columns: across ? 2 : 1 });
/** Cold: four days, one day, a glass of an extract, nothing yet; a tablet, a phone, a label. */
const ofCold = (picture) => tile('cold', picture, { of: 7, columns: 4 });
/**
 * A start: as the house has it, as a guest asks for it, in a pot not on the shelf; water from a kettle that only boils; a
 * brew by tasting; a card to take home.
 */
const ofStart = (picture) => tile('start', picture, { of: 6, columns: 3 });
/** The House, with what leads look after: devices, backups, programs, who did what. */
async function ofHouse() {
  const take = async () => tile('house', await page.screenshot(), { of: 5, columns: 3 });
  const go = async (path) => {
    await page.goto(path);
    await settle(900);
  };
  await go('/house/backups');
  await role('button', 'Make a backup now').click();
  await settle(4500);
  await go('/house');
  await take();
  await go('/house/devices');
  await role('button', 'New device').click();
  await page.getByLabel('Name of the device').fill('Left tablet');
  await role('button', 'Make a code').click();
  await settle();
  await take();
  await go('/house/backups');
  await take();
  await go('/house/programs');
  await role('button', 'New key').click();
  await page.getByLabel('Name of the program').fill('Till at the door');
  await role('button', 'Make the key').click();
  await settle();
  await take();
  await go('/house/audit');
  await take();
  await go('/house');
}
/** A brew whose time is found by tasting, its leaf out of the water; given up again. */
async function byTasting() {
  await role('button', 'Find by tasting').click();
  await role('button', /^Water on: start/).click();
  await settle(4000);
  await role('button', /^Leaf out/).click();
  await settle();
  const picture = await pictureOf();
  await page.keyboard.press('Escape');
  await role('button', /^More for/).click();
  await role('menuitem', 'Give it up').click();
  await role('button', 'Wrong tea').click();
  return picture;
}
/** Twelve on the bar: a screen, a tablet, a phone. */
const ofTwelve = (picture) => tile('bar-twelve', picture, { of: 3, columns: 3 });
/**
 * School: own skills, the lead's board, a cup asked and answered; a shift and its debrief, courses, a lesson with leaf;
 * cups in order, a figure on a phone, own skills on a phone, a trainer's sheet in print.
 */
const ofSchool = (picture) => tile('school', picture, { of: 12, columns: 4 });
/** A shift, step by step, for so many moments; every leaf is late, so that the debrief has something to say. */
async function runShift(moments) {
  for (let moment = 0; moment < moments; moment++) {
    const due = await page.evaluate(() =>
      [...document.querySelectorAll('[data-vessel]')].flatMap((vessel, i) => {
        const isDue = /late|pulled/.test(vessel.className);
        return isDue || /Ordered|Lid on/.test(vessel.textContent) ? [i + 1] : [];
      }),
    );
    for (const vessel of due) {
      await page.keyboard.press(String(vessel));
      await page.keyboard.press(' ');
    }
    await page.keyboard.press('Enter');
    if (await page.getByText('The orders, worst cup first').isVisible()) return;
  }
}
/** Cold as it is before the first batch, drawn once. */
async function emptyCold() {
  const without = (path, change) =>
    page.route(path, async (route) => {
      const answer = await route.fetch();
      await route.fulfill({ response: answer, json: change(await answer.json()) });
    });
  await without('**/api/batches', (cold) => ({ ...cold, batches: [], readings: [], gaps: [] }));
  await without('**/api/cold/plan', ({ plan }) => ({
    plan: { ...plan, batches: [], demand: [] },
    poured: [],
  }));
  await page.goto('/cold');
  await settle(1500);
  const picture = await pictureOf();
  await page.unrouteAll({ behavior: 'wait' });
  return picture;
}
/** The label of a batch as it is printed. */
const labelOf = (batchId) => printed(`/api/batches/${batchId}/label.pdf?zone=Europe/London`, 220);
/** A tea's card for a guest who measures in US teaspoons and ounces. */
async function guestCardOf(name) {
  const { teas } = await records('/api/book');
  const { id } = teas.find((tea) => tea.name === name);
  const home = 'water=700&spoon=usTeaspoon&volume=usFlOz&degrees=F';
  return printed(`/api/teas/${id}/guest.pdf?${home}`, 137);
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
const records = async (path) => (await page.request.get(path)).json();
async function post(path, data) {
  const answer = await page.request.post(path, {
    data,
    headers: { origin: `http://127.0.0.1:${port}` },
  });
  if (!answer.ok()) throw new Error(`${path}: ${await answer.text()}`);
}
/** Somebody else is signed in from now on. */
async function signedInAs(name, secret) {
  const { sites } = await records('/api/house');
  const { people } = await records(`/api/sites/${sites[0].id}/names`);
  const person = people.find((p) => p.name === name);
  await post('/api/session', { personId: person.id, siteId: sites[0].id, secret });
}
/** A brew that another tablet started so many seconds ago. */
async function stands(tea, vessel, ago, place, warming = false) {
  const t = (await records('/api/book')).teas.find((x) => x.name === tea);
  const v = (await records('/api/vessels')).vessels.find((x) => x.name === vessel);
  const body = {
    id: v7(),
    siteId: v.siteId,
    teaId: t.id,
    versionId: t.house.id,
    vesselId: v.id,
    water: v.mark,
    warmed: t.house.recipe.warm,
    warming,
    place,
    at: now() - ago * 1000,
  };
  await post('/api/brews', body);
}

try {
  await page.goto('/');
  await settle();
  await role('button', /^Ilsa V/).click();
  await page.getByLabel('Passphrase').fill('grey pot first');
  await role('button', 'Sign in').click();
  await settle();
  await page.keyboard.press('n');
  await settle();
  await ofStart(await pictureOf());
  await page.goto('/start?strength=1&milk=tenth&cups=4&each=110');
  await settle();
  await ofStart(await pictureOf());
  await role('button', 'Vessel: change').click();
  await role('button', 'A pot that is not on the shelf').click();
  await page.getByLabel('The pot holds, to the brim').fill('24 fl oz');
  await settle();
  await ofStart(await pictureOf());
  await page.keyboard.press('Escape');
  await page.goto('/start');
  await settle();
  await role('button', 'Quillorn Steam').click();
  const urn = page.locator('option', { hasText: 'Counter urn' });
  await page.getByLabel('Kettle', { exact: true }).selectOption(await urn.getAttribute('value'));
  await settle();
  await ofStart(await pictureOf());
  await ofStart(await byTasting());
  await ofStart(await guestCardOf('Kestry Pearl'));
  await page.goto('/cold');
  await settle(1500);
  await ofCold(await pictureOf());
  await page.keyboard.press('v');
  await settle(800);
  await ofCold(await pictureOf());
  await page.keyboard.press('v');
  const { batches } = await records('/api/batches');
  const extract = batches.find((b) => b.plan.method === 'extract' && b.events.length > 0);
  await page.goto(`/cold/${extract.id}`);
  await settle(1500);
  await ofCold(await pictureOf());
  await ofCold(await emptyCold());
  await page.goto('/cold');
  await settle(1500);
  await ofCold(await pictureOf([820, 1180]));
  await ofCold(await pictureOf([390, 844]));
  await ofCold(await labelOf(extract.id));
  await page.goto('/cold/plan');
  await settle(2500);
  await half('cold-plan');
  await page.goto('/cold/fridge');
  await settle(1500);
  await half('cold-plan');
  await page.goto('/school/board');
  await settle(1500);
  const board = await pictureOf();
  await signedInAs('Dov R.', '2718');
  await page.goto('/school');
  await settle(1500);
  await ofSchool(await pictureOf());
  await ofSchool(board);
  await page.goto('/school/diagnose');
  await page.getByRole('img', { name: 'This cup' }).waitFor();
  await settle();
  await ofSchool(await pictureOf());
  await page.keyboard.press('1');
  await page.getByRole('button', { name: 'leaf', exact: true }).click();
  await role('button', 'More how much').click();
  await role('button', /^Submit/).click();
  await settle();
  await ofSchool(await pictureOf());
  await page.goto('/school/shift');
  await role('button', /^Begin,/).waitFor();
  await page.keyboard.press('s');
  await runShift(16);
  await settle();
  await ofSchool(await pictureOf());
  await runShift(200);
  await settle();
  await ofSchool(await pictureOf());
  for (const path of ['/school/courses', '/school/leaf/timeLadder']) {
    await page.goto(path);
    await settle(1500);
    await ofSchool(await pictureOf());
  }
  await page.goto('/school/order');
  await role('button', 'Place 1, empty').waitFor();
  for (const [i, letter] of ['c', 'f', 'a'].entries()) {
    await page.keyboard.press(letter);
    await page.keyboard.press(String(i + 2));
  }
  await settle();
  await ofSchool(await pictureOf());
  await page.goto('/school/scale');
  await role('button', /^Submit/).waitFor();
  await settle();
  await ofSchool(await pictureOf([390, 844]));
  await page.goto('/school');
  await settle(1500);
  await ofSchool(await pictureOf([390, 844]));
  await signedInAs('Ilsa V.', 'grey pot first');
  const { sites } = await records('/api/house');
  const { tastings } = await records(`/api/tastings?siteId=${sites[0].id}`);
  const lesson = tastings.find((t) => t.lesson);
  await ofSchool(await printed(`/api/tastings/${lesson.id}/trainer-sheet.pdf`, 70));
  await page.goto('/');
  await settle(1500);
  // One, then six with one of them late, then twelve with three waiting.
  await stands('Tolvane Amber', 'White pot', 150, 2);
  await page.goto('/');
  await settle(1500);
  await stands('Ostrey Deep', 'Lidded cup', 24, 1);
  await stands('Quillorn Steam', 'Small pot', 94, 3);
  await stands('Sennet Hollow', 'Release steeper', 156, 4);
  await stands('Corrow Light', 'Glass pot', 20, 5, true);
  await stands('Ullash White Bud', 'Lidded mug', 58, 6);
  await settle(1200);
  await shot('bar');
  const like = (await records('/api/vessels')).vessels.find((v) => v.name === 'White pot');
  const { id: _id, rev: _rev, retired: _retired, ...facts } = like;
  for (const name of ['Blue pot', 'Tall pot', 'Oval pot', 'Pot by the window'])
    await post('/api/vessels', { ...facts, id: v7(), name });
  for (const [i, [tea, vessel, ago]] of [
    ['Marrowick Broken', 'Grey pot', 73],
    ['Dunvarrow Roast', 'Ball mug', 150],
    ['Osk Flower', 'Blue pot', 40],
    ['Iveline First', 'Tall pot', 148],
    ['Corrow Roast', 'Oval pot', 96],
    ['Vennick Gold', 'Pot by the window', 148],
  ].entries())
    await stands(tea, vessel, ago, i + 7);
  const teas = (await records('/api/book')).teas;
  for (const [i, [tea, forWhom]] of [
    ['Mereth Mint', 'window table'],
    ['Haldrin Shade', 'two at the bar'],
    ['Orrin Hearth', 'to take out'],
  ].entries())
    await post('/api/orders', {
      id: v7(),
      siteId: like.siteId,
      teaId: teas.find((t) => t.name === tea).id,
      vesselId: null,
      water: null,
      forWhom,
      rank: i,
      at: now(),
    });
  await settle(1200);
  await ofTwelve(await pictureOf());
  await ofTwelve(await pictureOf([820, 1180]));
  await ofTwelve(await pictureOf([390, 844]));
  await context.setOffline(true);
  await page.locator('.under[data-brew="Quillorn Steam"] .act .btn').first().click();
  await settle(1000);
  await context.setOffline(false);
  await page.goto('/');
  await settle(4000);
  await page
    .locator('.under[data-brew="Quillorn Steam"]')
    .getByRole('button', { name: /^Judge/ })
    .click();
  await settle();
  await role('radio', '4 · darker').click();
  await role('radio', 'Bitter: bitter').click();
  await role('radio', 'Drying: dry').click();
  await role('radio', 'Sweet: little').click();
  await settle();
  await shot('judge');
  for (const b of (await records('/api/bar')).brews.filter(
    (x) => x.place > 6 || x.tea.name === 'Sennet Hollow',
  ))
    await post(`/api/brews/${b.id}/events`, {
      id: v7(),
      at: now(),
      kind: 'abandon',
      reason: 'Spilled',
    });
  await page.goto('/');
  await settle();
  await place('Book');
  await role('link', /Tolvane Amber/).click();
  await settle();
  await shot('book');
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
  await shot('shelf');
  await place('Log');
  await half('log');
  await page.goto('/log/trends');
  await settle(1500);
  await half('log');
  // One brew with all there is to tell of it: steps, a weighing, a thermometer, a late lift.
  const told = v7();
  const on = now() - 420_000;
  const tea = teas.find((t) => t.name === 'Sennet Hollow');
  const happened = (at, body) =>
    post(`/api/brews/${told}/events`, { id: v7(), at: on + at * 1000, ...body });
  await post('/api/brews', {
    id: told,
    siteId: like.siteId,
    teaId: tea.id,
    versionId: tea.house.id,
    vesselId: (await records('/api/vessels')).vessels.find((v) => v.name === 'Grey pot').id,
    water: 800,
    warmed: true,
    warming: true,
    place: 8,
    at: on - 95_000,
  });
  await happened(-70, { kind: 'step', key: 'warm', outcome: 'done' });
  await happened(-42, { kind: 'step', key: 'weigh', outcome: 'done', grams: 10.9 });
  await happened(0, { kind: 'waterOn' });
  for (const [at, celsius] of [
    [10, 84.5],
    [70, 83],
    [140, 81.5],
    [220, 76],
  ])
    await happened(at, { kind: 'reading', celsius });
  await happened(171, { kind: 'pull' });
  await happened(178, { kind: 'step', key: 'drain', outcome: 'skipped' });
  await happened(300, { kind: 'close' });
  await page.goto(`/log/${told}`);
  await settle();
  await shot('brew');
  await place('House');
  await ofHouse();
  // A ladder: set up, half poured, one sheet begun; then the result of one that was revealed, and a colour read.
  await page.goto('/table/new');
  await settle();
  await role('button', 'Tea: change').click();
  await page.getByLabel('Type a name').fill('marrow');
  await page.keyboard.press('Enter');
  for (const name of ['Dov R.', 'Pela M.', 'Tam O.']) await role('button', name).click();
  await role('button', /^Set it up/).click();
  await settle();
  const [ladder] = (await records(`/api/tastings?siteId=${like.siteId}`)).tastings;
  const table = (at, act) => post(`/api/tastings/${ladder.id}/events`, { id: v7(), at, act });
  const began = now() - 134_000;
  await table(began, { kind: 'start' });
  const plan = (await records(`/api/tastings/${ladder.id}`)).exercise.cups.map(
    (c) => c.plan.seconds,
  );
  for (const [cup, s] of plan.entries())
    if (s < 130) await table(began + s * 1000 + 1200, { kind: 'pull', cup });
  await settle(1200);
  await shot('table-run');
  await role('link', 'Taste').click();
  await settle();
  await role('tab', '4 Taste').click();
  await role('radio', 'Bitter: bitter').click();
  await role('radio', 'Strength: right').click();
  await role('radio', 'Sweet: little').click();
  await page.locator('.sheet-body').evaluate((e) => e.scrollTo(0, 0));
  await half('table-sheet', [390, 844], true);
  await role('button', 'Order the cups').click();
  await half('table-sheet', [390, 844], true);
  await page.goto('/table');
  await settle();
  await role('link', /Ladder of time.*revealed/).click();
  await settle(1500);
  await shot('table-result');
  await page.goto('/table/colour');
  await settle();
  await role('button', /^Malty black, weak/).click();
  await settle(1800);
  await half('colour');
  await role('button', /too dark$/).click();
  await settle(1800);
  await page.locator('.work').evaluate((e) => e.scrollTo(0, 0));
  await half('colour');
  // A dial-in after its second round.
  await page.goto('/table');
  await settle();
  await page.locator('a.tasting-row', { hasText: 'Dial-in of a lot' }).click();
  await settle();
  await role('button', 'Set up round 2').click();
  await settle();
  const second = page.url().split('/').at(-1);
  const round = (at, act) => post(`/api/tastings/${second}/events`, { id: v7(), at, act });
  const { exercise } = await records(`/api/tastings/${second}`);
  const from = now() - 900_000;
  await round(from, { kind: 'start' });
  for (const [cup, c] of exercise.cups.entries()) {
    await round(from, { kind: 'pour', cup });
    await round(from + c.plan.seconds * 1000, { kind: 'pull', cup });
  }
  for (const [i, t] of exercise.tasters.entries()) {
    for (const [cup, c] of exercise.cups.entries())
      await round(now(), {
        kind: 'keep',
        taster: t.id,
        code: c.codes[0],
        sheet: {
          marks:
            cup === 0
              ? { strength: i > 0 ? 1 : 0, bitterness: 1, astringency: 0, sweetness: -1, aroma: 0 }
              : {
                  strength: 0,
                  bitterness: i === 0 ? 1 : 0,
                  astringency: i === 1 ? -1 : 0,
                  sweetness: 0,
                  aroma: i > 1 ? -1 : 0,
                },
          words: [],
        },
      });
    await round(now(), { kind: 'handIn', taster: t.id, order: null, choice: null });
  }
  await round(now(), { kind: 'reveal' });
  await page.reload();
  await settle(1200);
  await shot('dial-in');
  await page.goto(`/book/${teas.find((t) => t.name === 'Marrowick Broken').id}/fit`);
  await settle(1500);
  const ofFit = async () => tile('fit', await page.screenshot(), { of: 2, columns: 2 });
  await ofFit();
  await page.goto(`/book/${teas.find((t) => t.name === 'Lammer Breaks').id}/advice`);
  await page.getByRole('button', { name: 'Make it a trial' }).click();
  await settle(1500);
  await page.keyboard.press('c');
  await settle(6000);
  await ofFit();
} finally {
  await browser.close();
  server.kill('SIGTERM');
  await /** @type {Promise<void>} */ (
    new Promise((r) => (server.exitCode === null ? server.once('exit', () => r()) : r()))
  );
  await database.stop();
  rmSync(folder, { recursive: true, force: true });
}
