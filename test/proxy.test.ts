import type { ChildProcess } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { createServer, type IncomingHttpHeaders } from 'node:http';
import { request as httpsRequest } from 'node:https';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { v7 } from 'uuid';
// @ts-expect-error -- plain JavaScript of the scripts
import { forkApplication } from '../scripts/lib/application.mjs';
// @ts-expect-error -- plain JavaScript of the scripts
import { houseCertificates } from '../scripts/lib/certificates.mjs';
// @ts-expect-error -- plain JavaScript of the scripts
import { startNginx } from '../scripts/lib/nginx.mjs';
import { emptyDatabase } from './house';

// Two processes of the application behind nginx with a certificate of its own, as docs/scale.md shows it.

const NAME = 'tearoom.example';
const folder = mkdtempSync(join(tmpdir(), 'limnos-proxy-'));
const SLOW_MACHINE_MS = 120_000;
type Running = { child: ChildProcess; port: number; ended: Promise<unknown> };
type Proxy = { port: number; stop(): Promise<void> };
let database: Awaited<ReturnType<typeof emptyDatabase>>;
const processes: Running[] = [];
let proxy: Proxy;
let port = 0;
let authority = '';

async function startProcess(at: number): Promise<Running> {
  const { child, ready, ended } = (await forkApplication({
    NODE_ENV: 'production',
    DATABASE_URL: database.url,
    PORT: String(at),
    LIMNOS_SEED: 'demo',
    LIMNOS_DEMO_DAYS: '1',
    LIMNOS_TRUSTED_PROXIES: '127.0.0.1',
    LOG_LEVEL: 'silent',
  })) as { child: ChildProcess; ready: { port: number }; ended: Promise<unknown> };
  return { child, port: ready.port, ended };
}
const freePort = async () => {
  const probe = createServer();
  await new Promise<void>((r) => probe.listen(0, '127.0.0.1', r));
  const found = (probe.address() as AddressInfo).port;
  await new Promise((r) => probe.close(r));
  return found;
};

type Answer = { status: number; headers: IncomingHttpHeaders; body: string };
type Asked = {
  method?: string;
  body?: object;
  headers?: Record<string, string>;
  host?: string;
  tls?: object;
};
function ask(path: string, { method = 'GET', body, headers = {}, host = NAME, tls }: Asked = {}) {
  return new Promise<Answer>((resolve, reject) => {
    const asked = httpsRequest(
      {
        ...{ host: '127.0.0.1', port, path, method, ca: authority, agent: false },
        ...(host === NAME && { servername: NAME }),
        headers: {
          host: `${host}:${port}`,
          origin: `https://${host}:${port}`,
          ...(body && { 'content-type': 'application/json' }),
          ...headers,
        },
        ...tls,
      },
      (res) => {
        let text = '';
        res.on('data', (d) => (text += String(d)));
        res.on('end', () =>
          resolve({ status: res.statusCode ?? 0, headers: res.headers, body: text }),
        );
      },
    );
    asked.on('error', reject);
    asked.end(body ? JSON.stringify(body) : undefined);
  });
}
const json = (answer: Answer) => JSON.parse(answer.body) as Record<string, never>;

let cookie = '';
let cookieHeader = '';
let siteId = '';
let teaId = '';
beforeAll(async () => {
  database = await emptyDatabase();
  processes.push(await startProcess(0));
  processes.push(await startProcess(0));
  const made = (await houseCertificates(folder, {
    where: () => ({ names: [NAME], addresses: ['127.0.0.1'] }),
  })) as { authority: string; certificate: string; key: string };
  authority = readFileSync(made.authority, 'utf8');
  port = await freePort();
  proxy = (await startNginx({
    folder: join(folder, 'nginx'),
    port,
    processes: processes.map((p) => p.port),
    host: NAME,
    tls: made,
  })) as Proxy;
  type House = { sites: { id: string; name: string }[] };
  const { sites } = json(await ask('/api/house')) as unknown as House;
  siteId = sites.find((s) => s.name === 'Harbour room')?.id ?? '';
  const { people } = json(await ask(`/api/sites/${siteId}/names`)) as unknown as {
    people: { id: string; name: string }[];
  };
  const personId = people.find((p) => p.name === 'Ilsa V.')?.id;
  const signed = await ask('/api/session', {
    method: 'POST',
    body: { personId, siteId, secret: 'grey pot first' },
    headers: { 'x-forwarded-for': '203.0.113.9' },
  });
  cookieHeader = String(signed.headers['set-cookie']?.[0]);
  cookie = cookieHeader.split(';')[0] ?? '';
  const { teas } = json(await ask('/api/book', { headers: { cookie } })) as unknown as {
    teas: { id: string; house: object | null; method: string }[];
  };
  teaId = teas.find((t) => t.house && t.method === 'pot')?.id ?? '';
}, SLOW_MACHINE_MS);
afterAll(async () => {
  await proxy.stop();
  for (const p of processes) {
    p.child.kill('SIGKILL');
    await p.ended;
  }
  await database.close();
  rmSync(folder, { recursive: true, force: true });
}, SLOW_MACHINE_MS);

const order = (id = v7()) => ({
  ...{ id, siteId, teaId, vesselId: null, water: null },
  ...{ forWhom: 'table 4', rank: 1, at: Date.now() },
});
const put = (body: object) =>
  ask('/api/orders', { method: 'POST', body, headers: { cookie } }).then((a) => a.status);
const ordersKept = async (ids: string[]) => {
  const [rows] = await database.pool.query('select count(*) as n from orders where id in (?)', [
    ids,
  ]);
  return (rows as { n: number }[])[0]?.n;
};

test('over HTTPS: the cookie is for HTTPS alone, the name is asked for by HTTPS ever after, an address is not', async () => {
  expect(cookieHeader).toMatch(/; Secure/);
  expect(cookieHeader).toMatch(/; HttpOnly/);
  const byName = await ask('/api/house');
  expect(byName.headers['strict-transport-security']).toMatch(/max-age=\d{7,}/);
  const byAddress = await ask('/api/house', { host: '127.0.0.1' });
  expect([byAddress.status, byAddress.headers['strict-transport-security']]).toEqual([
    200,
    undefined,
  ]);
  expect((await ask('/')).body).toContain('<div id="root">');
});
test('plain HTTP and old TLS get nothing, a strange certificate is not trusted', async () => {
  const plain = await fetch(`http://127.0.0.1:${port}/api/house`);
  expect(plain.status).toBe(400);
  const old = { minVersion: 'TLSv1', maxVersion: 'TLSv1.1' };
  await expect(ask('/api/house', { tls: old })).rejects.toThrow();
  await expect(ask('/api/house', { tls: { ca: undefined } })).rejects.toThrow(/certificate/);
});
test('another page’s writes are refused, and the address that a device claims is not believed', async () => {
  const body = order();
  const elsewhere = { cookie, origin: 'https://elsewhere.example' };
  const refused = await ask('/api/orders', { method: 'POST', body, headers: elsewhere });
  expect(refused.status).toBe(403);
  const { entries } = json(await ask('/api/audit', { headers: { cookie } })) as unknown as {
    entries: { kind: string; address: string }[];
  };
  const signIn = entries.find((e) => e.kind === 'signIn');
  expect(signIn?.address).toMatch(/127\.0\.0\.1$/);
});
/** Opens a page's stream, and keeps what it hears. */
async function listen() {
  const heard: string[] = [];
  let closed = false;
  const stream = await new Promise<{ destroy(): void }>((resolve, reject) => {
    const asked = httpsRequest(
      {
        ...{ host: '127.0.0.1', port, path: '/api/live', ca: authority, servername: NAME },
        ...{ agent: false, headers: { host: `${NAME}:${port}`, cookie } },
      },
      (res) => {
        res.on('data', (d) => heard.push(String(d)));
        res.on('close', () => {
          closed = true;
        });
        resolve(res);
      },
    );
    asked.on('error', reject);
    asked.end();
  });
  const hears = async (what: string) => {
    for (let i = 0; i < 200 && !heard.join('').includes(what); i++)
      await new Promise((r) => setTimeout(r, 50));
    return heard.join('').includes(what);
  };
  return { hears, closed: () => closed, end: () => stream.destroy() };
}
test('a write at one process is heard at once by the pages of every other', async () => {
  // nginx hands out in turn: each process has two of these.
  const pages = await Promise.all([listen(), listen(), listen(), listen()]);
  for (const page of pages) expect(await page.hears('event: hello')).toBe(true);
  const body = { ...order(), forWhom: 'all of them' };
  expect(await put(body)).toBe(200);
  for (const page of pages) expect(await page.hears('all of them')).toBe(true);
  for (const page of pages) page.end();
});
test(
  'a process that is killed in the middle: every write is answered, and kept once',
  async () => {
    const ids = Array.from({ length: 40 }, () => v7());
    const [first] = processes as [Running];
    const statuses: number[] = [];
    for (const [i, id] of ids.entries()) {
      if (i === 10) first.child.kill('SIGKILL');
      statuses.push(await put(order(id)));
    }
    expect(statuses).toEqual(ids.map(() => 200));
    expect(await ordersKept(ids)).toBe(40);
    await first.ended;
    processes[0] = await startProcess(first.port);
  },
  SLOW_MACHINE_MS,
);
test(
  'a process that is asked to end under load answers what it was asked; its pages come back',
  async () => {
    const pages = await Promise.all([listen(), listen()]);
    for (const page of pages) expect(await page.hears('event: hello')).toBe(true);
    const ids = Array.from({ length: 60 }, () => v7());
    const [, second] = processes as [Running, Running];
    const sent = ids.map(async (id, i) => {
      await new Promise((r) => setTimeout(r, i * 10));
      if (i === 20) second.child.kill('SIGTERM');
      return put(order(id));
    });
    expect(await Promise.all(sent)).toEqual(ids.map(() => 200));
    expect(await ordersKept(ids)).toBe(60);
    expect(await second.ended).toBe(0);
    for (let i = 0; i < 100 && !pages.some((p) => p.closed()); i++)
      await new Promise((r) => setTimeout(r, 50));
    // Those that listened there were let go, and are let in again by the other.
    expect(pages.some((p) => p.closed())).toBe(true);
    const again = await listen();
    expect(await again.hears('event: hello')).toBe(true);
    expect(await put({ ...order(), forWhom: 'who came back' })).toBe(200);
    expect(await again.hears('who came back')).toBe(true);
    again.end();
    for (const page of pages) page.end();
  },
  SLOW_MACHINE_MS,
);
