import { spawn } from 'node:child_process';
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import mysql, { type RowDataPacket } from 'mysql2/promise';
import { v7 } from 'uuid';
// @ts-expect-error -- plain JavaScript of the scripts
import { startCluster } from '../scripts/lib/cluster.mjs';
// @ts-expect-error -- plain JavaScript of the scripts
import { signIn } from '../scripts/lib/house.mjs';

// Three database servers and three processes of the application on loopback; `npm run soak -- cluster` harms them for
// minutes, and cuts them off the network too.

type State = { ready: boolean; size: number };
type Server = {
  name: string;
  pid(): number | null;
  state(): Promise<State>;
  ownerUrl(database: string): string;
  keeperUrl(database: string): string;
};
type Cluster = {
  address: string;
  database: string;
  servers: Server[];
  applications: { port: number; pid(): number | null }[];
  stopApplications(): Promise<void>;
  stop(): Promise<void>;
};
type Caller = {
  post(path: string, body: object): Promise<Response>;
  site: { id: string };
  teas: { id: string; house: object | null; method: string }[];
};
const SLOW_MACHINE_MS = 240_000;
const folder = mkdtempSync(join(tmpdir(), 'limnos-cluster-'));
// Run by root, the servers run as another user.
chmodSync(folder, 0o755);
let cluster: Cluster;
let me: Caller;

beforeAll(async () => {
  cluster = (await startCluster({ folder, days: 1, isolate: false })) as Cluster;
  me = (await signIn(cluster.address)) as Caller;
}, SLOW_MACHINE_MS);
afterAll(async () => {
  await cluster?.stop();
  rmSync(folder, { recursive: true, force: true });
}, SLOW_MACHINE_MS);

const until = async (what: () => Promise<boolean>) => {
  for (let i = 0; i < 600; i++) {
    if (await what()) return;
    await new Promise((r) => setTimeout(r, 100));
  }
  throw new Error('not in a minute');
};
const wholeAgain = () =>
  until(async () => {
    const states = await Promise.all(cluster.servers.map((s) => s.state()));
    return states.every((s) => s.ready && s.size === 3);
  });
/** Sends until it is answered, as a tablet does. */
async function surely(id: string): Promise<void> {
  const tea = me.teas.find((t) => t.house && t.method === 'pot');
  const body = {
    ...{ id, siteId: me.site.id, teaId: tea?.id, vesselId: null, water: null },
    ...{ forWhom: 'table 4', rank: 1, at: Date.now() },
  };
  await until(async () => {
    const answer = await me.post('/api/orders', body).catch(() => null);
    return answer?.status === 200;
  });
}
/** How many of these orders each server has. */
async function keptOn(ids: string[]): Promise<number[]> {
  const found: number[] = [];
  for (const server of cluster.servers) {
    const db = await mysql.createConnection(server.ownerUrl(cluster.database));
    const [rows] = await db.query<RowDataPacket[]>(
      'select count(*) as n from orders where id in (?)',
      [ids],
    );
    found.push(Number(rows[0]?.n));
    await db.end();
  }
  return found;
}

/** A script, with the keeper's way to one of the servers. Its code, and what it said. */
function run(script: string, server: number, ...args: string[]): Promise<[number | null, string]> {
  const child = spawn(process.execPath, [`scripts/${script}.mjs`, ...args], {
    env: {
      ...process.env,
      LIMNOS_DATA: folder,
      LIMNOS_KEEPER_DATABASE_URL: cluster.servers[server]?.keeperUrl(cluster.database),
    },
  });
  let said = '';
  for (const stream of [child.stdout, child.stderr])
    stream.on('data', (d: Buffer) => {
      said += d.toString();
    });
  return new Promise((done) => child.once('close', (code) => done([code, said])));
}

test(
  'what one server acknowledges, all three have, once; also while one of them is killed',
  async () => {
    const before = [v7(), v7(), v7(), v7(), v7(), v7()];
    for (const id of before) await surely(id);
    expect(await keptOn(before)).toEqual([6, 6, 6]);
    const [first] = cluster.servers;
    process.kill(first?.pid() ?? 0, 'SIGKILL');
    const during = [v7(), v7(), v7(), v7(), v7(), v7()];
    for (const id of during) await surely(id);
    await wholeAgain();
    expect(await keptOn([...before, ...during])).toEqual([12, 12, 12]);
  },
  SLOW_MACHINE_MS,
);
test(
  'a machine that ends with server and process is missed by nobody',
  async () => {
    for (const pid of [cluster.servers[1]?.pid(), cluster.applications[1]?.pid()])
      process.kill(pid ?? 0, 'SIGKILL');
    const ids = [v7(), v7(), v7(), v7()];
    for (const id of ids) await surely(id);
    const bar = await fetch(`${cluster.address}/api/house`);
    expect(bar.status).toBe(200);
    await wholeAgain();
    expect(await keptOn(ids)).toEqual([4, 4, 4]);
  },
  SLOW_MACHINE_MS,
);
test(
  'a backup of one server is the house of all three, made while others write; it comes back to all three',
  async () => {
    const kept = [v7(), v7(), v7()];
    for (const id of kept) await surely(id);
    let making = true;
    const during: string[] = [];
    const writing = (async () => {
      while (making) {
        const id = v7();
        await surely(id);
        during.push(id);
      }
    })();
    const file = join(folder, 'kept.sql.gz');
    const made = await run('backup', 1, file);
    making = false;
    await writing;
    expect(made).toEqual([0, expect.stringContaining('every checksum the same')]);
    expect(during.length).toBeGreaterThan(0);
    await cluster.stopApplications();
    const busy = await mysql.createConnection(cluster.servers[2]?.ownerUrl(cluster.database) ?? '');
    expect(await run('restore', 2, file, '--yes')).toEqual([
      1,
      expect.stringContaining('Stop Limnos at every server first.'),
    ]);
    await busy.query('delete from orders');
    await busy.end();
    expect(await keptOn(kept)).toEqual([0, 0, 0]);
    expect(await run('restore', 2, file, '--yes')).toEqual([0, expect.stringContaining('is back')]);
    expect(await keptOn(kept)).toEqual([3, 3, 3]);
  },
  SLOW_MACHINE_MS,
);
