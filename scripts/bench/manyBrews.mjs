// A large log, made of the demo's own brews: the same brews again and again, each time earlier, and at as many sites as
// are wanted. Used by the bench of the log.
import mysql from 'mysql2/promise';
import { rowsOf } from '../lib/rows.mjs';

/** The demo's days, so far is each copy before the one it follows. */
export const DAYS = 120;
/** Indexes that are built in one go: each lies on the disk a second time while it is built. */
const AT_ONCE = 4;
const SPAN_S = (DAYS + 1) * 86_400;

const columnsOf = async (db, table) =>
  (
    await rowsOf(
      db,
      `select column_name as name from information_schema.columns
       where table_schema = database() and table_name = ? order by ordinal_position`,
      [table],
    )
  ).map((c) => c.name);
const quoted = (names) => names.map((n) => `\`${n}\``).join(', ');

/** The id of the copy of something at the `pairs.n`th pair of sites. */
const copyId = (column) =>
  `if(p.n = 0, ${column}, concat(left(${column}, 24), left(md5(concat(${column}, p.n)), 12)))`;

/**
 * The demo's two sites again and again, with their vessels, and the same people at all of them. Leaves the table
 * `pairs` of their numbers for this connection.
 */
async function makeSites(db, pairs) {
  await db.query('create temporary table pairs (n int primary key)');
  await db.query(`insert into pairs select seq from seq_0_to_${pairs - 1}`);
  const as = {
    sites: { id: copyId('t.id'), name: "concat(t.name, ' ', p.n + 1)" },
    vessels: { id: copyId('t.id'), site_id: copyId('t.site_id') },
    person_sites: { site_id: copyId('t.site_id') },
    feed_heads: { site_id: copyId('t.site_id') },
  };
  for (const [table, changed] of Object.entries(as)) {
    const columns = await columnsOf(db, table);
    await db.query(
      `insert into ${table} (${quoted(columns)})
       select ${columns.map((c) => changed[c] ?? `t.\`${c}\``).join(', ')}
       from ${table} t join pairs p where p.n > 0`,
    );
  }
}

/** What each column of a copy is, so many spans earlier, by the column's name. */
function copied(columns, span) {
  const earlier = (c) => `date_sub(b.\`${c}\`, interval ${span * SPAN_S} second)`;
  const ms = `lower(lpad(hex(floor(unix_timestamp(${earlier('started_at')}) * 1000)), 12, '0'))`;
  const key = 'md5(concat(b.id, p.n))';
  // Ids follow the time, as ours do.
  const id = `concat(left(${ms}, 8), '-', substr(${ms}, 9, 4), '-7', left(${key}, 3),
    '-8', substr(${key}, 4, 3), '-', substr(${key}, 7, 12))`;
  const changed = {
    id,
    leaf_id: id,
    paired_id: 'null',
    site_id: copyId('b.site_id'),
    vessel_id: copyId('b.vessel_id'),
    ...Object.fromEntries(
      ['started_at', 'water_on', 'pulled', 'ended'].map((c) => [c, earlier(c)]),
    ),
  };
  return Object.fromEntries(columns.map((c) => [c, changed[c] ?? `b.\`${c}\``]));
}

/** Adds the copies, the oldest first: rows come in the order of their ids. */
async function copyBrews(db, { wanted, pairs, say }) {
  const columns = await columnsOf(db, 'few');
  const [{ base }] = await rowsOf(db, 'select count(*) as base from few');
  const spans = Math.ceil(wanted / (Number(base) * pairs));
  let there = Number(base);
  for (let span = spans - 1; span >= 0; span--) {
    const value = copied(columns, span);
    // What is open is open now, at every site.
    const which = span === 0 ? 'p.n > 0' : 'not b.open';
    const [done] = await db.query(
      `insert into brews (${quoted(columns)})
       select straight_join ${columns.map((c) => value[c]).join(', ')}
       from (select * from few order by started_at) b join pairs p where ${which}`,
    );
    await db.query(
      `insert into brew_terms select straight_join b.term, ${value.id}
       from (select t.term, few.* from few_terms t join few on few.id = t.brew_id) b join pairs p
       where ${which}`,
    );
    there += /** @type {import('mysql2').ResultSetHeader} */ (done).affectedRows;
    say(`${there} brews`);
  }
  // One word that a single cup has.
  await db.query("insert into brew_terms select 'once', id from brews order by started_at limit 1");
}

const secondaryIndexes = (db) =>
  rowsOf(
    db,
    `select index_name as name, group_concat(concat('\`', column_name, '\`') order by seq_in_index) as columns
     from information_schema.statistics
     where table_schema = database() and table_name = 'brews' and index_name <> 'PRIMARY'
     group by index_name`,
  );

const isMade = async (db) => (await rowsOf(db, "show tables like 'few'")).length > 0;

/**
 * Makes at least so many brews at so many sites (an even number), unless that was done before in this database.
 * `say` hears how far it is; `compressed`: pages are compressed on the disk.
 */
export async function makeBrews(uri, { wanted, sites, compressed, say }) {
  const db = await mysql.createConnection({ uri, multipleStatements: true });
  if (await isMade(db)) return db.end();
  await db.query(
    'set session foreign_key_checks = 0, unique_checks = 0, check_constraint_checks = 0, group_concat_max_len = 100000',
  );
  const pairs = Math.max(1, Math.round(sites / 2));
  await makeSites(db, pairs);
  if (compressed) await db.query('alter table brews page_compressed = 1');
  await db.query(
    'create table few as select * from brews; create table few_terms as select * from brew_terms',
  );
  // Building an index over all at the end takes a third of the time of keeping it up to date.
  const indexes = await secondaryIndexes(db);
  await db.query(`alter table brews ${indexes.map((i) => `drop index \`${i.name}\``).join(', ')}`);
  await copyBrews(db, { wanted, pairs, say });
  for (let i = 0; i < indexes.length; i += AT_ONCE) {
    const some = indexes.slice(i, i + AT_ONCE);
    await db.query(
      `alter table brews ${some.map((x) => `add index \`${x.name}\` (${x.columns})`).join(', ')}`,
    );
    say(some.map((x) => x.name).join(', '));
  }
  return db.end();
}

/** How many brews there are at how many sites, and what they take on the disk, in megabytes, by table. */
export async function sizeOf(uri) {
  const db = await mysql.createConnection({ uri });
  const [{ brews, sites }] = await rowsOf(
    db,
    'select (select count(*) from brews) as brews, (select count(*) from sites) as sites',
  );
  const tables = await rowsOf(
    db,
    `select table_name as name, round(data_length / 1e6) as data, round(index_length / 1e6) as indexes
     from information_schema.tables
     where table_schema = database() and table_name in ('brews', 'brew_terms', 'brew_events')`,
  );
  await db.end();
  return {
    brews,
    sites,
    megabytes: Object.fromEntries(tables.map((t) => [t.name, [t.data, t.indexes]])),
  };
}
