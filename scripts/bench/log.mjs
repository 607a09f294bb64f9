// npm run bench:log [brews] [asked]: a log of a million brews made by a seeded script, then pages of every filter and
// of several
// at once, over the interface. Prints JSON. The data is made anew in a temporary folder (about 3 kB a brew) and
// thrown away.
import mysql from 'mysql2/promise';
import { openHouse, percentile, round, signIn, startBody } from '../lib/house.mjs';
import { rowsOf } from '../lib/rows.mjs';

process.env.LIMNOS_SAY = 'stderr';
const [wanted = 1_000_000, asked = 600] = process.argv.slice(2).map(Number);
// Made with much memory and no flushing; then the database is started again as npm start has it, and asked.
const house = await openHouse({
  days: 120,
  name: 'limnos_log',
  extra: [
    '--innodb-buffer-pool-size=4G',
    '--innodb-sort-buffer-size=64M',
    '--innodb-flush-log-at-trx-commit=0',
    '--innodb-log-file-size=1G',
  ],
});
let server = await house.serve();
const making = await mysql.createConnection({
  uri: house.database.url(house.name),
  multipleStatements: true,
});
const [{ n: base }] = await rowsOf(making, 'select count(*) as n from brews');
const begun = performance.now();
const indexes = await rowsOf(
  making,
  `select index_name as name,
     group_concat(concat('\`', column_name, '\`') order by seq_in_index) as cols
   from information_schema.statistics
   where table_schema = database() and table_name = 'brews' and index_name <> 'PRIMARY'
   group by index_name`,
);
await making.query(
  'set session foreign_key_checks = 0, unique_checks = 0, group_concat_max_len = 100000',
);
// The demo's own brews, again and again, each time earlier; ids follow the time, as ours do. Indexes are built once
// at the end.
await making.query(
  `create table many like brews; alter table many ${indexes.map((i) => `drop index \`${i.name}\``).join(', ')}`,
);
const cols = await rowsOf(
  making,
  `select column_name as name from information_schema.columns
   where table_schema = database() and table_name = 'brews' order by ordinal_position`,
);
const SPAN = 121 * 86_400;
const all = cols.map((c) => c.name);
let there = 0;
for (let k = 0; there < wanted; k++) {
  const many = Math.min(Number(base), wanted - there);
  const earlier = (c) => `date_sub(\`${c}\`, interval ${k * SPAN} second)`;
  const ms = `lower(lpad(hex(floor(unix_timestamp(${earlier('started_at')}) * 1000)), 12, '0'))`;
  const id = `concat(substr(${ms}, 1, 8), '-', substr(${ms}, 9, 4), '-7', substr(md5(id), 1, 3),
    '-8', substr(md5(id), 4, 3), '-', substr(md5(id), 7, 12))`;
  const value = (c) => {
    if (k > 0 && (c === 'id' || c === 'leaf_id')) return id;
    if (k > 0 && ['started_at', 'water_on', 'pulled', 'ended'].includes(c)) return earlier(c);
    return `\`${c}\``;
  };
  await making.query(
    `insert into many (${all.map((c) => `\`${c}\``).join(', ')})
     select ${all.map(value).join(', ')} from brews order by started_at limit ${many}`,
  );
  there += many;
  if (k % 20 === 0)
    process.stderr.write(`${there} brews, ${Math.round((performance.now() - begun) / 1000)} s\n`);
}
for (const i of indexes) {
  await making.query(`alter table many add index \`${i.name}\` (${i.cols})`);
  process.stderr.write(`${i.name}, ${Math.round((performance.now() - begun) / 1000)} s\n`);
}
// What points at a brew points at the new table.
await making.query('rename table brews to few, many to brews');
for (const table of ['brew_events', 'lead_notes', 'brew_terms'])
  await making.query(
    `alter table ${table} drop foreign key ${table}_brew_id_brews_id_fk,
     add constraint ${table}_brew_id_many foreign key (brew_id) references brews (id)`,
  );
// What cups were noted with, for all of them; and one word that a single cup has.
await making.query(
  `insert ignore into brew_terms
     select lower(json_value(observed, '$.clarity')), id from brews
     where json_value(observed, '$.clarity') is not null;
   insert ignore into brew_terms
     select lower(w.word), id from brews,
       json_table(observed, '$.words[*]' columns (word varchar(40) path '$')) w;
   insert into brew_terms select 'once', id from brews order by started_at limit 1`,
);
await making.end();
const seeded = round((performance.now() - begun) / 1000, 0);
await server.end('SIGTERM');
await house.database.stop();
await house.restartDatabase();
server = await house.serve();
const me = await signIn(server.address);
process.stderr.write(`asked from ${Math.round((performance.now() - begun) / 1000)} s on\n`);

let state = 20260501;
const random = () => {
  state = (state * 1664525 + 1013904223) >>> 0;
  return state / 4294967296;
};
const pick = (list) => list[Math.floor(random() * list.length)];
const { people } = await me.get('/api/brews');
const { vessels } = await me.get('/api/vessels');
const sites = (await me.get('/api/house')).sites;
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
const { brews: some } = await me.get('/api/brews');
const calls = {
  trends: await timed(6, () => me.get(`/api/trends?siteId=${sites[0].id}`)),
  bar: await timed(60, () => me.get('/api/bar')),
  tea: await timed(40, (i) => me.get(`/api/teas/${me.teas[i % me.teas.length].id}`)),
  brew: await timed(40, (i) => me.get(`/api/brews/${some[i % some.length].id}`)),
  pulls: await timed(40, (i) => me.get(`/api/teas/${me.teas[i % me.teas.length].id}/pulls`)),
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
const csv = await fetch(`${server.address}/api/log/brews.csv?teaId=${me.teas[0].id}`, {
  headers: me.headers,
});
let bytes = 0;
for await (const c of csv.body) bytes += c.length;
console.log(
  JSON.stringify(
    {
      bench: 'log',
      brews: there,
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
      exportOneTea: { bytes, seconds: round((performance.now() - from) / 1000) },
    },
    null,
    2,
  ),
);
await house.close();
