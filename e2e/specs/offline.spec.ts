import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { brotliCompressSync, gzipSync } from 'node:zlib';
import type { Page } from '@playwright/test';
import { BarDriver } from '../drivers/BarDriver';
import { HouseDriver } from '../drivers/HouseDriver';
import { LogDriver } from '../drivers/LogDriver';
import { TableDriver } from '../drivers/TableDriver';
import { ShopServer } from '../fixtures/server';
import { deviceIn, expect, PEOPLE, serverTest, test } from '../fixtures/shop';

/** The application is kept on the device: from then on it opens without a server. */
const kept = (page: Page) =>
  page.waitForFunction(
    () => navigator.serviceWorker.controller !== null && caches.keys().then((k) => k.length > 0),
  );
/** A brewer's tablet with the application kept on it and one brew running and saved. */
async function brewingOn(page: Page) {
  const [house, bar] = [new HouseDriver(page), new BarDriver(page)];
  await house.signIn(PEOPLE.brewer);
  await kept(page);
  await bar.start({ tea: 'Tolvane Amber', vessel: 'White pot' });
  await house.expectAllSaved();
  return { house, bar };
}

serverTest(
  'with the server gone the bar starts, brews, pulls and judges; closed and opened again it still has it all, and each arrives once',
  async ({ tablet, shop }) => {
    const page = await tablet({ serviceWorkers: 'allow' });
    const { house, bar } = await brewingOn(page);
    await shop.kill();
    await page.reload();
    await bar.expectState('Tolvane Amber', 'Steeping, left');
    await house.expectSaid(/No connection since \d\d:\d\d\. The bar goes on\./);
    // A phone has room for it too.
    await page.setViewportSize({ width: 390, height: 844 });
    await house.expectSaid(/No connection since \d\d:\d\d\. The bar goes on\./);
    await page.setViewportSize({ width: 1280, height: 800 });
    await bar.start({ tea: 'Marrowick Broken', vessel: 'Grey pot' });
    await bar.pull('Tolvane Amber');
    await bar.judge('Tolvane Amber');
    await house.press('All as it should be');
    await bar.expectGone('Tolvane Amber');
    await bar.openStart();
    await bar.chooseTea('Iveline First');
    await bar.putInQueue('window table');
    await house.expectUnsaved(4);
    const again = await page.context().newPage();
    await page.close();
    await again.goto('/');
    const [houseAgain, barAgain] = [new HouseDriver(again), new BarDriver(again)];
    await houseAgain.expectUnsaved(4);
    await barAgain.expectState('Marrowick Broken', 'Steeping, left');
    await barAgain.expectQueue(['Iveline First']);
    await shop.start();
    await houseAgain.expectAllSaved();
    await again.reload();
    await barAgain.expectState('Marrowick Broken', 'Steeping, left');
    await barAgain.expectQueue(['Iveline First']);
    await houseAgain.goTo('Log');
    const log = new LogDriver(again);
    await log.expectLine(1, ['Tolvane Amber', 'right'], 'Dov R.');
    await log.expectLines(1, 'on the bar');
  },
);

serverTest(
  'a ladder goes on when the server is gone and the page is loaded again; what was poured off arrives once',
  async ({ tablet, shop }) => {
    const page = await tablet({ serviceWorkers: 'allow' });
    const house = new HouseDriver(page);
    await house.signIn(PEOPLE.lead);
    await kept(page);
    const table = new TableDriver(page);
    await table.open();
    await page.keyboard.press('n');
    for (const [i, t] of ['0:05', '0:06', '5:00', '6:00'].entries())
      await table.figure(i + 1, 'time', t);
    await table.setUp();
    const codes = await table.codes();
    await page.keyboard.press(' ');
    await expect(table.act()).toContainText(`Poured off ${codes[0]}`);
    await house.expectAllSaved();
    await shop.kill();
    await page.reload();
    await expect(table.act()).toContainText(`Poured off ${codes[0]}`);
    await page.keyboard.press(' ');
    await table.poured(codes[0] ?? '');
    await page.keyboard.press(' ');
    await table.poured(codes[1] ?? '');
    await house.expectUnsaved(2);
    await page.reload();
    await table.poured(codes[1] ?? '');
    await shop.start();
    await house.expectAllSaved();
    await expect(table.act()).toContainText(`Poured off ${codes[2]}`);
    const view = (await (
      await page.request.get(`/api/tastings/${page.url().split('/').at(-1) ?? ''}`)
    ).json()) as { events: { act: { kind: string } }[] };
    expect(view.events.map((e) => e.act.kind)).toEqual(['start', 'pull', 'pull']);
  },
);

test('what a version before kept in the page’s small storage is brought over and sent', async ({
  house,
}) => {
  const bar = new BarDriver(house.page);
  await house.signIn(PEOPLE.brewer);
  const id = await bar.began(200, { tea: 'Tolvane Amber', vessel: 'White pot' });
  await bar.expectOnBar('Tolvane Amber');
  const { session } = (await (await house.page.request.get('/api/house')).json()) as {
    session: { personId: string };
  };
  await house.page.evaluate(
    ({ brewId, me }) => {
      const event = '01890000-0000-7000-8000-000000000001';
      localStorage.setItem(
        `limnos.waiting.${event}`,
        JSON.stringify({
          kind: 'event',
          id: event,
          seq: 1,
          brewId,
          by: { id: me, name: 'Dov R.' },
          body: { id: event, at: Date.now(), kind: 'pull' },
        }),
      );
    },
    { brewId: id, me: session.personId },
  );
  await house.page.reload();
  await bar.expectState('Tolvane Amber', 'Lifted at');
  await house.expectAllSaved();
  expect(
    await house.page.evaluate(() =>
      Object.keys(localStorage).filter((k) => k.startsWith('limnos.waiting')),
    ),
  ).toEqual([]);
});

test('a newer version asks before it is taken up, and what is not saved is still there after it', async ({
  browser,
}) => {
  // A copy of the application, so that its next version can be put in its place.
  const web = mkdtempSync(join(tmpdir(), 'limnos-web-'));
  cpSync('dist/web', web, { recursive: true });
  const shop = new ShopServer('demo', null, web);
  await shop.start();
  const context = await deviceIn(browser, shop, { serviceWorkers: 'allow' });
  try {
    const page = await context.newPage();
    const { house, bar } = await brewingOn(page);
    const newer = `${readFileSync(join(web, 'sw.js'), 'utf8')}\n// newer`;
    for (const [end, bytes] of [
      ['', newer],
      ['.br', brotliCompressSync(newer)],
      ['.gz', gzipSync(newer)],
    ] as const)
      writeFileSync(join(web, `sw.js${end}`), bytes);
    await page.evaluate(() => navigator.serviceWorker.getRegistration().then((r) => r?.update()));
    await house.expectThere('button', 'Load it');
    await bar.expectState('Tolvane Amber', 'Steeping, left');
    await page.route('**/api/brews/**', (r) => r.abort());
    await bar.pull('Tolvane Amber');
    await house.expectUnsaved(1);
    await house.expectThere('button', 'Load it');
    await Promise.all([page.waitForEvent('load'), house.press('Load it')]);
    await page.unroute('**/api/brews/**');
    await bar.expectState('Tolvane Amber', 'Lifted at');
    await house.expectAllSaved();
  } finally {
    await context.close();
    await shop.stop();
    rmSync(web, { recursive: true, force: true });
  }
});

serverTest(
  'the clock of the tablet is moved by seven minutes and the page loaded again without a server: the time left is right',
  async ({ tablet, shop }) => {
    const page = await tablet({ serviceWorkers: 'allow' });
    // The tablet's own clock is seven minutes ahead, before the server is gone and after.
    await page.addInitScript(() => {
      const real = Date.now;
      Date.now = () => real() + 7 * 60_000;
    });
    const { bar } = await brewingOn(page);
    const left = await bar.figure('Tolvane Amber');
    const then = Date.now();
    expect(left).toBeGreaterThan(230);
    await shop.kill();
    await page.reload();
    await bar.expectState('Tolvane Amber', 'Steeping, left');
    const after = await bar.figure('Tolvane Amber');
    // By as much less as has gone by, on whatever clock.
    expect(Math.abs(left - after - (Date.now() - then) / 1000)).toBeLessThan(4);
  },
);

test('a place that cannot be read says so, and asks a few times, not for ever', async ({
  tablet,
}) => {
  const page = await tablet({ serviceWorkers: 'allow' });
  const house = new HouseDriver(page);
  await house.signIn(PEOPLE.lead);
  await kept(page);
  await page.context().setOffline(true);
  let asked = 0;
  page.on('requestfailed', (r) => {
    if (/\/api\/(people|shop|kettles|spoons|batches|cold\/plan)$/.test(r.url())) asked += 1;
  });
  for (const place of ['House', 'Shelf', 'Cold'] as const) {
    await house.goTo(place);
    await house.expectDrawn();
    // Long enough for a page that asks for ever to ask some dozens of times.
    await page.waitForTimeout(1500);
  }
  expect(asked).toBeGreaterThan(0);
  expect(asked).toBeLessThan(20);
});
