// Many shops in one process: what starts a server is paid for once a worker, and its code stays warm. A test that kills
// or restarts its server has a process of its own instead (e2e/fixtures/server.ts).
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { resolve } from 'node:path';
import { pathToFileURL } from 'node:url';
import { pino } from 'pino';
import { createApp } from '../../src/server/app';
import { openDb, openPool } from '../../src/server/db/pool';
import { openWork } from '../../src/server/work/pool';

/** Opens a shop on a database that is ready, its clock starting at `now`; or closes it. */
export type Asked =
  | { readonly open: string; readonly url: string; readonly now: number }
  | { readonly close: string };
/** `port` when it is open; none when it is closed. */
export type Answered = { readonly name: string; readonly port?: number };

const work = openWork(pathToFileURL(resolve('dist/server/worker.mjs')));
const log = pino({ level: 'silent' });
const closers = new Map<string, () => Promise<unknown>>();

async function open(url: string, start: number) {
  const opened = Date.now();
  const pool = openPool(url);
  const server: Server = createServer(
    createApp({
      db: openDb(pool),
      now: () => start + (Date.now() - opened),
      work,
      log,
      webFolder: resolve('dist/web'),
      checkResponses: true,
    }),
  );
  await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready));
  const close = async () => {
    const closed = new Promise((done) => server.close(done));
    server.closeAllConnections();
    await closed;
    await pool.end();
  };
  return { port: (server.address() as AddressInfo).port, close };
}

async function answer(asked: Asked): Promise<Answered> {
  if ('open' in asked) {
    const { port, close } = await open(asked.url, asked.now);
    closers.set(asked.open, close);
    return { name: asked.open, port };
  }
  await closers.get(asked.close)?.();
  closers.delete(asked.close);
  return { name: asked.close };
}
process.on('message', (asked: Asked) => {
  void answer(asked).then((answered) => process.send?.(answered));
});
process.on('disconnect', () => process.exit(0));
