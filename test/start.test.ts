import { type ChildProcess, spawn } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { createServer } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
// @ts-expect-error -- plain JavaScript of the scripts
import { isAlive } from '../scripts/lib/mariadb.mjs';
// @ts-expect-error -- plain JavaScript of the scripts
import { applicationOf } from '../scripts/lib/started.mjs';

// The start command as a person uses it, on a data folder of its own. The build is there: the test command makes it
// first.
const folder = mkdtempSync(join(tmpdir(), 'limnos-start-'));
const running: ChildProcess[] = [];
/** Each test starts whole applications, demo and database, on whatever machine this is. */
const SLOW_MACHINE_MS = 120_000;
const alive: (pid: number, mark: string) => boolean = isAlive;
/** The real house lies in the folder itself, the demo below it. */
const demo = join(folder, 'demo');
const pidIn = (file: string, at = demo) =>
  (JSON.parse(readFileSync(join(at, file), 'utf8')) as { pid: number }).pid;
const databasePid = () => pidIn('mariadb.json');
const ownerPid = () => pidIn('owner.json');
async function until(what: () => boolean, told = () => '') {
  for (let i = 0; i < 400; i++) {
    if (what()) return;
    await new Promise((r) => setTimeout(r, 50));
  }
  throw new Error(`not in twenty seconds: ${told()}`);
}

type Started = { address: string; said: string; child: ChildProcess; sofar: () => string };
/** `npm start` until it says where it is, or ends. */
function start(flags: string[] = [], env: Record<string, string> = {}): Promise<Started> {
  const child = spawn('npm', ['start', '--silent', '--', ...flags], {
    env: {
      ...process.env,
      LIMNOS_DATA: folder,
      PORT: '0',
      LIMNOS_DEMO_DAYS: '1',
      LOG_LEVEL: 'silent',
      ...env,
    },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  running.push(child);
  let said = '';
  return new Promise((resolve, reject) => {
    const hear = (d: Buffer) => {
      said += d.toString();
      const at = /http:\/\/127\.0\.0\.1:\d+/.exec(said);
      if (at && said.includes('Ctrl-C stops it.'))
        resolve({ address: at[0], said, child, sofar: () => said });
    };
    child.stdout?.on('data', hear);
    child.stderr?.on('data', hear);
    child.once('exit', (code) => reject(new Error(`ended with ${code}: ${said}`)));
  });
}
const ended = (child: ChildProcess) =>
  child.exitCode !== null || child.signalCode !== null
    ? Promise.resolve()
    : new Promise<void>((r) => child.once('exit', () => r()));
const house = async (address: string) =>
  (await (await fetch(`${address}/api/house`)).json()) as {
    state: string;
    demo: boolean;
    sites: { id: string; name: string }[];
  };

afterAll(async () => {
  for (const child of running)
    if (child.exitCode === null && child.signalCode === null) child.kill('SIGTERM');
  await Promise.all(running.map(ended));
  rmSync(folder, { recursive: true, force: true });
});

test(
  'serves the demo and says the sign-ins; Ctrl-C stops server, then database; nothing is left',
  async () => {
    const { address, said, child } = await start();
    expect(said).toMatch(/Ilsa V\.\s+lead/);
    expect(await house(address)).toMatchObject({ state: 'ready', demo: true });
    expect(await (await fetch(address)).text()).toContain('<div id="root">');
    const pid = databasePid();
    child.kill('SIGINT');
    await ended(child);
    await until(() => !alive(pid, folder));
    expect(existsSync(join(demo, 'owner.json'))).toBe(false);
  },
  SLOW_MACHINE_MS,
);

test(
  'a second one on the same data is refused in one line; a killed one leaves nothing that blocks the next',
  async () => {
    const first = await start();
    await expect(start()).rejects.toThrow(/running already on this data/);
    process.kill(ownerPid(), 'SIGKILL');
    await ended(first.child);
    const second = await start();
    expect(await house(second.address)).toMatchObject({ state: 'ready' });
    // npm itself killed: what it started stops by itself, and the next start waits for that.
    second.child.kill('SIGKILL');
    const third = await start();
    expect(await house(third.address)).toMatchObject({ state: 'ready' });
    third.child.kill('SIGTERM');
    await ended(third.child);
  },
  SLOW_MACHINE_MS,
);

test(
  'the application killed, then the database, then both: each is back by itself at the same address, with what was kept',
  async () => {
    const { address, child, sofar } = await start();
    const before = await house(address);
    const [owner, database] = [ownerPid(), databasePid()];
    const application = (): number => applicationOf(owner) ?? 0;
    const first = application();
    expect(first).toBeGreaterThan(1);
    const back = async (): Promise<boolean> => {
      const res = await fetch(`${address}/api/house`).catch(() => null);
      return res?.status === 200 && (await res.json()).sites.length === before.sites.length;
    };
    const isBack = async () => {
      for (let i = 0; i < 200; i++) {
        if (await back()) return;
        await new Promise((r) => setTimeout(r, 100));
      }
      throw new Error(`it did not come back: ${sofar()}`);
    };
    process.kill(first, 'SIGKILL');
    await until(() => application() > 1 && application() !== first, sofar);
    await isBack();
    expect(sofar()).toMatch(
      /The server was ended by the system, as happens when .* memory is short/,
    );
    process.kill(database, 'SIGKILL');
    await until(() => !alive(database, demo));
    await isBack();
    expect(databasePid()).not.toBe(database);
    process.kill(application(), 'SIGKILL');
    process.kill(databasePid(), 'SIGKILL');
    await new Promise((r) => setTimeout(r, 300));
    await isBack();
    child.kill('SIGTERM');
    await ended(child);
    expect(existsSync(join(demo, 'mariadb.json'))).toBe(false);
  },
  SLOW_MACHINE_MS,
);

test(
  'a taken port is said and the next free one used; an empty house is real and stays apart from the demo',
  async () => {
    const taken = createServer().listen(0, '127.0.0.1').unref();
    await new Promise((r) => taken.once('listening', r));
    const port = (taken.address() as { port: number }).port;
    const empty = await start(['--empty'], { PORT: String(port) });
    expect(empty.said).toContain(`Port ${port} is taken`);
    expect(await house(empty.address)).toMatchObject({ state: 'empty', demo: false });
    const site = {
      name: 'Loft',
      altitudeM: 10,
      measuredBoiling: null,
      coldWater: 12,
      ambient: 20,
      pourLoss: null,
      kettle: { volume: 1000, material: 'stainless', lid: true, rate: null, name: '' },
      water: { hardness: 'unknown', filtered: true },
      volumeUnit: 'ml',
      temperatureUnit: 'C',
    };
    const begin = (word: string) =>
      fetch(`${empty.address}/api/house`, {
        method: 'POST',
        headers: { 'content-type': 'application/json', origin: empty.address },
        body: JSON.stringify({
          word,
          site,
          siteId: '01890000-0000-7000-8000-000000000001',
          lead: {
            id: '01890000-0000-7000-8000-000000000002',
            name: 'Brae',
            secret: 'a long passphrase',
          },
        }),
      });
    // Whoever begins it has seen where it was started.
    expect(await house(empty.address)).toMatchObject({ asksWord: true });
    expect((await begin('')).status).toBe(422);
    expect((await begin('abcd-efgh')).status).toBe(422);
    const word = /this word: (\S+)/.exec(empty.said)?.[1] ?? '';
    expect((await begin(word)).status).toBe(200);
    empty.child.kill('SIGTERM');
    await ended(empty.child);
    taken.close();

    const demo = await start(['--reset-demo']);
    expect(await house(demo.address)).toMatchObject({ demo: true });
    demo.child.kill('SIGTERM');
    await ended(demo.child);
    const plain = await start();
    expect(await house(plain.address)).toMatchObject({
      state: 'ready',
      demo: false,
      sites: [{ name: 'Loft' }],
    });
    plain.child.kill('SIGTERM');
    await ended(plain.child);
  },
  SLOW_MACHINE_MS,
);

test(
  'with DATABASE_URL it uses that server and starts none',
  async () => {
    const base = process.env.LIMNOS_TEST_DATABASE ?? '';
    const name = `limnos_start_${Date.now()}`;
    const { default: mysql } = await import('mysql2/promise');
    const root = await mysql.createConnection(base);
    await root.query(`create database ${name} character set utf8mb4 collate utf8mb4_uca1400_ai_ci`);
    await root.end();
    const { address, child } = await start([], {
      DATABASE_URL: base.replace(/\/[^/]*$/, `/${name}`),
    });
    expect(await house(address)).toMatchObject({ state: 'ready', demo: true });
    expect(existsSync(join(demo, 'mariadb.json'))).toBe(false);
    child.kill('SIGINT');
    await ended(child);
  },
  SLOW_MACHINE_MS,
);
