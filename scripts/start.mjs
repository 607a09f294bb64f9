// npm start: sets up what is missing, starts the private database and the server, says where.
//   --empty       a real, empty house; plain starts open it from then on
//   --demo        the demo, also when there is a real house
//   --reset-demo  the demo made new, and nothing else
import { fork } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { freePort, isAlive, startMariadb, wait } from './lib/mariadb.mjs';
import { cleanEnv, needBuild, needModules, needPackages, ROOT } from './lib/prepare.mjs';
import { giveUp, say } from './lib/say.mjs';

const flags = new Set(process.argv.slice(2));
for (const f of flags)
  if (!['--empty', '--demo', '--reset-demo'].includes(f))
    giveUp(`${f} is not known here: --empty, --demo or --reset-demo.`);
const FIRST_PORT = 8137;
const folder = process.env.LIMNOS_DATA || join(ROOT, '.data');
const own = !process.env.DATABASE_URL;

if (own) needPackages({ mariadbd: 'mariadb-server', 'mariadb-install-db': 'mariadb-server' });
needModules();
needBuild();

mkdirSync(folder, { recursive: true });
const ownerFile = join(folder, 'owner.json');
/** npm's process, when npm started this one: it may be killed without telling us. */
const npm = process.env.npm_lifecycle_event ? process.ppid : null;
if (own && existsSync(ownerFile)) {
  const owner = JSON.parse(readFileSync(ownerFile, 'utf8') || '{}');
  const there = () =>
    Boolean(owner.pid) && owner.pid !== process.pid && isAlive(owner.pid, 'start.mjs');
  // One whose npm was killed is stopping by itself.
  for (let i = 0; i < 100 && there() && owner.npm && !isAlive(owner.npm, 'npm'); i++)
    await wait(100);
  if (there())
    giveUp(
      `Limnos is running already on this data (process ${owner.pid}). Stop that one first, or set LIMNOS_DATA to another folder.`,
    );
}
if (own) writeFileSync(ownerFile, JSON.stringify({ pid: process.pid, npm }));

const realMark = join(folder, 'real-house');
if (flags.has('--empty')) writeFileSync(realMark, 'A real house: plain starts open it.\n');
const real = own && existsSync(realMark) && !flags.has('--demo') && !flags.has('--reset-demo');
const seed = flags.has('--reset-demo')
  ? 'reset-demo'
  : flags.has('--empty') || real
    ? 'empty'
    : 'demo';

let database = null;
let server = null;
let stopping = false;
async function stop(code = 0) {
  if (stopping) return;
  stopping = true;
  if (server && server.exitCode === null && server.signalCode === null) {
    const ended = new Promise((r) => server.once('exit', r));
    server.kill('SIGTERM');
    await ended;
  }
  await database?.stop();
  if (own) rmSync(ownerFile, { force: true });
  process.exit(code);
}
process.on('SIGINT', () => stop());
process.on('SIGTERM', () => stop());
if (npm) setInterval(() => process.ppid !== npm && stop(), 500).unref();

try {
  database = own ? await startMariadb(folder, ['limnos_demo', 'limnos_house']) : null;
} catch (error) {
  say(error.message);
  await stop(1);
}
const wished =
  process.env.PORT === undefined || process.env.PORT === '' ? FIRST_PORT : Number(process.env.PORT);
const port = wished === 0 ? 0 : await freePort(wished);
if (wished !== 0 && port !== wished) say(`Port ${wished} is taken, so this is on ${port}.`);

server = fork(join(ROOT, 'dist/server/main.mjs'), {
  cwd: ROOT,
  detached: true,
  stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
  env: cleanEnv({
    DATABASE_URL: database
      ? database.url(real || seed === 'empty' ? 'limnos_house' : 'limnos_demo')
      : process.env.DATABASE_URL,
    PORT: String(port),
    LIMNOS_SEED: seed,
    NODE_ENV: 'production',
  }),
});
server.once('exit', (code) => {
  if (!stopping) {
    say('The server ended.');
    stop(code || 1);
  }
});
server.once('message', ({ port: at, signIns }) => {
  say(`\nLimnos is on http://127.0.0.1:${at}`);
  if (signIns.length) {
    say('\nDemo sign-ins (an invented house):');
    for (const s of signIns)
      say(`  ${s.name.padEnd(10)} ${s.role.padEnd(8)} ${s.site.padEnd(13)} ${s.secret}`);
  } else if (seed === 'empty')
    say('A real house: its first page makes the first site and lead, if that is not done yet.');
  say('\nCtrl-C stops it.');
});
