// Databases for tests. Making the tables of one takes half a second, emptying it some milliseconds: a test gives its
// database back, and the next takes it.
import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import mysql from 'mysql2/promise';
import { v7 } from 'uuid';
import { migrateDb, openDb, openPool } from '../src/server/db/pool';

const MIGRATIONS = 'drizzle';
const MADE_WITH = 'character set utf8mb4 collate utf8mb4_uca1400_ai_ci';
/** Another test may be making it. */
const LOCK_S = 120;

const base = () => {
  const url = process.env.LIMNOS_TEST_DATABASE;
  if (!url)
    throw new Error('the tests’ own database is not there: run npm test, or see jest.setup.mjs');
  return url;
};
const urlOf = (name: string) => base().replace(/\/[^/]*$/, `/${name}`);
type Connection = mysql.Connection;
type Rows = mysql.RowDataPacket[];

/** A database that is a test's own. `close` ends it, or gives it back. */
export interface TestDatabase {
  readonly name: string;
  readonly url: string;
  close: () => Promise<void>;
}

/** A database with nothing in it, not even tables. */
export async function blankDatabase(): Promise<TestDatabase> {
  const name = `limnos_t_${v7().replaceAll('-', '')}`;
  const root = await mysql.createConnection(base());
  await root.query(`create database ${name} ${MADE_WITH}`);
  const close = async () => {
    await root.query(`drop database ${name}`);
    await root.end();
  };
  return { name, url: urlOf(name), close };
}

const there = async (root: Connection, name: string): Promise<boolean> =>
  (await root.query<Rows>('show databases like ?', [name]))[0].length > 0;
const tablesOf = async (root: Connection, schema: string): Promise<string[]> =>
  (await root.query<Rows>(`show tables from \`${schema}\``))[0].map((row) =>
    String(Object.values(row)[0]),
  );
/** The tables of `schema` that have a row. */
async function filledTables(root: Connection, schema: string): Promise<string[]> {
  const asked = (await tablesOf(root, schema)).map(
    (table) =>
      `select '${table}' as name from dual where exists (select 1 from \`${schema}\`.\`${table}\`)`,
  );
  const [rows] = await root.query<Rows>(asked.join(' union all '));
  return rows.map((row) => String(row.name));
}

/** A database named `name`, made once by whoever asks first; the others wait for it. */
async function madeOnce(
  root: Connection,
  name: string,
  make: (root: Connection) => Promise<void>,
): Promise<string> {
  await root.query('select get_lock(?, ?)', [name, LOCK_S]);
  try {
    if (!(await there(root, name))) await make(root);
  } finally {
    await root.query('select release_lock(?)', [name]);
  }
  return name;
}
async function makeLike(root: Connection, name: string, template: string): Promise<void> {
  const statements: string[] = [];
  for (const table of await tablesOf(root, template)) {
    const [[shown]] = await root.query<Rows>(`show create table \`${template}\`.\`${table}\``);
    statements.push(String(shown?.['Create Table']));
  }
  await root.query(`create database ${name} ${MADE_WITH}`);
  await root.query(`use ${name}`);
  await root.query('set foreign_key_checks = 0');
  for (const statement of statements) await root.query(statement);
  await root.query('set foreign_key_checks = 1');
}

/** A short name for what a database is made from. */
const hashed = (contents: readonly (string | Buffer)[]): string => {
  const hash = createHash('sha256');
  for (const content of contents) hash.update(content);
  return hash.digest('hex').slice(0, 16);
};
/** A name for the migrations as they are now; read once a file of tests, not once a house. */
const MIGRATIONS_NAME = hashed(
  readdirSync(MIGRATIONS)
    .filter((file) => file.endsWith('.sql'))
    .map((file) => readFileSync(join(MIGRATIONS, file))),
);

/** The tables as the migrations leave them, with no row; the migrations themselves have a test of their own. */
async function migrated(root: Connection): Promise<string> {
  const name = `limnos_migrated_${MIGRATIONS_NAME}`;
  return madeOnce(root, name, async () => {
    const made = await blankDatabase();
    const pool = openPool(made.url);
    await migrateDb(pool, openDb(pool), MIGRATIONS);
    await pool.end();
    // Migrated elsewhere first: migrations that fail take no name.
    await makeLike(root, name, made.name);
    await made.close();
  });
}

/** A database that `fill` fills, once for all who ask for the same `contents`. */
export async function templateOf(
  contents: readonly (string | Buffer)[],
  fill: (url: string) => Promise<void>,
): Promise<string> {
  const root = await mysql.createConnection(base());
  const name = `limnos_f_${hashed(contents)}`;
  await madeOnce(root, name, async () => {
    // Filled under another name first, as above.
    const filled = await blankDatabase();
    await fill(filled.url);
    await makeLike(root, name, filled.name);
    await fillFrom(root, name, filled.name);
    await filled.close();
  });
  await root.end();
  return name;
}

/** A database of the tables that nobody uses, for as long as `root` is connected. */
async function takeFree(root: Connection): Promise<string> {
  for (let n = 1; ; n++) {
    const name = `limnos_p_${MIGRATIONS_NAME}_${n}`;
    const [[got]] = await root.query<Rows>('select get_lock(?, 0) as mine', [name]);
    if (got?.mine !== 1) continue;
    if (!(await there(root, name))) await makeLike(root, name, await migrated(root));
    return name;
  }
}
/** Rows of `template` and no others. */
async function fillFrom(root: Connection, name: string, template: string | null): Promise<void> {
  await root.query('set foreign_key_checks = 0');
  for (const table of await filledTables(root, name))
    await root.query(`delete from \`${name}\`.\`${table}\``);
  if (template)
    for (const table of await filledTables(root, template))
      await root.query(
        `insert into \`${name}\`.\`${table}\` select * from \`${template}\`.\`${table}\``,
      );
  await root.query('set foreign_key_checks = 1');
}

/** A database with every table, and with the rows of the database `template` when one is named. */
export async function databaseLike(template: string | null = null): Promise<TestDatabase> {
  const root = await mysql.createConnection(base());
  const name = await takeFree(root);
  await fillFrom(root, name, template);
  return { name, url: urlOf(name), close: () => root.end() };
}
