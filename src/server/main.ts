import { createServer, type RequestListener, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { resolve } from 'node:path';
import { pino } from 'pino';
import { createApp } from './app';
import { steadyClock } from './clock';
import { readConfig } from './config';
import { keepAppendOnly } from './db/appendOnly';
import { migrateDb, openDb, openPool } from './db/pool';
import { resetDemo, seedDemo } from './demo';
import { backupPlaceOf, createBackupService } from './features/backups';
import { keepTelling } from './features/programs';
import { helpServer, secureServer, type Shop, shopAt } from './features/shop';
import { diskOf } from './http/disk';
import { metricsApp, watchRecords } from './operations';
import { openWork } from './work/pool';

const config = readConfig(process.env);
const log = pino({ level: config.LOG_LEVEL });
const pool = openPool(config.DATABASE_URL);
const db = openDb(pool);
const steady = steadyClock(
  () => Date.now(),
  () => performance.now(),
  (ms) =>
    log.error(
      `The clock of this machine was put back by ${Math.round(ms / 1000)} s. Limnos goes on by its own until it is started again.`,
    ),
);
const started = steady();
const clockStart = config.LIMNOS_CLOCK === undefined ? started : Date.parse(config.LIMNOS_CLOCK);
const now = () => clockStart + (steady() - started);

/** Tables as this version wants them, and the demo in them where it is asked for. */
async function prepared() {
  const owners = openPool(config.LIMNOS_OWNER_DATABASE_URL || config.DATABASE_URL);
  try {
    const own = openDb(owners);
    await migrateDb(owners, own, resolve(config.LIMNOS_MIGRATIONS));
    if (config.LIMNOS_SEED === 'empty') {
      // The demo is made new at any time; what a real house has kept of who did what stays.
      await keepAppendOnly(owners).catch((error: unknown) => log.warn(error, 'audit'));
      return [];
    }
    const seed = config.LIMNOS_SEED === 'reset-demo' ? resetDemo : seedDemo;
    return await seed(own, { now: now(), days: config.LIMNOS_DEMO_DAYS });
  } finally {
    await owners.end();
  }
}
const signIns = await prepared().catch((error: unknown) => {
  console.error(`The records cannot be made ready: ${(error as Error).message}`);
  process.exit(1);
});

const work = openWork(new URL('./worker.mjs', import.meta.url));
const inShop = config.LIMNOS_TLS_CERT !== '';
/** A proxy in front may speak HTTPS for this process. */
const secure = inShop && config.LIMNOS_SHOP_PORT === '';
const portOf = (of: Server) => (of.address() as AddressInfo).port;
const listening = (of: Server, port: number, host: string) =>
  new Promise<number>((ready) => {
    of.once('error', (error) => {
      console.error(`The server cannot listen: ${error.message}`);
      process.exit(1);
    });
    of.listen(port, host, () => ready(portOf(of)));
  });

/** How often the schedule of backups is looked at, ms. */
const LOOK_MS = 60_000;
const backups = createBackupService(
  { db, now, work },
  config.LIMNOS_BACKUPS === ''
    ? null
    : backupPlaceOf(
        config.LIMNOS_BACKUPS,
        config.LIMNOS_BACKUP_PROGRAM,
        config.LIMNOS_BACKUP_PASSPHRASE !== '',
      ),
);
setInterval(() => {
  backups.keepToPlan().catch((error: unknown) => log.error(error, 'backup'));
}, LOOK_MS).unref();

keepTelling({ db, now, work }, (error) => log.error(error, 'messages'));

// The page that helps devices in needs the port of the house, and the house's own page that of the help.
let shop: Shop | null = null;
const ending = new AbortController();
const app = createApp({
  db,
  now,
  work,
  log,
  webFolder: resolve(config.LIMNOS_WEB),
  trustedProxies: config.LIMNOS_TRUSTED_PROXIES,
  claimWord: config.LIMNOS_CLAIM_WORD,
  checkResponses: config.LIMNOS_CHECK_RESPONSES,
  disk: diskOf(config.LIMNOS_DISK, config.LIMNOS_DISK_LOW),
  backups,
  shop: () => shop,
  stopping: ending.signal,
});
const server: Server = secure
  ? secureServer(app, config.LIMNOS_TLS_CERT, config.LIMNOS_TLS_KEY)
  : createServer(app);
const port = await listening(server, config.PORT, secure ? '0.0.0.0' : '127.0.0.1');
let help: Server | null = null;
let answerHelp: RequestListener | null = null;
if (inShop) {
  let helpPort = config.LIMNOS_HELP_PORT;
  if (config.LIMNOS_HELPS) {
    help = createServer((req, res) => answerHelp?.(req, res));
    helpPort = await listening(help, helpPort, '0.0.0.0');
  }
  shop = shopAt(
    { host: config.LIMNOS_SHOP_HOST, ip: config.LIMNOS_SHOP_IP },
    config.LIMNOS_SHOP_PORT === '' ? port : config.LIMNOS_SHOP_PORT,
    helpPort,
    config.LIMNOS_TLS_AUTHORITY,
  );
  answerHelp = helpServer(shop);
}
const metrics = config.LIMNOS_METRICS_PORT === '' ? null : createServer(metricsApp(db));
const metricsPort = metrics
  ? await listening(metrics, Number(config.LIMNOS_METRICS_PORT), '127.0.0.1')
  : null;
const ready = {
  ready: true,
  port,
  metricsPort,
  signIns,
  shop,
  helpPort: help ? portOf(help) : null,
};
if (process.send) process.send(ready);
else console.log(JSON.stringify(ready));

/** What was asked before the end has so long to be answered, ms; what is not is asked again by the page. */
const FINISH_MS = 3500;
/** Takes nothing new, lets the pages' streams go, answers what was asked, and ends. */
function stop() {
  if (ending.signal.aborted) return;
  ending.abort();
  for (const other of [help, metrics]) {
    other?.close();
    other?.closeAllConnections();
  }
  server.close(() => {
    void work.close();
    void pool.end().finally(() => process.exit(0));
  });
  server.closeIdleConnections();
  setTimeout(() => process.exit(0), FINISH_MS + 500).unref();
  setTimeout(() => server.closeAllConnections(), FINISH_MS).unref();
}
if (config.LIMNOS_RECORDS_WITHIN > 0)
  watchRecords(config.DATABASE_URL, config.LIMNOS_RECORDS_WITHIN, () => {
    log.error('the database is silent: this process ends');
    process.exit(1);
  });
process.on('SIGTERM', stop);
process.on('SIGINT', stop);
process.on('disconnect', stop);
