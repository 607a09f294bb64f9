import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pino } from 'pino';
import { createApp } from '../src/server/app';
import { type BackupPlace, createBackupService } from '../src/server/features/backups';
import { type Begun, begunHouse, cookieOf, from, SECRETS, work } from './house';

const DAY = 86_400_000;
let h: Begun;
let folder: string;
beforeEach(async () => {
  h = await begunHouse();
  folder = mkdtempSync(join(tmpdir(), 'limnos-backups-'));
});
afterEach(async () => {
  await h.close();
  rmSync(folder, { recursive: true, force: true });
});

const HOLDS = { people: 3, teas: 1, vessels: 1, brews: 0, batches: 0, tastings: 0, newest: null };
/** What the backup program leaves behind. */
function leave(at: number, over: object = {}): string {
  const name = `limnos-${new Date(at).toISOString().slice(0, 19).replaceAll(':', '')}.sql.gz`;
  writeFileSync(join(folder, name), 'packed');
  writeFileSync(
    join(folder, `${name}.json`),
    JSON.stringify({
      at: new Date(at).toISOString(),
      bytes: 6,
      sealed: false,
      checked: new Date(at + 1000).toISOString(),
      faults: [],
      holds: { sites: ['Test room'], ...HOLDS },
      tables: { teas: { rows: 1, checksum: 5 }, people: { rows: 3, checksum: 6 } },
      ...over,
    }),
  );
  return name;
}
/** A lead of a house whose backups lie in the folder; `made` says with what each was asked for. */
async function houseWith(make: (keep: object) => Promise<boolean>) {
  const made: object[] = [];
  const place: BackupPlace = {
    folder,
    sealed: false,
    make: (keep) => {
      made.push(keep);
      return make(keep);
    },
  };
  const service = createBackupService({ db: h.db, now: h.now, work }, place);
  const app = createApp({
    db: h.db,
    now: h.now,
    work,
    log: pino({ level: 'silent' }),
    webFolder: null,
    checkResponses: true,
    backups: service,
  });
  const signed = await from(app)
    .post('/api/session', { personId: h.ids.lead, siteId: h.ids.site, secret: SECRETS.lead })
    .expect(200);
  return { service, made, lead: from(app, cookieOf(signed)) };
}
const PLAN = { time: '04:00', zone: 'Europe/Lisbon', days: 3, weeks: 2, months: 1 };

test('one is made by hand: it runs, a second touch begins no other, and then it is in the list', async () => {
  let end: (ok: boolean) => void = () => undefined;
  const { service, made, lead } = await houseWith(() => new Promise((r) => (end = r)));
  const none = (await lead.get('/api/backups').expect(200)).body;
  expect(none).toMatchObject({ running: false, backups: [], failed: null, folder });
  expect((await lead.post('/api/backups', {}).expect(200)).body.running).toBe(true);
  expect((await lead.post('/api/backups', {}).expect(200)).body.running).toBe(true);
  expect(made).toEqual([expect.objectContaining({ days: 7, weeks: 5, months: 12 })]);
  const name = leave(h.now());
  end(true);
  await service.settled();
  const { running, backups } = (await lead.get('/api/backups').expect(200)).body;
  expect(running).toBe(false);
  expect(backups).toEqual([
    expect.objectContaining({ name, tables: 2, rows: 4, faults: [], sealed: false }),
  ]);
  expect(backups[0].holds.sites).toEqual(['Test room']);
});
test('the schedule makes the one that is due, once; after one that failed it waits an hour', async () => {
  let ok = false;
  const { service, made, lead } = await houseWith(async () => {
    if (ok) leave(h.now());
    return ok;
  });
  await lead.patch('/api/backups/plan', PLAN).expect(200);
  await service.keepToPlan();
  expect(made).toEqual([PLAN]);
  const after = (await lead.get('/api/backups').expect(200)).body;
  expect(after.failed).toEqual({
    at: expect.any(Number),
    why: 'The program that makes backups did not run.',
  });
  ok = true;
  h.time.ahead += 59 * 60_000;
  await service.keepToPlan();
  expect(made).toHaveLength(1);
  h.time.ahead += 60_000;
  await service.keepToPlan();
  expect(made).toHaveLength(2);
  expect((await lead.get('/api/backups').expect(200)).body.failed).toBeNull();
  h.time.ahead += 2 * 3_600_000;
  // Nothing is planned before the next four in the morning, whenever this test runs.
  const { next } = (await lead.get('/api/backups').expect(200)).body;
  if (next - h.now() > 60_000) {
    await service.keepToPlan();
    expect(made.length).toBeLessThanOrEqual(3);
  }
  h.time.ahead += next - h.now();
  const before = made.length;
  await service.keepToPlan();
  expect(made).toHaveLength(before + 1);
});
test('the plan: typed by a lead, recorded; by hand only plans nothing; what cannot be is refused in words', async () => {
  const { service, made, lead } = await houseWith(async () => true);
  expect((await lead.patch('/api/backups/plan', PLAN).expect(200)).body.plan).toEqual(PLAN);
  const { changes } = (await lead.get('/api/history/house/house').expect(200)).body;
  expect(changes[0].lines).toEqual([
    {
      field: 'backups',
      before: expect.stringContaining('daily at 04:00'),
      after: 'daily at 04:00 (Europe/Lisbon), keeps 3 days, 2 weeks, 1 months',
    },
  ]);
  const byHand = { ...PLAN, time: null };
  expect((await lead.patch('/api/backups/plan', byHand).expect(200)).body.next).toBeNull();
  h.time.ahead += 3 * DAY;
  await service.keepToPlan();
  expect(made).toEqual([]);
  for (const wrong of [{ time: '25:00' }, { zone: 'Nowhere/Else' }, { days: -1 }, { days: 1.5 }])
    await lead.patch('/api/backups/plan', { ...PLAN, ...wrong }).expect(422);
});
test('one that did not come back is said to; one nobody noted is listed; other files are none', async () => {
  const { service, made, lead } = await houseWith(async () => true);
  leave(h.now() - 60_000, { faults: ['teas has 1 rows instead of 2'] });
  writeFileSync(join(folder, 'limnos-2020-01-01T0400.sql.gz'), 'old');
  writeFileSync(join(folder, 'before-restore-2020-01-01T040000.sql.gz'), 'kept');
  mkdirSync(join(folder, '.check-x'));
  const { backups } = (await lead.get('/api/backups').expect(200)).body;
  expect(backups).toHaveLength(2);
  expect(backups.map((b: { faults: string[] }) => b.faults.length).sort()).toEqual([0, 1]);
  // It stands for nothing: the planned one is due all the same.
  rmSync(join(folder, 'limnos-2020-01-01T0400.sql.gz'));
  await lead.patch('/api/backups/plan', PLAN).expect(200);
  await service.keepToPlan();
  expect(made).toHaveLength(1);
});
test('records on a database server of the owner’s own are not backed up here', async () => {
  expect((await h.callers.lead.get('/api/backups').expect(200)).body).toMatchObject({
    folder: null,
    backups: [],
    next: null,
  });
  const refused = (await h.callers.lead.post('/api/backups', {}).expect(409)).body;
  expect(refused.code).toBe('backup.elsewhere');
  await h.callers.brewer.get('/api/backups').expect(403);
});
