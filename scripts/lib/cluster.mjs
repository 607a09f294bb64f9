// A house on several machines, tried on one: three database servers that keep the same records, a process of the
// application beside each, and nginx in front. Whatever ends is started again.
import { join } from 'node:path';
import { forkApplication } from './application.mjs';
import { galeraServers, startServers } from './galera.mjs';
import { freePort } from './mariadb.mjs';
import { canIsolate, loopback, makeNetwork } from './network.mjs';
import { startNginx } from './nginx.mjs';
import { needBuild, needPackages } from './prepare.mjs';
import { say } from './say.mjs';
import { keepUp } from './supervise.mjs';

const SERVERS = 3;
const DATABASE = 'limnos_cluster';
/** A database that is cut off from its application altogether is noticed within this, ms. */
const SILENT_MS = 2000;

/**
 * `isolate`: as root each server gets a network of its own, so that it can be cut off.
 *
 * @param {{ folder: string, port?: number, days?: number, migrations?: string, isolate?: boolean }} of
 */
export async function startCluster({
  folder,
  port = 0,
  days = 3,
  migrations = 'drizzle',
  isolate = true,
}) {
  needPackages({
    mariadbd: 'mariadb-server',
    'mariadb-install-db': 'mariadb-server',
    rsync: 'rsync',
    nginx: 'nginx-light',
    ip: 'iproute2',
  });
  needBuild();
  const isolated = isolate && canIsolate();
  const network = isolated ? makeNetwork(SERVERS) : loopback(SERVERS);
  const started = [];
  async function stop() {
    for (const one of [...started].reverse()) await one.stop();
    network.remove();
  }
  try {
    const servers = await galeraServers(join(folder, 'servers'), [DATABASE], network.sides);
    started.push({ stop: () => Promise.all(servers.map((s) => s.stop())) });
    say('Starting three database servers ...');
    await startServers(servers);
    const kept = [];
    for (const server of servers) kept.push(await keptServer(server));
    started.push({ stop: () => Promise.all(kept.map((k) => k.stop())) });
    const applications = [];
    const stopApplications = async () => {
      await Promise.all(applications.splice(0).map((a) => a.stop()));
    };
    started.push({ stop: stopApplications });
    for (const server of servers)
      applications.push(await keptApplication(server, { days, migrations }));
    const proxy = await startNginx({
      folder: join(folder, 'nginx'),
      port: await freePort(port),
      processes: applications.map((a) => a.port),
      far: true,
    });
    started.push(proxy);
    return {
      ...{ address: proxy.address, servers, applications, isolated, database: DATABASE },
      ...{ stopApplications, stop },
    };
  } catch (error) {
    await stop().catch(() => undefined);
    throw error;
  }
}

async function keptServer(server) {
  let first = true;
  return keepUp(`Database server ${server.name}`, async () => {
    if (!first) await server.start();
    first = false;
    return { ended: server.ended(), stop: server.stop };
  });
}
/** A process of the application that reads and writes through its own database server. */
async function keptApplication(server, { days, migrations }) {
  let port = await freePort();
  const env = () => ({
    DATABASE_URL: server.appUrl(DATABASE),
    LIMNOS_OWNER_DATABASE_URL: server.ownerUrl(DATABASE),
    PORT: String(port),
    LIMNOS_SEED: 'demo',
    LIMNOS_DEMO_DAYS: String(days),
    LIMNOS_MIGRATIONS: migrations,
    LIMNOS_TRUSTED_PROXIES: '127.0.0.1',
    LIMNOS_RECORDS_WITHIN: String(SILENT_MS),
    LOG_LEVEL: process.env.LOG_LEVEL || 'silent',
  });
  const kept = await keepUp(`The application at ${server.name}`, async () => {
    const { child, ready, ended } = await forkApplication(env());
    port = ready.port;
    return {
      child,
      signIns: ready.signIns,
      ended,
      stop: () => {
        child.kill('SIGTERM');
        return ended;
      },
    };
  });
  return {
    port,
    signIns: kept.now().signIns,
    pid: () => kept.now()?.child.pid ?? null,
    stop: kept.stop,
    /** Ends it in good order, and starts it with other tables in mind. */
    upgrade(to) {
      migrations = to;
      kept.now()?.child.kill('SIGTERM');
    },
  };
}
