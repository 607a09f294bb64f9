import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
// @ts-expect-error -- plain JavaScript of the start command
import { startMariadb } from '../../scripts/lib/mariadb.mjs';
import type { Vessel } from '../../src/contracts/vessels';
import { BarDriver } from '../drivers/BarDriver';
import { HouseDriver } from '../drivers/HouseDriver';
import { LogDriver } from '../drivers/LogDriver';
import { ShopServer } from '../fixtures/server';
import { deviceIn, expect, PEOPLE, serverTest, test } from '../fixtures/shop';

test('two tablets pull the same steep: first wins, the second is told by whom', async ({
  tablet,
}) => {
  const [one, two] = [new HouseDriver(await tablet()), new HouseDriver(await tablet())];
  const [barOne, barTwo] = [new BarDriver(one.page), new BarDriver(two.page)];
  await one.signIn(PEOPLE.brewer);
  await two.signIn(PEOPLE.other);
  await barOne.start({ tea: 'Tolvane Amber', vessel: 'White pot' });
  await barTwo.expectOnBar('Tolvane Amber');
  // The second tablet does not hear of the first's pull before its own.
  await two.page.route(/\/api\/(bar|live)/, (r) => r.abort());
  await two.page.reload();
  await barTwo.expectOnBar('Tolvane Amber');
  await barOne.pull('Tolvane Amber');
  await one.expectAllSaved();
  await barTwo.pull('Tolvane Amber');
  await two.expectSaid(/Dov R\. ended the steep of Tolvane Amber at 0:\d\d, before you\./);
  await two.page.unroute(/\/api\/(bar|live)/);
  await barTwo.expectState('Tolvane Amber', 'Dov R.');
  await two.expectAllSaved();
});

test('double taps start one brew and pull it once', async ({ house }) => {
  const bar = new BarDriver(house.page);
  await house.signIn(PEOPLE.brewer);
  await bar.openStart();
  await house.doublePress(/^Water on: start/);
  await bar.expectPlaces(1);
  await house.expectAllSaved();
  await house.page.reload();
  await bar.expectPlaces(1);
  await bar.doubleHand();
  // What is done at the pull follows from the vessel that was brewed in last.
  await bar.expectOnly(/(Lifted|Poured off|Released|Bag out|Served) at/);
  await expect(house.page).toHaveURL(/\/$/);
});
test('a double tap on "Water on" does not lift the basket', async ({ house }) => {
  const bar = new BarDriver(house.page);
  await house.signIn(PEOPLE.brewer);
  await bar.start({ tea: 'Tolvane Amber', vessel: 'White pot', warm: true });
  await house.page.waitForTimeout(800);
  await bar.doubleHand();
  await house.page.waitForTimeout(300);
  await bar.expectState('Tolvane Amber', 'Steeping, left');
});

serverTest(
  'the server gone mid-steep: the timer goes on, not saved yet is shown, and it is saved once when it is back',
  async ({ house, shop }) => {
    const bar = new BarDriver(house.page);
    await house.signIn(PEOPLE.brewer);
    await bar.start({ tea: 'Tolvane Amber', vessel: 'White pot' });
    await house.expectAllSaved();
    await shop.kill();
    const before = await bar.figure('Tolvane Amber');
    await house.page.waitForTimeout(2200);
    const after = await bar.figure('Tolvane Amber');
    expect(before - after).toBeGreaterThanOrEqual(2);
    await bar.pull('Tolvane Amber');
    await bar.expectState('Tolvane Amber', 'Lifted at');
    await house.expectUnsaved(1);
    await house.expectSaid(/No connection since \d\d:\d\d\. The bar goes on\./);
    await bar.start({ tea: 'Marrowick Broken', vessel: 'Grey pot' });
    await house.expectUnsaved(2);
    await shop.start();
    await house.expectAllSaved();
    await house.page.reload();
    await bar.expectState('Tolvane Amber', 'Lifted at');
    await bar.expectState('Marrowick Broken', 'Steeping, left');
    await house.goTo('Log');
    await new LogDriver(house.page).expectLines(1, 'Marrowick Broken', 'on the bar');
  },
);

test('what was not saved survives closing the page, and is sent by the next one', async ({
  house,
  shop,
  tablet,
}) => {
  const bar = new BarDriver(house.page);
  await house.signIn(PEOPLE.brewer);
  await bar.start({ tea: 'Tolvane Amber', vessel: 'White pot' });
  await house.expectAllSaved();
  await house.page.route('**/api/brews/*/events', (r) => r.abort());
  await bar.pull('Tolvane Amber');
  await house.expectUnsaved(1);
  const page = await house.page.context().newPage();
  await house.page.close();
  await page.goto(`${shop.address}/`);
  await new HouseDriver(page).expectAllSaved();
  await new BarDriver(page).expectState('Tolvane Amber', 'Lifted at');
  const other = new HouseDriver(await tablet());
  await other.signIn(PEOPLE.other);
  await new BarDriver(other.page).expectState('Tolvane Amber', 'Dov R.');
});

test('reload, a second tab, and a device clock set 7 minutes on: the timer stays right', async ({
  house,
}) => {
  const bar = new BarDriver(house.page);
  await house.signIn(PEOPLE.brewer);
  await bar.start({ tea: 'Tolvane Amber', vessel: 'White pot' });
  await house.expectAllSaved();
  await house.page.reload();
  const here = await bar.figure('Tolvane Amber');
  const tab = await house.page.context().newPage();
  // The second tab runs on a machine whose clock is 7 minutes ahead.
  await tab.addInitScript(() => {
    const real = Date.now;
    Date.now = () => real() + 7 * 60_000;
  });
  await tab.goto('/');
  const there = new BarDriver(tab);
  await there.expectOnBar('Tolvane Amber');
  expect(here).toBeGreaterThan(0);
  await expect
    .poll(async () =>
      Math.abs((await there.figure('Tolvane Amber')) - (await bar.figure('Tolvane Amber'))),
    )
    .toBeLessThanOrEqual(3);
  await expect(tab).toHaveTitle(/^\d:\d\d Tolvane Amber/);
});

test('the database killed and started again under a running server and page', async ({
  browser,
}) => {
  const folder = mkdtempSync(join(tmpdir(), 'limnos-e2e-'));
  let database = await startMariadb(folder, ['limnos_d']);
  const shop = new ShopServer('demo', database.url('limnos_d'));
  await shop.start();
  const context = await deviceIn(browser, shop);
  const page = await context.newPage();
  const [house, bar] = [new HouseDriver(page), new BarDriver(page)];
  await house.signIn(PEOPLE.brewer);
  await bar.start({ tea: 'Tolvane Amber', vessel: 'White pot' });
  await house.expectAllSaved();
  await database.kill();
  await bar.pull('Tolvane Amber');
  await house.expectUnsaved(1);
  await shop.stop();
  database = await startMariadb(folder, ['limnos_d'], { port: database.port });
  shop.moveTo(database.url('limnos_d'));
  await shop.start();
  await house.expectAllSaved();
  await page.reload();
  await bar.expectState('Tolvane Amber', 'Lifted at');
  await context.close();
  await shop.stop();
  await database.stop();
  rmSync(folder, { recursive: true, force: true });
});

test('the empty bar comes whole: with the shelf late, its button does not move under the finger', async ({
  house,
}) => {
  await house.page.route('**/api/vessels', async (r) => {
    await new Promise((f) => setTimeout(f, 1500));
    await r.continue();
  });
  await house.signIn(PEOPLE.brewer);
  await house.expectThere('button', /^Start a brew/);
  const before = await house.placeOf(/^Start a brew/);
  await house.page.waitForTimeout(2000);
  expect(await house.placeOf(/^Start a brew/)).toEqual(before);
});

test('a reading of the bar older than the pull does not take the judge’s marks away', async ({
  house,
}) => {
  const bar = new BarDriver(house.page);
  // Nothing is told to this page: it asks, every few seconds.
  await house.losesStream();
  await house.signIn(PEOPLE.brewer);
  await bar.standsSince(230, { tea: 'Tolvane Amber', vessel: 'White pot' });
  // One reading is taken before the pull and arrives well after it.
  let old = 0;
  await house.page.route('**/api/bar', async (r) => {
    if (old > 0) return r.continue();
    old = 1;
    const read = await r.fetch();
    await new Promise((f) => setTimeout(f, 4000));
    old = 2;
    await r.fulfill({ response: read }).catch(() => undefined);
  });
  await expect.poll(() => old).toBe(1);
  await bar.pull('Tolvane Amber');
  await house.expectAllSaved();
  await bar.judge('Tolvane Amber');
  await bar.mark('2 · lighter');
  await expect.poll(() => old).toBe(2);
  await house.page.waitForTimeout(1500);
  await house.expectChecked('radio', '2 · lighter');
  // Only the events are held back: the server answers, so nobody reads that it does not.
  await house.expectAllSaved();
});

test('a server that does not answer at first: the page says so and goes on by itself when it does', async ({
  tablet,
}) => {
  const page = await tablet();
  const house = new HouseDriver(page);
  let away = true;
  await page.route('**/api/house', (route) => (away ? route.abort() : route.continue()));
  await page.goto('/');
  await house.expectSaid('The house’s server does not answer.');
  away = false;
  await house.expectUnsaid('The house’s server does not answer.');
  await house.expectThere('button', PEOPLE.brewer.name);
});

test('what the bar needs is asked for while the application is still being read, and once', async ({
  house,
}) => {
  await house.signIn(PEOPLE.brewer);
  const { page } = house;
  const asked: string[] = [];
  let read = () => undefined as void;
  const held = new Promise<void>((resolve) => {
    read = resolve;
  });
  await page.route('**/assets/index-*.js', async (route) => {
    await held;
    await route.continue();
  });
  page.on('request', (r) => asked.push(new URL(r.url()).pathname));
  const first = ['/api/house', '/api/bar', '/api/book', '/api/vessels'];
  await page.reload({ waitUntil: 'commit' });
  await expect.poll(() => first.every((path) => asked.includes(path))).toBe(true);
  read();
  await house.expectThere('navigation', 'Places');
  for (const path of ['/api/book', '/api/vessels'])
    expect(asked.filter((a) => a === path)).toHaveLength(1);
});

test('a server that answers late: the page begins with what was kept, and takes up what is true now', async ({
  house,
}) => {
  const { page } = house;
  await house.signIn(PEOPLE.lead);
  await house.expectAllSaved();
  const { vessels } = (await (await page.request.get('/api/vessels')).json()) as {
    vessels: Vessel[];
  };
  const { id, siteId: _siteId, ...pot } = vessels.find((v) => v.name === 'White pot') as Vessel;
  // What the first page does not draw is read, and kept, a moment after it.
  await expect.poll(() => house.keptHere('read')).toEqual(expect.arrayContaining(['vessels']));
  await page.goto('about:blank');
  const changed = await page.request.patch(`/api/vessels/${id}`, {
    data: { ...pot, name: 'Chipped pot' },
    headers: { origin: new URL((await page.request.get('/api/time')).url()).origin },
  });
  expect(changed.status()).toBe(200);
  let answer = () => undefined as void;
  const late = new Promise<void>((resolve) => {
    answer = resolve;
  });
  await page.route('**/api/**', async (route) => {
    await late;
    await route.continue();
  });
  await page.goto('/shelf');
  await house.expectSaid('White pot');
  answer();
  await house.expectSaid('Chipped pot');
});

test('a part of a page that is lost on its way is fetched again by itself, once; what fails again is said', async ({
  house,
}) => {
  await house.signIn(PEOPLE.lead);
  await house.expectThere('button', /^Start a brew/);
  let [lost, least] = [0, 1];
  await house.page.route(/\/assets\/.*\.js$/, (r) => (lost++ < least ? r.abort() : r.continue()));
  await house.goTo('Log');
  await house.expectSaid('Every brew of');
  expect(lost).toBeGreaterThan(1);
  // Lost again within the minute: it is said, and a touch loads it.
  [lost, least] = [0, Infinity];
  await house.inside('navigation', 'Places').follow(/School$/);
  await house.expectSaid('This page did not load.');
  least = 0;
  await house.press('Load again');
  await house.expectSaid('To practise');
});
