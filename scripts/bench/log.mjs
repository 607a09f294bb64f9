// npm run bench:log [-- --brews=1000000 --asked=600 --sites=2 --pool=4G --folder=... --compressed=lz4]: a large
// log made by a seeded script, then pages of every filter and of several at once, and what else reads brews, over the
// interface. Prints JSON.
// The data is made anew in a temporary folder (about 5 kB a brew, 1.5 kB compressed) and thrown away, unless a folder is
// named: what is in it is kept, and asked again.
import { statSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { openHouse, percentile, round, signIn, startBody } from '../lib/house.mjs';
import { DAYS, makeBrews, sizeOf } from './manyBrews.mjs';

process.env.LIMNOS_SAY = 'stderr';
const { values: given } = parseArgs({
  options: {
    brews: { type: 'string', default: '1000000' },
    asked: { type: 'string', default: '600' },
    /** An even number: the demo's two, again and again. */
    sites: { type: 'string', default: '2' },
    /** The database's memory while it is asked; as npm start gives it when it is not said. */
    pool: { type: 'string' },
    folder: { type: 'string' },
    /** How pages of brews are compressed on the disk; lz4 with Debian's `mariadb-plugin-provider-lz4`. */
    compressed: { type: 'string' },
  },
});
const [wanted, asked, wantedSites] = [given.brews, given.asked, given.sites].map(Number);
const COMPRESSION = {
  zlib: [],
  lz4: ['--plugin-load-add=provider_lz4', '--innodb-compression-algorithm=lz4'],
};
const compressing = given.compressed ? COMPRESSION[given.compressed] : [];
if (!compressing) throw new Error(`--compressed is one of ${Object.keys(COMPRESSION).join(', ')}.`);
// Made with much memory and no flushing; then the database is started again as npm start has it, and asked.
const house = await openHouse({
  days: DAYS,
  name: 'limnos_log',
  folder: given.folder,
  extra: [
    ...compressing,
    '--innodb-buffer-pool-size=6G',
    '--innodb-sort-buffer-size=64M',
    '--innodb-flush-log-at-trx-commit=0',
    '--innodb-log-file-size=1G',
    '--skip-innodb-doublewrite',
  ],
});
const begun = performance.now();
const say = (what) =>
  process.stderr.write(`${what}, ${Math.round((performance.now() - begun) / 1000)} s\n`);
const url = house.database.url(house.name);
let server = await house.serve();
await makeBrews(url, { wanted, sites: wantedSites, compressed: Boolean(given.compressed), say });
const seeded = round((performance.now() - begun) / 1000, 0);
const size = await sizeOf(url);
await server.end('SIGTERM');
await house.database.stop();
/** What the file of brews takes on the disk: pages that were compressed leave holes in it. */
const { blocks } = statSync(join(house.folder, 'mariadb', house.name, 'brews.ibd'));
await house.restartDatabase([
  ...compressing,
  ...(given.pool ? [`--innodb-buffer-pool-size=${given.pool}`] : []),
]);
server = await house.serve();
const me = await signIn(server.address);
say('asked from here on');

let state = 20260501;
const random = () => {
  state = (state * 1664525 + 1013904223) >>> 0;
  return state / 4294967296;
};
const pick = (list) => list[Math.floor(random() * list.length)];
const { people } = await me.get('/api/brews');
const { vessels } = await me.get('/api/vessels');
const { sites } = await me.get('/api/house');
const now = Date.now();
const FILTERS = {
  siteId: () => pick(sites).id,
  teaId: () => pick(me.teas).id,
  lotId: () => pick(me.teas.flatMap((t) => t.lots)).id,
  vesselId: () => pick(vessels).id,
  personId: () => pick(people).id,
  method: () => pick(['pot', 'infuserCup', 'release', 'liddedCup', 'tastingSet', 'bag']),
  verdict: () => pick(['right', 'off', 'unjudged']),
  pull: () => pick(['early', 'inWindow', 'late', 'forgotten', 'outside']),
  correction: () => pick(['none', 'taken', 'notTaken']),
  noted: () => pick(['clear', 'hazy', 'cloudy', 'stewed', 'thin', 'once', 'never']),
  from: () => String(now - Math.floor(random() * 25) * 365 * 86_400_000),
  to: () => String(now - Math.floor(random() * 30) * 300 * 86_400_000),
};
const names = Object.keys(FILTERS);
const took = [];
const worst = [];
async function ask(q, page) {
  const from = performance.now();
  const res = await fetch(`${server.address}/api/brews?${new URLSearchParams(q)}`, {
    headers: me.headers,
  });
  const body = await res.json();
  const ms = performance.now() - from;
  if (!res.ok) throw new Error(JSON.stringify(body));
  took.push(ms);
  worst.push({ ms: round(ms), q: Object.keys(q).join('+'), page, rows: body.brews.length });
  return body.next;
}
for (const n of names) for (let i = 0; i < 3; i++) await ask({ [n]: FILTERS[n]() }, 1); // warm
took.length = 0;
worst.length = 0;
for (let i = 0; took.length < asked; i++) {
  const q = Object.fromEntries(
    [...names]
      .sort(() => random() - 0.5)
      .slice(0, i % 6)
      .map((n) => [n, FILTERS[n]()]),
  );
  let before = await ask(q, 1);
  for (let p = 2; before && p <= 4; p++) before = await ask({ ...q, before }, p);
  // A page far down, as an address kept from long ago has it.
  if (i % 5 === 0)
    await ask(
      {
        ...q,
        before: `${now - Math.floor(random() * 10_000) * 86_400_000}_ffffffff-ffff-7fff-8fff-ffffffffffff`,
      },
      'far',
    );
}
/** So many calls, each timed. */
async function timed(n, call) {
  const ms = [];
  for (let i = 0; i < n; i++) {
    const from = performance.now();
    await call(i);
    ms.push(performance.now() - from);
  }
  return { p50: round(percentile(ms, 0.5)), p99: round(percentile(ms, 0.99)) };
}
// The sample lead at several sites, one after the other, as their tablets ask.
const SIGNED_IN = 8;
const many = Math.min(SIGNED_IN, sites.length);
const leads = [];
for (let i = 0; i < many; i++)
  leads.push(await signIn(server.address, sites[Math.floor((i * sites.length) / many)].name));
const leadOf = (i) => leads[i % leads.length];
const { brews: some } = await me.get('/api/brews');
const teaOf = (i) => me.teas[i % me.teas.length];
const calls = {
  trends: await timed(16, (i) => leadOf(i).get(`/api/trends?siteId=${leadOf(i).site.id}`)),
  bar: await timed(80, (i) => leadOf(i).get('/api/bar')),
  book: await timed(80, (i) => leadOf(i).get('/api/book')),
  tea: await timed(80, (i) => leadOf(i).get(`/api/teas/${teaOf(i).id}`)),
  brew: await timed(40, (i) => me.get(`/api/brews/${some[i % some.length].id}`)),
  pulls: await timed(80, (i) => leadOf(i).get(`/api/teas/${teaOf(i).id}/pulls`)),
};
const free = (await me.vessels()).find((v) => v.name === 'White pot');
const tea = me.teas.find((t) => t.house && t.method === 'pot');
calls.startPullClose = await timed(40, async () => {
  const body = startBody(me, tea, free);
  for (const [path, sent] of [
    ['/api/brews', body],
    ...['pull', 'close'].map((kind) => [
      `/api/brews/${body.id}/events`,
      { id: me.id(), at: Date.now(), kind },
    ]),
  ]) {
    const res = await me.post(path, sent);
    if (!res.ok) throw new Error(await res.text());
  }
});
const from = performance.now();
const csv = await fetch(
  `${server.address}/api/log/brews.csv?siteId=${me.site.id}&teaId=${me.teas[0].id}`,
  {
    headers: me.headers,
  },
);
let bytes = 0;
for await (const c of csv.body) bytes += c.length;
console.log(
  JSON.stringify(
    {
      bench: 'log',
      ...size,
      brewsOnDiskMegabytes: round((blocks * 512) / 1e6, 0),
      pool: given.pool ?? 'as npm start gives it',
      madeInSeconds: seeded,
      asked: took.length,
      ms: {
        p50: round(percentile(took, 0.5)),
        p95: round(percentile(took, 0.95)),
        p99: round(percentile(took, 0.99)),
        most: round(Math.max(...took)),
      },
      wantedP99: 150,
      slowest: worst.sort((a, b) => b.ms - a.ms).slice(0, 8),
      calls,
      wantedBarAndBookP99: 50,
      exportOneTeaOfASite: { bytes, seconds: round((performance.now() - from) / 1000) },
    },
    null,
    2,
  ),
);
await house.close();
