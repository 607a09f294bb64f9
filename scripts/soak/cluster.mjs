// npm run soak -- cluster [minutes] [seed]: three database servers and three processes of the application under load;
// servers and processes are killed, servers cut off the network (as root), and halfway all processes are upgraded, one
// after the other, to tables that have a column more. Every write that was answered must be there, once, on every
// server; reading must go on. Prints JSON.
import { chmodSync, cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import mysql from 'mysql2/promise';
import { startCluster } from '../lib/cluster.mjs';
import { countTables } from '../lib/counts.mjs';
import { percentile, round, signIn } from '../lib/house.mjs';
import { wait } from '../lib/mariadb.mjs';
import { ROOT } from '../lib/prepare.mjs';
import { say } from '../lib/say.mjs';
import { countsOf, lookAfter, startLoad } from './load.mjs';

const [minutes = 2, seed = 20261201] = process.argv.slice(2).map(Number);
/** A server comes back within this or the run is broken, ms. */
const BACK_WITHIN_MS = 60_000;

/** A small generator (mulberry32), so that a run can be repeated. */
function randomOf(state) {
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}
const random = randomOf(seed);
const oneOf = (list) => list[Math.floor(random() * list.length)];

const folder = mkdtempSync(join(tmpdir(), 'limnos-cluster-'));
chmodSync(folder, 0o755);
const cluster = await startCluster({ folder, days: 1 });
// A run that breaks leaves nothing running.
for (const what of ['uncaughtException', 'unhandledRejection', 'SIGINT', 'SIGTERM'])
  process.once(what, (e) => {
    console.error(e);
    void cluster.stop().finally(() => process.exit(1));
  });
const me = await signIn(cluster.address);
const load = await startLoad(me);

/** Reads the bar again and again, as pages do, through the proxy. */
const reads = { took: [], refused: 0 };
let reading = true;
const reader = (async () => {
  while (reading) {
    const from = performance.now();
    const res = await fetch(`${cluster.address}/api/bar`, {
      headers: me.headers,
      signal: AbortSignal.timeout(10_000),
    }).catch(() => null);
    await res?.arrayBuffer().catch(() => null);
    if (res?.status === 200) reads.took.push(performance.now() - from);
    else reads.refused += 1;
    await wait(50);
  }
})();

const secondsUntil = async (done) => {
  const from = performance.now();
  while (!(await done())) {
    if (performance.now() - from > BACK_WITHIN_MS)
      throw new Error(`it did not come back: ${JSON.stringify(await states())}`);
    await wait(100);
  }
  return (performance.now() - from) / 1000;
};
/** Every server, and whether the process beside it takes requests. */
const states = () =>
  Promise.all(
    cluster.servers.map(async (server, i) => {
      const address = `http://127.0.0.1:${cluster.applications[i].port}/api/ready`;
      const answers = fetch(address, { signal: AbortSignal.timeout(2000) }).then(
        (r) => r.ok,
        () => false,
      );
      return { ...(await server.state()), answers: await answers };
    }),
  );
const whole = async () =>
  (await states()).every((s) => s.ready && s.answers && s.size === cluster.servers.length);
/** Seconds until somebody's writing is acknowledged again. */
const untilWritten = () => {
  const before = load.took.length;
  return secondsUntil(async () => load.took.length > before + 5);
};
const HARM = {
  application: async () => process.kill(oneOf(cluster.applications).pid() ?? 0, 'SIGKILL'),
  database: async () => process.kill(oneOf(cluster.servers).pid(), 'SIGKILL'),
  side: async () => {
    const i = Math.floor(random() * cluster.servers.length);
    for (const pid of [cluster.servers[i].pid(), cluster.applications[i].pid()])
      if (pid) process.kill(pid, 'SIGKILL');
  },
  ...(cluster.isolated && {
    cutFromServers: async () => {
      const { side } = oneOf(cluster.servers);
      side.cutFromServers();
      await wait(4000 + random() * 4000);
      side.heal();
    },
    cutFromAll: async () => {
      const { side } = oneOf(cluster.servers);
      side.cut();
      await wait(4000 + random() * 4000);
      side.heal();
    },
  }),
};
const harms = Object.fromEntries(
  Object.keys(HARM).map((k) => [k, { times: 0, written: [], whole: [] }]),
);

/** The same program with tables that have one column more, which an older process does not know. */
function laterTables() {
  const to = join(folder, 'later');
  cpSync(join(ROOT, 'drizzle'), to, { recursive: true });
  const file = join(to, 'meta/_journal.json');
  const journal = JSON.parse(readFileSync(file, 'utf8'));
  const last = journal.entries.at(-1);
  const tag = `${String(last.idx + 1).padStart(4, '0')}_later`;
  journal.entries.push({ ...last, idx: last.idx + 1, when: last.when + 1, tag });
  writeFileSync(file, JSON.stringify(journal));
  writeFileSync(join(to, `${tag}.sql`), 'ALTER TABLE `brews` ADD `soak_note` varchar(40);');
  return to;
}
const upgrade = { seconds: 0, refusedReads: 0, longestWriteMs: 0, columns: 0 };
async function upgradeAll() {
  const to = laterTables();
  const from = performance.now();
  const [before, written] = [reads.refused, load.took.length];
  for (const a of cluster.applications) {
    const old = a.pid();
    a.upgrade(to);
    await secondsUntil(async () => a.pid() !== old && a.pid() !== null && (await whole()));
  }
  upgrade.seconds = round((performance.now() - from) / 1000);
  upgrade.refusedReads = reads.refused - before;
  upgrade.longestWriteMs = round(Math.max(...load.took.slice(written)));
}

const begun = performance.now();
const elapsed = () => (performance.now() - begun) / 60_000;
while (elapsed() < minutes) {
  await wait(1000 + random() * 3000);
  if (upgrade.seconds === 0 && elapsed() > minutes / 2) await upgradeAll();
  const what = oneOf(Object.keys(HARM));
  say(`${Math.round(elapsed() * 60)} s: ${what}`);
  const from = performance.now();
  const done = HARM[what]().catch((e) => {
    if (e.code !== 'ESRCH') throw e;
  });
  harms[what].times += 1;
  harms[what].written.push(await untilWritten());
  await done;
  await secondsUntil(whole);
  harms[what].whole.push((performance.now() - from) / 1000);
}
await load.stop();
reading = false;
await reader;
const seconds = round((performance.now() - begun) / 1000);

const looks = [];
const counts = [];
for (const server of cluster.servers) {
  const db = await mysql.createConnection(server.ownerUrl(cluster.database));
  looks.push({ server: server.name, ...(await lookAfter(db, load.acked)) });
  counts.push(JSON.stringify(await countTables(db)));
  const [columns] = await db.query("show columns from brews like 'soak_note'");
  upgrade.columns += Array.isArray(columns) ? columns.length : 0;
  await db.end();
}
await cluster.stop();
rmSync(folder, { recursive: true, force: true });
const times = (list) => ({
  median: round(percentile(list, 0.5)),
  longest: round(Math.max(0, ...list)),
});
console.log(
  JSON.stringify(
    {
      run: 'cluster',
      seed,
      seconds,
      ownNetworks: cluster.isolated,
      harms: Object.fromEntries(
        Object.entries(harms).map(([what, h]) => [
          what,
          {
            times: h.times,
            writtenAgainAfterSeconds: times(h.written),
            allThreeAgainAfterSeconds: times(h.whole),
          },
        ]),
      ),
      upgrade,
      acknowledged: countsOf(load.acked),
      writesPerSecond: round(load.took.length / seconds),
      sentAgain: load.repeats(),
      writeMs: {
        p50: round(percentile(load.took, 0.5)),
        p99: round(percentile(load.took, 0.99)),
        longest: round(Math.max(...load.took)),
      },
      reads: {
        served: reads.took.length,
        refused: reads.refused,
        p50: round(percentile(reads.took, 0.5)),
        p99: round(percentile(reads.took, 0.99)),
        longest: round(Math.max(...reads.took)),
      },
      looks,
      serversAlike: new Set(counts).size === 1,
    },
    null,
    2,
  ),
);
process.exit(0);
