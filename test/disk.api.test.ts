// A disk with little room, and one with none.
import { pino } from 'pino';
import { createApp } from '../src/server/app';
import { diskOf } from '../src/server/http/disk';
import { fromDatabase } from '../src/server/http/errors';
import { type Begun, begunHouse, cookieOf, from, newId, orderBody, SECRETS, work } from './house';

let h: Begun;
beforeAll(async () => {
  h = await begunHouse();
});
afterAll(() => h.close());
const withDisk = (low: number | null) =>
  createApp({
    work,
    db: h.db,
    now: h.now,
    log: pino({ level: 'silent' }),
    webFolder: null,
    disk: { low: async () => low },
  });
const leadOf = async (app: ReturnType<typeof withDisk>) =>
  from(
    app,
    cookieOf(
      await from(app)
        .post('/api/session', {
          personId: h.ids.lead,
          siteId: h.ids.site,
          secret: SECRETS.lead,
        })
        .expect(200),
    ),
  );

test('a nearly full disk is told with every answer; large things are refused, a brew is not', async () => {
  const lead = await leadOf(withDisk(120));
  const bar = await lead.get('/api/bar').expect(200);
  expect(bar.headers['x-limnos-disk-left']).toBe('120');
  const photo = await lead.post(`/api/teas/${h.ids.tea}/photo?id=${newId()}`, Buffer.from('x'));
  expect([photo.status, photo.body.code]).toEqual([507, 'disk.low']);
  expect(photo.body.message).toContain('120 MB');
  await lead
    .post('/api/exchange/preview', { name: 'a', text: 'a', table: null, answers: {} })
    .expect(507);
  await lead.post('/api/orders', orderBody(h)).expect(200);
});
test('with room nothing is said', async () => {
  const lead = await leadOf(withDisk(null));
  expect((await lead.get('/api/bar').expect(200)).headers['x-limnos-disk-left']).toBeUndefined();
});
test('what is left is looked up on the disk of the records; a folder that is not there says nothing', async () => {
  expect(await diskOf(process.cwd(), 0).low()).toBeNull();
  expect(await diskOf(process.cwd(), 1e12).low()).toBeGreaterThan(0);
  expect(await diskOf('/no/such/folder', 1e12).low()).toBeNull();
  expect(await diskOf('', 1e12).low()).toBeNull();
});
test.each([3, 28, 1021, 1026, 1114])('the database’s error %i says the disk is full', (errno) =>
  expect(fromDatabase(Object.assign(new Error('full'), { errno }))).toMatchObject({
    code: 'disk.full',
    status: 503,
  }),
);
