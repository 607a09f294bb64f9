// npm run dev: the demo on one port, from the sources. Pages change as they are saved (Vite); the server's code is read
// again when it is saved. The database is private and lies in .data/dev.
import { createServer } from 'node:http';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { freePort, startMariadb } from './lib/mariadb.mjs';
import { needModules, needPackages, ROOT } from './lib/prepare.mjs';
import { say } from './lib/say.mjs';
import { serverBundle } from './lib/serverBundle.mjs';

needPackages({ mariadbd: 'mariadb-server', 'mariadb-install-db': 'mariadb-server' });
needModules();
// Only now are they sure to be there.
const { context } = await import('esbuild');
const { pino } = await import('pino');
const { createServer: createVite } = await import('vite');

const folder = join(ROOT, '.data/dev');
const database = await startMariadb(folder, ['limnos_dev']);

/**
 * The server as it was last bundled; read again after each change of its sources.
 * @type {any}
 */
let server = null;
let app = null;
let versions = 0;
async function readAgain({ errors }) {
  if (errors.length > 0) return; // the last that was right goes on
  server = await import(`${pathToFileURL(join(folder, 'development.mjs'))}?${++versions}`);
  if (versions === 1) return;
  app = server.createApp(deps);
  say('The server was read again.');
}
let deps = null;
const bundle = await context({
  ...serverBundle,
  absWorkingDir: ROOT,
  entryPoints: ['src/server/development.ts', 'src/server/worker.ts'],
  outdir: folder,
  plugins: [{ name: 'read-again', setup: (build) => build.onEnd(readAgain) }],
});
await bundle.rebuild();

const port = await freePort(Number(process.env.PORT ?? 8137));
const http = createServer();
const vite = await createVite({
  root: ROOT,
  appType: 'spa',
  server: { middlewareMode: true, hmr: { server: http } },
});

const pool = server.openPool(database.url('limnos_dev'));
const db = server.openDb(pool);
await server.migrateDb(pool, db, join(ROOT, 'drizzle'));
const signIns = await server.seedDemo(db, { now: Date.now(), days: 5 });
const work = server.openWork(pathToFileURL(join(folder, 'worker.mjs')));
const log = pino({ level: process.env.LOG_LEVEL ?? 'warn' });
deps = { db, now: Date.now, work, log, webFolder: null, checkResponses: true };
app = server.createApp(deps);
await bundle.watch();

http.on('request', (req, res) =>
  req.url?.startsWith('/api') ? app(req, res) : vite.middlewares(req, res),
);
http.listen(port, '127.0.0.1', () => {
  say(`Limnos is on http://127.0.0.1:${port}, from the sources`);
  for (const { name, secret } of signIns) say(`  ${name}: ${secret}`);
  say('Ctrl-C stops it.');
});

async function stop() {
  http.closeAllConnections();
  http.close();
  await Promise.allSettled([vite.close(), bundle.dispose(), work.close(), pool.end()]);
  await database.stop();
  process.exit(0);
}
process.once('SIGINT', stop);
process.once('SIGTERM', stop);
