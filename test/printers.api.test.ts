import type { AddressInfo } from 'node:net';
import { createServer, type Server, type Socket } from 'node:net';
import sharp from 'sharp';
// @ts-expect-error -- plain JavaScript of the scripts
import { labelsOf } from '../scripts/lib/drawnLabel.mjs';
import { type ColdTea, coldTea } from './coldTea';
import { type Begun, begunHouse, newId } from './house';

// Label printers of the network: a simulated one takes what is sent and draws it.

type Drawn = { copies: number; words: string[]; svg: string };
const drawn: (bytes: Uint8Array) => Drawn[] = labelsOf;

let h: Begun;
let cold: ColdTea;
let server: Server;
let port = 0;
const taken: Buffer[] = [];
const sockets = new Set<Socket>();
beforeEach(async () => {
  h = await begunHouse();
  cold = await coldTea(h);
  taken.length = 0;
  server = createServer((socket) => {
    sockets.add(socket);
    const parts: Buffer[] = [];
    socket.on('data', (d) => parts.push(d));
    socket.on('end', () => taken.push(Buffer.concat(parts)));
    socket.on('error', () => undefined);
  });
  await new Promise<void>((r) => server.listen(0, '127.0.0.1', r));
  port = (server.address() as AddressInfo).port;
});
afterEach(async () => {
  for (const s of sockets) s.destroy();
  await new Promise((r) => server.close(r));
  await h.close();
});

async function add(over: object = {}) {
  const id = newId();
  const body = {
    ...{ id, siteId: h.ids.site, name: 'Counter printer', language: 'zpl' },
    ...{ host: '127.0.0.1', port, dots: 8, ...over },
  };
  await h.callers.lead.post('/api/printers', body).expect(200);
  return { id, body };
}
const print = (id: string, of: object, copies = 1, by: keyof Begun['callers'] = 'trainee') =>
  h.callers[by].post(`/api/printers/${id}/print`, { of, copies });
async function arrived(n: number): Promise<Buffer> {
  for (let i = 0; i < 400 && taken.length < n; i++) await new Promise((r) => setTimeout(r, 25));
  return taken[n - 1] ?? Buffer.alloc(0);
}

test.each(['zpl', 'escpos'] as const)(
  'the label of a batch in %s says what the one on PDF says, with the way to its page, as often as asked',
  async (language) => {
    const { id } = await add({ language });
    const batch = await cold.start();
    const answer = await print(id, { kind: 'batch', id: batch.id, zone: 'Europe/Lisbon' }, 2);
    expect([answer.status, answer.body.code]).toEqual([200, undefined]);
    const bytes = await arrived(1);
    expect(answer.body.bytes).toBe(bytes.length);
    const labels = drawn(bytes);
    expect(labels.reduce((n, l) => n + l.copies, 0)).toBe(2);
    const [label] = labels as [Drawn];
    const words = label.words.join('\n');
    for (const said of [batch.tea.name, 'leaf in', 'best at', 'lift by', 'discard ', '1.0 l'])
      expect(words).toContain(said);
    expect(words).toContain(`/cold/${batch.id}`);
    const picture = await sharp(Buffer.from(label.svg)).png().toBuffer({ resolveWithObject: true });
    expect(picture.info.width).toBeGreaterThan(400);
  },
);
test('the label of a caddy says heat, time, leaf and allergens', async () => {
  const { id } = await add({ dots: 12 });
  await print(id, { kind: 'tea', id: h.ids.tea }).expect(200);
  const [label] = drawn(await arrived(1)) as [Drawn];
  expect(label.words.join('\n')).toMatch(
    /^Tolvane Amber\n90.°C {2}4:00\n6 g {2}White pot\n500.ml, [^]*(Allergens: |No allergens noted)/,
  );
});
test('a printer that is not there is said so, with what to look at; the label is not called printed', async () => {
  const closed = createServer();
  await new Promise<void>((r) => closed.listen(0, '127.0.0.1', r));
  const { port: gone } = closed.address() as AddressInfo;
  await new Promise((r) => closed.close(r));
  const { id } = await add({ port: gone });
  const refused = await print(id, { kind: 'test', zone: 'Europe/Lisbon' }).expect(502);
  expect(refused.body.code).toBe('printer.away');
  expect(refused.body.message).toMatch(
    /^Counter printer cannot be reached\. Check that the printer is on/,
  );
});
test('a lead adds and takes out, once; what cannot be is said beside its field; others print only', async () => {
  const { id, body } = await add();
  await h.callers.lead.post('/api/printers', body).expect(200);
  const listed = async () =>
    (await h.callers.trainee.get('/api/printers').expect(200)).body.printers;
  expect(await listed()).toEqual([body]);
  await h.callers.brewer.post('/api/printers', { ...body, id: newId() }).expect(403);
  await h.callers.brewer.delete(`/api/printers/${id}`).expect(403);
  const bad = { ...body, id: newId(), host: 'http://printer/', port: 0, dots: 9 };
  const { fields } = (await h.callers.lead.post('/api/printers', bad).expect(422)).body;
  expect(Object.keys(fields).sort()).toEqual(['dots', 'host', 'port']);
  await h.callers.lead.delete(`/api/printers/${id}`).expect(200);
  await h.callers.lead.delete(`/api/printers/${id}`).expect(200);
  expect(await listed()).toEqual([]);
  await print(id, { kind: 'test', zone: 'Europe/Lisbon' }).expect(404);
  const { changes } = (await h.callers.lead.get(`/api/history/printer/${id}`).expect(200)).body;
  expect(changes).toHaveLength(2);
});
test('only people of its site print on it, and only what they may read', async () => {
  const other = newId();
  const { body } = await h.callers.lead.get('/api/house').expect(200);
  const { id: _id, rev: _rev, ...fields } = body.session.site as Record<string, unknown>;
  await h.callers.lead.post('/api/sites', { ...fields, name: 'Other room', id: other }).expect(200);
  const theirs = newId();
  await h.pool.query(
    "insert into printers (id, site_id, name, language, host, port, dots) values (?, ?, 'Theirs', 'zpl', '127.0.0.1', ?, 8)",
    [theirs, other, port],
  );
  await print(theirs, { kind: 'test', zone: 'Europe/Lisbon' }, 1, 'brewer').expect(403);
  expect(taken).toEqual([]);
});
