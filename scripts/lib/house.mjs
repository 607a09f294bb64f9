// A house of its own for a script: a private database, servers that can be killed, somebody signed in.
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { v7 } from 'uuid';
import { forkApplication } from './application.mjs';
import { freePort, startMariadb } from './mariadb.mjs';
import { needBuild, needPackages } from './prepare.mjs';

/** Starts one; `close` ends all of it. A `folder` that is named is kept, with what is in it. */
export async function openHouse({
  days = 3,
  name = 'limnos_soak',
  extra = [],
  folder: kept = undefined,
} = {}) {
  needPackages({ mariadbd: 'mariadb-server', 'mariadb-install-db': 'mariadb-server' });
  needBuild();
  const folder = kept ?? mkdtempSync(join(tmpdir(), 'limnos-run-'));
  const house = {
    folder,
    name,
    database: await startMariadb(folder, [name], { extra }),
    servers: [],
    proxy: null,
  };
  /** One more process of the application on the same database; on `port` when it is given. */
  house.serve = async (port = 0) => {
    const { child, ready, ended } = await forkApplication({
      DATABASE_URL: house.database.url(name),
      PORT: String(port),
      LIMNOS_SEED: 'demo',
      LIMNOS_DEMO_DAYS: String(days),
      LIMNOS_TRUSTED_PROXIES: '127.0.0.1',
      LOG_LEVEL: 'silent',
    });
    const server = {
      child,
      port: ready.port,
      address: `http://127.0.0.1:${ready.port}`,
      end: (signal) => {
        child.kill(signal);
        return ended;
      },
    };
    house.servers.push(server);
    return server;
  };
  /** nginx before so many processes; its address. */
  house.serveMany = async (count) => {
    const { startNginx } = await import('./nginx.mjs');
    const ports = [];
    for (let i = 0; i < count; i++) ports.push((await house.serve()).port);
    house.proxy = await startNginx({
      folder: join(folder, 'nginx'),
      port: await freePort(),
      processes: ports,
    });
    return house.proxy.address;
  };
  // A script that breaks leaves nothing running.
  for (const what of ['uncaughtException', 'unhandledRejection'])
    process.once(what, (e) => {
      console.error(e);
      void house.close().finally(() => process.exit(1));
    });
  house.restartDatabase = async (extra = []) => {
    house.database = await startMariadb(folder, [name], { port: house.database.port, extra });
  };
  house.close = async () => {
    await house.proxy?.stop();
    for (const s of house.servers) await s.end('SIGTERM');
    await house.database.stop();
    if (!kept) rmSync(folder, { recursive: true, force: true });
  };
  return house;
}

/** The sample lead signed in at a site: `get`, `post`, the site, its teas and vessels. */
export async function signIn(address, siteName = 'Harbour room') {
  const headers = { origin: address, 'content-type': 'application/json' };
  const get = async (path) => (await fetch(address + path, { headers })).json();
  const post = (path, body, method = 'POST') =>
    fetch(address + path, { method, headers, body: JSON.stringify(body) });
  const site = (await get('/api/house')).sites.find((s) => s.name === siteName);
  const { people } = await get(`/api/sites/${site.id}/names`);
  const signed = await post('/api/session', {
    personId: people.find((p) => p.name === 'Ilsa V.').id,
    siteId: site.id,
    secret: 'grey pot first',
  });
  if (!signed.ok) throw new Error(await signed.text());
  headers.cookie = signed.headers.get('set-cookie').split(';')[0];
  const { teas } = await get('/api/book');
  const vessels = async () =>
    (await get('/api/vessels')).vessels.filter((v) => v.siteId === site.id && v.kind !== 'pitcher');
  return { address, headers, get, post, site, teas, vessels, id: v7 };
}
/** So many more vessels like the white pot. */
export async function needVessels(caller, n) {
  const all = await caller.vessels();
  const {
    id: _i,
    rev: _r,
    retired: _t,
    siteId,
    ...facts
  } = all.find((v) => v.name === 'White pot');
  for (let i = all.length; i < n; i++)
    await caller.post('/api/vessels', { ...facts, name: `Pot ${i}`, id: v7(), siteId });
  return caller.vessels();
}
export const startBody = (caller, tea, vessel, over = {}) => ({
  id: v7(),
  siteId: caller.site.id,
  teaId: tea.id,
  versionId: tea.house.id,
  vesselId: vessel.id,
  water: vessel.mark,
  warmed: true,
  warming: false,
  place: 1,
  at: Date.now(),
  ...over,
});
export const percentile = (list, p) => {
  const s = [...list].sort((a, b) => a - b);
  return s[Math.min(s.length - 1, Math.floor(p * s.length))] ?? NaN;
};
export const round = (x, digits = 1) => Number(x.toFixed(digits));
