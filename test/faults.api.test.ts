import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pino } from 'pino';
// @ts-expect-error -- plain JavaScript of the start command
import { startMariadb } from '../scripts/lib/mariadb.mjs';
import { createApp } from '../src/server/app';
import { migrateDb, openDb, openPool } from '../src/server/db/pool';
import { brews, house, people } from '../src/server/db/schema/index';
import { resetDemo, seedDemo } from '../src/server/demo';
import { TEST_INSTANT, testClock } from './clock';
import { begunHouse, freshHouse, from, newId, SITE, work } from './house';

test('the database killed and started again: said as such, and what was acknowledged is there', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'limnos-kill-'));
  let database = await startMariadb(folder, ['limnos_x']);
  // The password changes with each start; the port must not.
  const open = () => openPool(database.url('limnos_x'));
  let pool = open();
  await migrateDb(pool, openDb(pool), 'drizzle');
  const app = () =>
    createApp({
      db: openDb(pool),
      now: testClock(),
      work,
      log: pino({ level: 'silent' }),
      webFolder: null,
    });
  await from(app())
    .post('/api/house', {
      site: SITE,
      siteId: newId(),
      lead: { id: newId(), name: 'Lead L.', secret: 'a long passphrase' },
    })
    .expect(200);
  await database.kill();
  const away = await from(app()).get('/api/house');
  expect([away.status, away.body.code]).toEqual([503, 'database.away']);
  await pool.end().catch(() => undefined);
  database = await startMariadb(folder, ['limnos_x'], { port: database.port });
  pool = open();
  expect((await from(app()).get('/api/house').expect(200)).body.state).toBe('ready');
  await pool.end();
  await database.stop();
  rmSync(folder, { recursive: true, force: true });
}, 60_000);

test('the demo is seeded once, renewed on request, and a real house is never touched', async () => {
  const f = await freshHouse();
  const when = { now: TEST_INSTANT, days: 2 };
  expect(await seedDemo(f.db, when)).toHaveLength(6);
  const count = await f.db.$count(brews);
  expect(count).toBeGreaterThan(60);
  await seedDemo(f.db, when);
  expect(await f.db.$count(brews)).toBe(count);
  await resetDemo(f.db, when);
  expect([await f.db.$count(brews), await f.db.$count(people), await f.db.$count(house)]).toEqual([
    count,
    6,
    1,
  ]);
  await f.close();
  const real = await begunHouse();
  expect(await seedDemo(real.db, when)).toEqual([]);
  await expect(resetDemo(real.db, when)).rejects.toThrow(/real house/);
  expect(await real.db.$count(people)).toBe(3);
  await real.close();
}, 60_000);

test('a seeding that was killed half way is done again, whole', async () => {
  const f = await freshHouse();
  const when = { now: TEST_INSTANT, days: 1 };
  await seedDemo(f.db, when);
  await f.db.delete(house);
  await seedDemo(f.db, when);
  expect(await f.db.$count(people)).toBe(6);
  await f.close();
}, 60_000);
