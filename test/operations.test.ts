import { readFileSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { createServer, type Server } from 'node:net';
import express from 'express';
import { pino } from 'pino';
import request from 'supertest';
import { inTransaction } from '../src/server/db/inTransaction';
import { type Db, openDb, openPool } from '../src/server/db/pool';
import { AppError, errorHandler } from '../src/server/http/errors';
import { healthRoutes, metricsApp, watchRecords } from '../src/server/operations';
import { type Fresh, freshHouse } from './house';

// What a process says about itself to proxies and watchers, and how it goes on when its database does not.

const listening = async (server: Server): Promise<number> => {
  await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready));
  return (server.address() as AddressInfo).port;
};
/** A port that nothing listens on. */
async function closedPort(): Promise<number> {
  const server = createServer();
  const port = await listening(server);
  await new Promise((r) => server.close(r));
  return port;
}
const withHealth = (db: Db, stopping?: AbortSignal) =>
  express().use(healthRoutes({ db, ...(stopping && { stopping }) }));

describe('health, readiness, metrics', () => {
  let h: Fresh;
  beforeAll(async () => {
    h = await freshHouse();
  });
  afterAll(() => h.close());

  test('a process that runs and reaches its records is ready; one that stops is not', async () => {
    await request(h.app).get('/api/health').expect(200, { running: true });
    await request(h.app).get('/api/ready').expect(200, { ready: true });
    const ending = new AbortController();
    const app = withHealth(h.db, ending.signal);
    await request(app).get('/api/ready').expect(200);
    ending.abort();
    await request(app).get('/api/ready').expect(503, { ready: false });
    await request(app).get('/api/health').expect(200);
  });
  test('one without its records runs, and is not ready', async () => {
    const pool = openPool(`mysql://nobody:x@127.0.0.1:${await closedPort()}/none`);
    const app = withHealth(openDb(pool));
    await request(app).get('/api/ready').expect(503, { ready: false });
    await request(app).get('/api/health').expect(200);
    const { text } = await request(metricsApp(openDb(pool)))
      .get('/metrics')
      .expect(200);
    expect(text).toContain('limnos_records_reached 0');
    await pool.end();
  });
  test('the sample dashboard asks only for what is counted', async () => {
    await request(h.app).get('/api/house').expect(200);
    const { text } = await request(metricsApp(h.db)).get('/metrics').expect(200);
    const there = new Set([...text.matchAll(/^# TYPE (\w+)/gm)].map(([, name]) => name));
    const { panels } = JSON.parse(readFileSync('docs/operations/dashboard.json', 'utf8')) as {
      panels: { targets: { expr: string }[] }[];
    };
    const asked = panels
      .flatMap((p) => p.targets)
      .flatMap(({ expr }) => [...expr.matchAll(/\b(?:limnos|process|nodejs)_\w+/g)])
      .map(([name]) => name.replace(/_(count|bucket|sum)$/, ''));
    expect(asked.length).toBeGreaterThan(4);
    for (const name of asked) expect([name, there.has(name)]).toEqual([name, true]);
  });
  test('answers are counted by route, not by address; no id and no name is in it', async () => {
    await request(h.app).get('/api/house').expect(200);
    await request(h.app).get('/api/teas/019e2b41-0000-7000-8000-00000000abcd').expect(401);
    const { text } = await request(metricsApp(h.db)).get('/metrics').expect(200);
    const count = (route: string, status: string) =>
      new RegExp(
        `limnos_http_request_seconds_count{method="GET",route="${route}",status="${status}"} [1-9]`,
      );
    expect(text).toMatch(count('/api/house', '2xx'));
    expect(text).toMatch(count('/api/teas/:id', '4xx'));
    expect(text).not.toContain('abcd');
    for (const name of ['limnos_live_pages', 'limnos_transactions_again_total', 'nodejs_heap'])
      expect(text).toContain(name);
    // On its own port only.
    const outside = await request(h.app).get('/metrics');
    expect(outside.text).not.toContain('limnos_http_request_seconds');
  });
});

test('who must wait is told how long, in words and in the header that programs know', async () => {
  const app = express();
  app.get('/', () => {
    throw new AppError('program.wait', 429, 'Too many requests. Wait 7 s.', {
      details: { wait: 7 },
    });
  });
  app.use(errorHandler(pino({ level: 'silent' })));
  const refused = await request(app).get('/').expect(429);
  expect(refused.headers['retry-after']).toBe('7');
  expect(refused.body.message).toBe('Too many requests. Wait 7 s.');
});

describe('a transaction that a server of several refuses', () => {
  type Fake = { taken: number; released: number; destroyed: number };
  /** A pool whose connections refuse to begin so many times; rolling back may fail too. */
  function refusing(times: number, seen: Fake, rollback = true): Db {
    let left = times;
    const query = (sql: string) => {
      if (sql === 'start transaction' && left > 0) {
        left -= 1;
        return Promise.reject(Object.assign(new Error('not ready'), { errno: 1047 }));
      }
      if (sql === 'rollback' && !rollback) return Promise.reject(new Error('gone'));
      return Promise.resolve([[], []]);
    };
    const pool = {
      getConnection: () => {
        seen.taken += 1;
        return Promise.resolve({
          query,
          release: () => (seen.released += 1),
          destroy: () => (seen.destroyed += 1),
        });
      },
    };
    return openDb(pool as never);
  }
  const nothing = (): Fake => ({ taken: 0, released: 0, destroyed: 0 });

  test('is begun again, and gives every connection back', async () => {
    const seen = nothing();
    await expect(inTransaction(refusing(3, seen), () => Promise.resolve(7))).resolves.toBe(7);
    expect(seen).toEqual({ taken: 4, released: 4, destroyed: 0 });
  });
  test('is given up in the end, with every connection given back', async () => {
    const seen = nothing();
    const never = inTransaction(refusing(99, seen), () => Promise.resolve(7));
    await expect(never).rejects.toMatchObject({ errno: 1047 });
    expect(seen.taken).toBeGreaterThan(3);
    expect(seen.released).toBe(seen.taken);
  });
  test('a connection that cannot even be taken back is not used again', async () => {
    const seen = nothing();
    await inTransaction(refusing(2, seen, false), () => Promise.resolve(7));
    expect(seen).toEqual({ taken: 3, released: 1, destroyed: 2 });
  });
  test('what fails for another reason is not run again', async () => {
    const seen = nothing();
    let runs = 0;
    const failing = inTransaction(refusing(0, seen), () => {
      runs += 1;
      return Promise.reject(new Error('a fault of ours'));
    });
    await expect(failing).rejects.toThrow('a fault of ours');
    expect([runs, seen.released]).toEqual([1, 1]);
  });
});

describe('a database that says nothing at all', () => {
  const SOON_MS = 300;
  /** Whether it was called silent before `within` ms had passed. */
  async function calledSilent(url: string, within: number): Promise<boolean> {
    let silent = false;
    const end = watchRecords(url, SOON_MS, () => {
      silent = true;
    });
    for (let waited = 0; waited < within && !silent; waited += 50)
      await new Promise((r) => setTimeout(r, 50));
    end();
    return silent;
  }
  test('is noticed', async () => {
    const mute = createServer(() => undefined);
    const port = await listening(mute);
    expect(await calledSilent(`mysql://a:b@127.0.0.1:${port}/c`, 20_000)).toBe(true);
    mute.close();
  });
  test('one that refuses is no silent one', async () => {
    expect(await calledSilent(`mysql://a:b@127.0.0.1:${await closedPort()}/c`, 1500)).toBe(false);
  });
});
