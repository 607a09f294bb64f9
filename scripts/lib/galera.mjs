// Servers of MariaDB that keep the same records together (Galera): what one has acknowledged, all have.
import { spawn, spawnSync } from 'node:child_process';
import {
  chmodSync,
  existsSync,
  mkdirSync,
  readFileSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { dirname, join } from 'node:path';
import mysql from 'mysql2/promise';
import {
  answers,
  APPLICATION_RIGHTS,
  createDatabase,
  freePort,
  install,
  KEEPER_RIGHTS,
  newPassword,
  wait,
} from './mariadb.mjs';
import { cleanEnv } from './prepare.mjs';
import { rowsOf } from './rows.mjs';

const PROVIDER = '/usr/lib/galera/libgalera_smm.so';
/** As root the copying of a whole server's files ends in the rights of nobody: servers run as Debian's own user then. */
const USER = process.getuid?.() === 0 ? 'mysql' : '';
/** A server that is silent so long is left out by the others: shorter than Galera's own 5 and 15 s. */
const PATIENCE =
  'evs.keepalive_period=PT0.5S;evs.inactive_check_period=PT0.25S;evs.suspect_timeout=PT2S;' +
  'evs.inactive_timeout=PT4S;evs.install_timeout=PT4S;pc.recovery=false';
/** Changes kept for a server that comes back; one that was away longer copies everything. */
const CHANGES_KEPT = 'gcache.size=64M';
/** Copying everything from another server takes a while, ms. */
const JOINS_WITHIN_MS = 180_000;

async function portsFor(side, index) {
  // In a network of its own every server has the usual ones.
  if (side.prefix.length > 0) return { sql: 3306, group: 4567, changes: 4568, copy: 4444 };
  const ports = [];
  // From a range of each server's own: those of the others are not listened on yet, so they look free.
  for (let i = 0; i < 4; i++)
    ports.push(await freePort(20_000 + index * 1000 + i * 100 + (process.pid % 97)));
  const [sql, group, changes, copy] = ports;
  return { sql, group, changes, copy };
}

/** @throws in words when the servers' own user cannot enter `folder` */
function mustBeOpen(folder) {
  for (let at = folder; at !== dirname(at); at = dirname(at))
    if ((statSync(at).mode & 0o001) === 0)
      throw new Error(
        `the user ${USER} cannot enter ${at}. Set LIMNOS_DATA to a folder that every user may enter.`,
      );
}
/**
 * The servers of a cluster in `folder`, none started yet. `sides`: where each runs (`network.mjs`).
 * Passwords live as long as the folder, in a file that only its owner reads.
 */
export async function galeraServers(folder, databases, sides) {
  mkdirSync(folder, { recursive: true });
  chmodSync(folder, 0o755);
  if (USER) mustBeOpen(folder);
  const secretsFile = join(folder, 'cluster.json');
  const kept = existsSync(secretsFile) ? JSON.parse(readFileSync(secretsFile, 'utf8')) : {};
  const secrets = { owner: newPassword(), app: newPassword(), keeper: newPassword(), ...kept };
  writeFileSync(secretsFile, JSON.stringify(secrets), { mode: 0o600 });
  const places = [];
  for (const [i, side] of sides.entries())
    places.push({ side, name: `n${i + 1}`, ports: await portsFor(side, i + 1) });
  const group = `gcomm://${places.map((p) => `${p.side.between}:${p.ports.group}`).join(',')}`;
  return places.map((place) =>
    oneServer(join(folder, place.name), place, group, secrets, databases),
  );
}

function oneServer(folder, { side, name, ports }, group, secrets, databases) {
  mkdirSync(folder, { recursive: true });
  chmodSync(folder, 0o755);
  const data = install(folder, USER);
  const init = join(folder, 'init.sql');
  const short = join(folder, 'tmp');
  mkdirSync(short, { recursive: true });
  // Accounts are made by the first server; the others copy them with everything else.
  writeFileSync(
    init,
    `${[
      ...databases.map(createDatabase),
      `CREATE OR REPLACE USER 'limnos'@'%' IDENTIFIED BY '${secrets.owner}';`,
      "GRANT ALL ON `limnos%`.* TO 'limnos'@'%';",
      `CREATE OR REPLACE USER 'limnos_app'@'%' IDENTIFIED BY '${secrets.app}';`,
      `GRANT ${APPLICATION_RIGHTS} ON \`limnos%\`.* TO 'limnos_app'@'%';`,
      `CREATE OR REPLACE USER 'limnos_keeper'@'%' IDENTIFIED BY '${secrets.keeper}';`,
      "GRANT ALL ON `limnos%`.* TO 'limnos_keeper'@'%';",
      `GRANT ${KEEPER_RIGHTS}, CONNECTION ADMIN ON *.* TO 'limnos_keeper'@'%';`,
    ].join('\n')}\n`,
    { mode: 0o600 },
  );
  if (USER) spawnSync('chown', [USER, folder, init, short]);
  const url = (user, password) => (database) =>
    `mysql://${user}:${password}@${side.address}:${ports.sql}/${database}`;
  const ownerUrl = url('limnos', secrets.owner);
  const provider = [
    `base_host=${side.between}`,
    `base_port=${ports.group}`,
    `gmcast.listen_addr=tcp://${side.between}:${ports.group}`,
    `ist.recv_addr=${side.between}:${ports.changes}`,
    CHANGES_KEPT,
    PATIENCE,
    'socket.ssl=no',
  ].join(';');
  const args = [
    '--no-defaults',
    ...(USER ? [`--user=${USER}`] : []),
    `--datadir=${data}`,
    `--tmpdir=${short}`,
    `--socket=${folder}/s`,
    `--pid-file=${folder}/pid`,
    `--port=${ports.sql}`,
    `--bind-address=${side.address}`,
    '--skip-name-resolve',
    '--character-set-server=utf8mb4',
    '--default-time-zone=+00:00',
    '--log-bin-trust-function-creators=1',
    '--binlog-format=ROW',
    '--default-storage-engine=InnoDB',
    '--innodb-autoinc-lock-mode=2',
    // Another server has it too: each write need not wait for this one's disk.
    '--innodb-flush-log-at-trx-commit=2',
    '--innodb-buffer-pool-size=128M',
    '--wsrep-on=ON',
    `--wsrep-provider=${PROVIDER}`,
    '--wsrep-cluster-name=limnos',
    `--wsrep-cluster-address=${group}`,
    `--wsrep-node-name=${name}`,
    `--wsrep-node-address=${side.between}:${ports.group}`,
    '--wsrep-sst-method=rsync',
    `--wsrep-sst-receive-address=${side.between}:${ports.copy}`,
    // What was acknowledged by one server is read from every other. The keeper's connections alone are spared
    // (CONNECTION ADMIN): a backup holds the server still for a moment, and would wait for itself.
    '--init-connect=SET SESSION wsrep_sync_wait=7',
    `--wsrep-provider-options=${provider}`,
  ];
  const [program, ...before] = [...side.prefix, 'mariadbd'];
  const env = cleanEnv();
  let running = null;
  let told = '';

  /** Where it stopped, as "uuid:number", found by reading its own log; null: it has nothing yet. */
  function stoppedAt() {
    const done = spawnSync(program, [...before, ...args, '--wsrep-recover'], {
      encoding: 'utf8',
      env,
    });
    const found = /Recovered position:\s*([0-9a-f-]{36}:-?\d+)/.exec(
      `${done.stderr}${done.stdout}`,
    )?.[1];
    return found && !found.endsWith(':-1') ? found : null;
  }
  const state = async () => {
    let db = null;
    try {
      db = await mysql.createConnection({ uri: ownerUrl(''), connectTimeout: 1000 });
      const rows = await rowsOf(db, "show status like 'wsrep_%'");
      const of = (key) => rows.find((r) => r.Variable_name === `wsrep_${key}`)?.Value;
      return {
        ready: of('ready') === 'ON' && of('local_state_comment') === 'Synced',
        size: Number(of('cluster_size')),
        primary: of('cluster_status') === 'Primary',
      };
    } catch {
      return { ready: false, size: 0, primary: false };
    } finally {
      db?.destroy();
    }
  };
  async function start({ first = false } = {}) {
    const at = first && !existsSync(join(data, 'grastate.dat')) ? null : stoppedAt();
    const child = spawn(
      program,
      [
        ...before,
        ...args,
        ...(at ? [`--wsrep-start-position=${at}`] : []),
        ...(first ? ['--wsrep-new-cluster', `--init-file=${init}`] : []),
      ],
      { detached: true, stdio: ['ignore', 'ignore', 'pipe'], env },
    );
    told = '';
    child.stderr.on('data', (d) => {
      told = (told + d).slice(-6000);
    });
    const ended = new Promise((r) => child.once('exit', (code, signal) => r(signal ?? code)));
    running = { pid: child.pid, ended, over: false };
    const me = running;
    void ended.then(() => {
      me.over = true;
    });
    const until = Date.now() + JOINS_WITHIN_MS;
    while (!((await answers(ports.sql, side.address)) && (await state()).ready)) {
      if (me.over || Date.now() > until) throw new Error(`${name} did not join:\n${told}`);
      await wait(100);
    }
  }
  const end = (signal) => async () => {
    if (!running) return;
    if (!running.over) process.kill(running.pid, signal);
    await running.ended;
    running = null;
  };
  return {
    name,
    side,
    ownerUrl,
    appUrl: url('limnos_app', secrets.app),
    /** For a backup of all of them, from this one. */
    keeperUrl: url('limnos_keeper', secrets.keeper),
    pid: () => running?.pid ?? null,
    ended: () => running?.ended ?? Promise.resolve(),
    stoppedAt,
    state,
    start,
    stop: end('SIGTERM'),
    kill: end('SIGKILL'),
    said: () => told,
    /** After all have stopped this one may begin anew: none has more than it. */
    mayBegin() {
      const file = join(data, 'grastate.dat');
      if (!existsSync(file)) return;
      const text = readFileSync(file, 'utf8').replace(
        /safe_to_bootstrap: \d/,
        'safe_to_bootstrap: 1',
      );
      writeFileSync(file, text);
    },
    remove: () => rmSync(folder, { recursive: true, force: true }),
  };
}

const numberOf = (at) => (at ? Number(at.split(':')[1]) : -1);
/** Starts all: the one that has most begins, the others join it. */
export async function startServers(servers) {
  const [first, ...others] = [...servers].sort(
    (a, b) => numberOf(b.stoppedAt()) - numberOf(a.stoppedAt()),
  );
  first.mayBegin();
  await first.start({ first: true });
  for (const other of others) await other.start();
}
