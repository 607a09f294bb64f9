// npm start: sets up what is missing, starts the private database and the server, keeps them up, says where they are.
//   --empty       a real, empty house; plain starts open it from then on
//   --demo        the demo, also when there is a real house
//   --reset-demo  the demo made new, and nothing else
//   --shop        over HTTPS to the shop's own network, for its tablets; with any of the others
//   --processes=3 so many processes of the application behind nginx, for a machine with several cores
import { join } from 'node:path';
import { startApplication } from './lib/application.mjs';
import { keepChanges } from './lib/changes.mjs';
import { folders, isReal, markReal, moveOut, own } from './lib/folders.mjs';
import { freePort, startMariadb } from './lib/mariadb.mjs';
import { needBuild, needModules, needPackages } from './lib/prepare.mjs';
import { giveUp, say } from './lib/say.mjs';
import { keepUp } from './lib/supervise.mjs';
import { claimWord } from './lib/words.mjs';

const flags = new Set(process.argv.slice(2));
const many = [...flags].find((f) => f.startsWith('--processes='));
for (const f of flags)
  if (!['--empty', '--demo', '--reset-demo', '--shop', many].includes(f))
    giveUp(`${f} is not known here: --empty, --demo, --reset-demo, --shop or --processes=3.`);
const shop = flags.has('--shop');
const processes = many ? Number(many.split('=')[1]) : 1;
if (!Number.isInteger(processes) || processes < 1 || processes > 32)
  giveUp('--processes is a number from 1 to 32, usually that of the machine’s cores.');
/** Of the house; in a shop that of HTTPS, and the plain page that helps devices in has the usual one. */
const FIRST_PORT = shop ? 8443 : 8137;
/** Certificates are looked at so often while it runs. */
const RENEW_MS = 12 * 3_600_000;
const ownDatabase = !process.env.DATABASE_URL;

if (ownDatabase)
  needPackages({ mariadbd: 'mariadb-server', 'mariadb-install-db': 'mariadb-server' });
if (processes > 1) needPackages({ nginx: 'nginx-light' });
needModules();
needBuild();

const where = folders();
moveOut(where);
const asksDemo = flags.has('--demo') || flags.has('--reset-demo');
const real = flags.has('--empty') || (ownDatabase && isReal(where.real) && !asksDemo);
const folder = real ? where.real : where.demo;
const name = real ? 'limnos_house' : 'limnos_demo';
/** npm's process, when npm started this one. */
const npm = process.env.npm_lifecycle_event ? process.ppid : null;
const leave = await own(folder, npm);
if (flags.has('--empty')) markReal(where.real);

let database = null;
let server = null;
/** Of several processes the others, and the proxy in front of all. */
const beside = [];
let stopping = false;
async function stop(code = 0) {
  if (stopping) return;
  stopping = true;
  for (const one of [...beside].reverse()) await one.stop();
  await server?.stop();
  await database?.stop();
  leave();
  process.exit(code);
}
process.on('SIGINT', () => stop());
process.on('SIGTERM', () => stop());
if (npm) setInterval(() => process.ppid !== npm && stop(), 500).unref();

/** The house's own certificates, renewed as long as it runs; or the owner's (TLS_CERT, TLS_KEY). */
async function shopFiles() {
  const { houseCertificates, reachable } = await import('./lib/certificates.mjs');
  const here = reachable();
  const LIMNOS_SHOP_HOST = process.env.LIMNOS_SHOP_HOST || here.names[0];
  const LIMNOS_SHOP_IP = process.env.LIMNOS_SHOP_IP || here.addresses[0];
  const LIMNOS_HELP_PORT = process.env.PORT === '0' ? '0' : process.env.LIMNOS_HELP_PORT || '8137';
  const as = {
    where: () => {
      const now = reachable();
      return { ...now, names: [...new Set([LIMNOS_SHOP_HOST, ...now.names])] };
    },
  };
  const { TLS_CERT, TLS_KEY } = process.env;
  if (TLS_CERT && TLS_KEY)
    return {
      LIMNOS_SHOP_HOST,
      LIMNOS_SHOP_IP,
      LIMNOS_HELP_PORT,
      LIMNOS_TLS_CERT: TLS_CERT,
      LIMNOS_TLS_KEY: TLS_KEY,
    };
  const files = await houseCertificates(folder, as);
  setInterval(
    () => void houseCertificates(folder, as).catch((e) => say(`No new certificate: ${e.message}`)),
    RENEW_MS,
  ).unref();
  return {
    LIMNOS_SHOP_HOST,
    LIMNOS_SHOP_IP,
    LIMNOS_HELP_PORT,
    LIMNOS_TLS_CERT: files.certificate,
    LIMNOS_TLS_KEY: files.key,
    LIMNOS_TLS_AUTHORITY: files.authority,
  };
}

/** The first start of each says what is wrong and ends; whatever ends later is started again where it was. */
async function first(what, begin) {
  try {
    return await keepUp(what, begin);
  } catch (error) {
    say(`${what} did not start: ${error.message}`);
    await stop(1);
    return null;
  }
}
let databaseUrl = process.env.DATABASE_URL;
/** May change tables; of a database of somebody's own the same. */
let ownerUrl = databaseUrl;
if (ownDatabase) {
  let as = {};
  database = await first('The database', async () => {
    const one = await startMariadb(folder, [name], {
      ...as,
      extra: real ? keepChanges(folder) : [],
    });
    // The server finds the database again at the same place.
    as = {
      port: one.port,
      password: one.password,
      keeperPassword: one.keeper.password,
      appPassword: one.appPassword,
      samePort: true,
    };
    ownerUrl = one.url(name);
    databaseUrl = one.appUrl(name);
    return one;
  });
}
const wished =
  process.env.PORT === undefined || process.env.PORT === '' ? FIRST_PORT : Number(process.env.PORT);
let port = wished === 0 ? 0 : await freePort(wished);
if (wished !== 0 && port !== wished) say(`Port ${wished} is taken, so this is on ${port}.`);
let seed = real ? 'empty' : 'demo';
if (flags.has('--reset-demo')) seed = 'reset-demo';
const word = real ? claimWord() : '';
const tls = shop ? await shopFiles() : {};
if (processes > 1) {
  port ||= await freePort();
  // nginx speaks HTTPS for all of them.
  if (shop) tls.LIMNOS_SHOP_PORT = String(port);
}

/** Of a database that Limnos did not start backups are made where its keeper's way in is known. */
const backupsOfOther = process.env.LIMNOS_KEEPER_DATABASE_URL ? join(where.real, 'backups') : '';
const backups = ownDatabase ? join(folder, 'backups') : backupsOfOther;
const serve = (at, over = {}) =>
  startApplication({
    DATABASE_URL: databaseUrl,
    LIMNOS_OWNER_DATABASE_URL: ownerUrl,
    PORT: String(at),
    LIMNOS_SEED: seed,
    LIMNOS_CLAIM_WORD: word,
    LIMNOS_DISK: ownDatabase ? folder : '',
    LIMNOS_BACKUPS: backups,
    LIMNOS_BACKUP_PROGRAM: `scripts/backup.mjs${real ? '' : ' --demo'}`,
    ...(processes > 1 && { LIMNOS_TRUSTED_PROXIES: '127.0.0.1' }),
    ...tls,
    ...over,
  });
/** Behind a proxy the processes have ports of their own. */
let firstPort = processes > 1 ? await freePort() : port;
server = await first('The server', async () => {
  const one = await serve(firstPort);
  firstPort = one.port;
  if (processes === 1) port = one.port;
  if (shop) tls.LIMNOS_HELP_PORT = String(one.helpPort);
  // Once made new, a demo is kept.
  if (seed === 'reset-demo') seed = 'demo';
  return one;
});
if (processes > 1) {
  const { startNginx } = await import('./lib/nginx.mjs');
  const ports = [firstPort];
  for (let i = 2; i <= processes; i++) {
    let own = await freePort();
    const name = `Process ${i} of the server`;
    beside.push(
      await first(name, async () => {
        // One process makes the backups, and helps devices in.
        const one = await serve(own, {
          LIMNOS_SEED: real ? 'empty' : 'demo',
          LIMNOS_BACKUPS: '',
          LIMNOS_HELPS: 'false',
        });
        own = one.port;
        return one;
      }),
    );
    ports.push(own);
  }
  const https = {
    address: '0.0.0.0',
    tls: { certificate: tls.LIMNOS_TLS_CERT, key: tls.LIMNOS_TLS_KEY },
  };
  const proxy = await first('nginx', () =>
    startNginx({ folder: join(folder, 'nginx'), port, processes: ports, ...(shop && https) }),
  );
  beside.push(proxy);
  // A certificate may be another one by then.
  if (shop) setInterval(() => proxy.now()?.reload(), RENEW_MS).unref();
}
const { signIns, shop: reached } = server.now();
if (reached) {
  say(`\nLimnos is on ${reached.address} in this network.`);
  say(`To add a tablet or a phone, open this page on it: ${reached.help}`);
  if (reached.fingerprint) say(`Certificate fingerprint (SHA-256): ${reached.fingerprint}`);
} else say(`\nLimnos is on http://127.0.0.1:${port}`);
if (signIns.length) {
  say('\nDemo sign-ins (an invented house):');
  for (const s of signIns)
    say(`  ${s.name.padEnd(10)} ${s.role.padEnd(8)} ${s.site.padEnd(13)} ${s.secret}`);
} else if (real)
  say(
    `This is a real house. If the house is new, its first page asks for this word: ${word}\nThe data of the house is in ${folder}.`,
  );
say('\nCtrl-C stops it.');
