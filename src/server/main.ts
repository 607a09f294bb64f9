import { createServer } from 'node:http';
import { resolve } from 'node:path';
import { pino } from 'pino';
import { createApp } from './app';
import { readConfig } from './config';
import { migrateDb, openDb, openPool } from './db/pool';
import { diskOf } from './http/disk';
import { resetDemo, seedDemo } from './demo';
import { openWork } from './work/pool';

const config = readConfig(process.env);
const log = pino({ level: config.LOG_LEVEL });
const pool = openPool(config.DATABASE_URL);
const db = openDb(pool);
const started = Date.now();
const clockStart = config.LIMNOS_CLOCK === undefined ? started : Date.parse(config.LIMNOS_CLOCK);
const now = () => clockStart + (Date.now() - started);

/** Tables as this version wants them, and the demo in them where it is asked for. */
async function prepared() {
  await migrateDb(pool, db, resolve(config.LIMNOS_MIGRATIONS));
  if (config.LIMNOS_SEED === 'empty') return [];
  const seed = config.LIMNOS_SEED === 'reset-demo' ? resetDemo : seedDemo;
  return seed(db, { now: now(), days: config.LIMNOS_DEMO_DAYS });
}
const signIns = await prepared().catch((error: unknown) => {
  console.error(`The records cannot be made ready: ${(error as Error).message}`);
  process.exit(1);
});

const work = openWork(new URL('./worker.mjs', import.meta.url));
const server = createServer(
  createApp({
    db,
    now,
    work,
    log,
    webFolder: resolve(config.LIMNOS_WEB),
    trustedProxies: config.LIMNOS_TRUSTED_PROXIES,
    claimWord: config.LIMNOS_CLAIM_WORD,
    disk: diskOf(config.LIMNOS_DISK, config.LIMNOS_DISK_LOW),
  }),
);
server.listen(config.PORT, '127.0.0.1', () => {
  const address = server.address();
  const port = typeof address === 'object' && address ? address.port : config.PORT;
  const ready = { ready: true, port, signIns };
  if (process.send) process.send(ready);
  else console.log(JSON.stringify(ready));
});
server.on('error', (error) => {
  console.error(`The server cannot listen: ${error.message}`);
  process.exit(1);
});

let stopping = false;
function stop() {
  if (stopping) return;
  stopping = true;
  void work.close();
  server.close(() => pool.end().finally(() => process.exit(0)));
  server.closeIdleConnections();
  setTimeout(() => process.exit(0), 3000).unref();
  setTimeout(() => server.closeAllConnections(), 500).unref();
}
process.on('SIGTERM', stop);
process.on('SIGINT', stop);
process.on('disconnect', stop);
