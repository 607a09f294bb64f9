// What comes in a request before, and instead of, what our own page sends.
import { gzipSync } from 'node:zlib';
import request from 'supertest';
import { depthOf } from '../src/server/http/body';
import { type Begun, begunHouse, orderBody } from './house';

let h: Begun;
let cookie: string;
beforeAll(async () => {
  h = await begunHouse();
  const signed = await h.callers.lead.post('/api/session', {
    personId: h.ids.lead,
    siteId: h.ids.site,
    secret: 'a long passphrase',
  });
  cookie = String(signed.headers['set-cookie']?.[0]?.split(';')[0]);
});
afterAll(() => h.close());

const order = (over: object = {}) => orderBody(h, over);
/** A write with headers of one's own. */
const send = (path: string, body: Buffer | string, headers: Record<string, string>, by = cookie) =>
  request(h.app)
    .post(path)
    .set({ host: 'limnos.test', origin: 'http://limnos.test', cookie: by })
    .set({ 'content-type': 'application/json', ...headers })
    .serialize((raw) => raw as string)
    .send(body as string);

describe('packed bodies', () => {
  // 22 kB that unpack to 22 MB.
  const packed = gzipSync(Buffer.from(`{"text":"${' '.repeat(22_000_000)}"}`));
  const gzip = { 'content-encoding': 'gzip' };
  test('of nobody are not read: sign in first', async () => {
    expect(packed.length).toBeLessThan(25_000);
    const res = await send('/api/exchange/preview', packed, gzip, '');
    expect([res.status, res.body.code]).toEqual([401, 'session.none']);
  });
  test('of a lead are not unpacked', async () => {
    const res = await send('/api/exchange/preview', packed, gzip);
    expect([res.status, res.body.code]).toEqual([415, 'input.invalid']);
  });
  test('that are broken are refused as all packed ones', async () => {
    await send('/api/orders', Buffer.from('1f8b0000ff', 'hex'), gzip).expect(415);
  });
});

test('sizes go by the route: little from nobody, a record from anybody, a book only where a book is brought', async () => {
  const blanks = (n: number) => `{"personId":"${' '.repeat(n)}"}`;
  await send('/api/session', blanks(5_000), {}, '').expect(413);
  await send('/api/orders', blanks(120_000), {}).expect(413);
  await send('/api/exchange/preview', blanks(120_000), {}).expect(422);
});
test.each([
  ['a charset that is none', { 'content-type': 'application/json; charset=klingon' }, 415],
  ['a packing that is none', { 'content-encoding': 'middle-out' }, 415],
  ['text that is no JSON', {}, 400],
])('%s is refused', async (_n, headers: Record<string, string>, status) => {
  const res = await send('/api/orders', '{"id":', headers);
  expect([res.status, res.body.code]).toEqual([status, 'input.invalid']);
});
test.each(['/api/teas/%E0%A4%A', '/api/brews/%', '/api/tastings/%ff/marks.csv', '/%E0%A4%A'])(
  'an address that cannot be read, %s, is a 4xx',
  async (path) => {
    const { status } = await request(h.app).get(path).set('cookie', cookie);
    expect(status).toBeGreaterThanOrEqual(400);
    expect(status).toBeLessThan(500);
  },
);

test('lists within lists within lists are refused before they are read', async () => {
  const deep = `{"id":${'['.repeat(5000)}${']'.repeat(5000)}}`;
  const res = await send('/api/orders', deep, {});
  expect([res.status, res.body.message]).toEqual([400, 'The request is nested too deeply.']);
});
test.each([
  ['1', 0],
  ['{"a":[{"b":1},[]]}', 3],
  ['{"a":"[[[{{{"}', 1],
  ['{"a":"\\"[[["}', 1],
  ['["\\\\",[]]', 2],
])('%s is %i deep', (text, deep) => expect(depthOf(Buffer.from(text))).toBe(deep));

test('half a character is kept as a mark for one, not as a fault', async () => {
  const given = order({ forWhom: `Table 4 ${'🍵'.slice(0, 1)}` });
  const res = await h.callers.brewer.post('/api/orders', given).expect(200);
  expect(JSON.stringify(res.body)).toContain('Table 4 \uFFFD');
});
