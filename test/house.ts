import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { sql } from 'drizzle-orm';
import type { Express } from 'express';
import mysql from 'mysql2/promise';
import { pino } from 'pino';
import request from 'supertest';
import { v7 } from 'uuid';
import type { Role } from '../src/contracts/people';
import type { SiteFields } from '../src/contracts/sites';
import type { VesselFields } from '../src/contracts/vessels';
import { ALL_RIGHT, propose } from '../src/core/corrections/index';
import { houseBrew, startingRecipe } from '../src/core/recipes/index';
import { grams } from '../src/core/units/index';
import { createApp } from '../src/server/app';
import { type Db, migrateDb, openDb, openPool } from '../src/server/db/pool';
import { openWork } from '../src/server/work/pool';
import { testClock } from './clock';

export const SITE = {
  name: 'Test room',
  altitudeM: 10,
  measuredBoiling: null,
  coldWater: 12,
  ambient: 20,
  pourLoss: null,
  kettle: { volume: 1700, material: 'stainless', lid: true, rate: null, name: '' },
  water: { hardness: 'unknown', filtered: true },
  volumeUnit: 'ml',
  temperatureUnit: 'C',
} as SiteFields;
export const POT = {
  name: 'White pot',
  kind: 'pot',
  brim: 620,
  mark: 500,
  infuser: 'deep',
  basket: 230,
  material: 'porcelain',
  wallGrams: null,
  lid: true,
  cosy: false,
  strainer: 'liftsOut',
  dead: 0,
  covers: null,
  basketDepth: null,
  weighed: null,
} as VesselFields;
/** What a tea says when nobody has said anything. */
export const PLAIN_TEA = {
  words: '',
  allergens: '',
  note: '',
  leaf: { form: null, season: null, traits: [] },
  blend: '',
  packet: '',
  caffeine: '',
  cautions: '',
  colour: null,
};
export const SECRETS = { lead: 'a long passphrase', brewer: '2468', trainee: '1357' };

/** A writing request as our own page sends it. */
export const from = (app: Express, cookie?: string) => {
  const send = (method: 'get' | 'post' | 'patch' | 'delete') => (path: string, body?: object) => {
    const r = request(app)
      [method](path)
      .set('host', 'limnos.test')
      .set('origin', 'http://limnos.test');
    if (cookie) r.set('cookie', cookie);
    return body ? r.send(body) : r;
  };
  return { get: send('get'), post: send('post'), patch: send('patch'), delete: send('delete') };
};
export type Caller = ReturnType<typeof from>;

export const cookieOf = (res: { headers: Record<string, unknown> }): string =>
  String((res.headers['set-cookie'] as string[] | undefined)?.[0]?.split(';')[0] ?? '');
/** The threads of the built application; one pool for the tests of a file. */
export const work = openWork(pathToFileURL('dist/server/worker.mjs'));
afterAll(() => work.close());

const base = () => {
  const url = process.env.LIMNOS_TEST_DATABASE;
  if (!url)
    throw new Error('the tests’ own database is not there: run npm test, or see jest.setup.mjs');
  return url;
};

/** A database of its own with nothing in it. */
export async function emptyDatabase() {
  const name = `limnos_t_${v7().replaceAll('-', '')}`;
  const root = await mysql.createConnection(base());
  await root.query(`create database ${name} character set utf8mb4 collate utf8mb4_uca1400_ai_ci`);
  const url = base().replace(/\/[^/]*$/, `/${name}`);
  const pool = openPool(url);
  const db: Db = openDb(pool);
  const close = async () => {
    await pool.end();
    await root.query(`drop database ${name}`);
    await root.end();
  };
  return { db, pool, url, name, close };
}

const tableNames = async (db: Db): Promise<string[]> =>
  ((await db.execute(sql`show tables`))[0] as unknown as Record<string, string>[]).map((row) =>
    String(Object.values(row)[0]),
  );

let tables: Promise<string[]> | null = null;
/** What the tables of a database are made with. */
async function madeWith(db: Db, schema: string): Promise<string[]> {
  const made: string[] = [];
  for (const name of await tableNames(db)) {
    const rows = await db.execute(sql.raw(`show create table \`${schema}\`.\`${name}\``));
    const [shown] = rows[0] as unknown as Record<string, string>[];
    made.push(String(shown?.['Create Table']));
  }
  return made;
}
const MIGRATIONS = 'drizzle';
/** A name for the migrations as they are now. */
function migrationsName(): string {
  const hash = createHash('sha256');
  for (const file of readdirSync(MIGRATIONS).filter((f) => f.endsWith('.sql')))
    hash.update(readFileSync(join(MIGRATIONS, file)));
  return `limnos_migrated_${hash.digest('hex').slice(0, 16)}`;
}
const LOCK_S = 120;
/**
 * The tables as the migrations leave them; the migrations themselves have a test of their own. The first file of a run
 * that asks has them carried out, the others read what they made.
 */
async function migratedTables(): Promise<string[]> {
  const name = migrationsName();
  const root = await mysql.createConnection(base());
  await root.query('select get_lock(?, ?)', [name, LOCK_S]);
  const [there] = await root.query<mysql.RowDataPacket[]>('show databases like ?', [name]);
  const url = base().replace(/\/[^/]*$/, `/${name}`);
  if (there.length === 0) {
    const { db, pool, name: made, close } = await emptyDatabase();
    await migrateDb(pool, db, MIGRATIONS);
    const statements = await madeWith(db, made);
    // Migrated elsewhere first: migrations that fail take no name.
    await root.query(`create database ${name}`);
    await root.query(`use ${name}`);
    await root.query('set foreign_key_checks = 0');
    for (const statement of statements) await root.query(statement);
    await close();
  }
  const pool = openPool(url);
  const statements = await madeWith(openDb(pool), name);
  await pool.end();
  await root.end();
  return statements;
}

/** An application on a database of its own, with a time that can be moved. */
export async function freshHouse(clock = testClock()) {
  const { db, pool, name, close } = await emptyDatabase();
  tables ??= migratedTables();
  const made = await tables;
  const one = await pool.getConnection();
  await one.query('set foreign_key_checks = 0');
  for (const sql of made) await one.query(sql);
  await one.query('set foreign_key_checks = 1');
  one.release();
  const time = { ahead: 0 };
  const now = () => clock() + time.ahead;
  const app = createApp({
    db,
    now,
    work,
    log: pino({ level: 'silent' }),
    webFolder: null,
    checkResponses: true,
  });
  return { app, db, pool, name, now, time, close };
}
export type Fresh = Awaited<ReturnType<typeof freshHouse>>;

/** Begins a house as people do: a site, a person of each role signed in, a tea with its recipe, a pot. */
async function beginHouse() {
  const clock = testClock();
  const { app, db, name, close } = await freshHouse(clock);
  const ids = {
    site: v7(),
    lead: v7(),
    brewer: v7(),
    trainee: v7(),
    tea: v7(),
    version: v7(),
    pot: v7(),
  };
  const begun = await from(app)
    .post('/api/house', {
      site: SITE,
      siteId: ids.site,
      lead: { id: ids.lead, name: 'Lead L.', secret: SECRETS.lead },
    })
    .expect(200);
  const cookies = { lead: cookieOf(begun), brewer: '', trainee: '' };
  const lead = from(app, cookies.lead);
  const signedIn = async (role: Exclude<Role, 'lead'>, name: string) => {
    await lead
      .post('/api/people', {
        id: ids[role],
        name,
        role,
        siteIds: [ids.site],
        secret: SECRETS[role],
      })
      .expect(200);
    const body = { personId: ids[role], siteId: ids.site, secret: SECRETS[role] };
    cookies[role] = cookieOf(await from(app).post('/api/session', body).expect(200));
  };
  await signedIn('brewer', 'Brewer B.');
  await signedIn('trainee', 'Trainee T.');
  await lead.post('/api/vessels', { ...POT, id: ids.pot, siteId: ids.site }).expect(200);
  await lead
    .post('/api/teas', {
      id: ids.tea,
      versionId: ids.version,
      name: 'Tolvane Amber',
      style: 'black-whole',
      method: 'pot',
      ...PLAIN_TEA,
      weighing: { spoon: 'dessertSpoon', spoons: 5, weighed: grams(12.5), singles: [] },
      spoon: 'dessertSpoon',
      recipe: startingRecipe('black-whole'),
    })
    .expect(200);
  const copied: string[] = [];
  for (const table of await tableNames(db)) {
    const rows = await db.execute(sql.raw(`select 1 from \`${table}\` limit 1`));
    if ((rows[0] as unknown as unknown[]).length > 0) copied.push(table);
  }
  return { clock, name, close, ids, cookies, copied };
}
let first: ReturnType<typeof beginHouse> | null = null;
afterAll(async () => (await first)?.close());

/**
 * A begun house: a site, a person of each role signed in, a tea with its recipe, a pot. The first of a file is begun as
 * people do, with three secrets to hash; each is a copy of its rows, and its clock goes on.
 */
export async function begunHouse() {
  const { clock, name, ids, cookies, copied } = await (first ??= beginHouse());
  const fresh = await freshHouse(clock);
  const one = await fresh.pool.getConnection();
  await one.query('set foreign_key_checks = 0');
  for (const table of copied)
    await one.query(`insert into \`${table}\` select * from \`${name}\`.\`${table}\``);
  await one.query('set foreign_key_checks = 1');
  one.release();
  const callers = {
    lead: from(fresh.app, cookies.lead),
    brewer: from(fresh.app, cookies.brewer),
    trainee: from(fresh.app, cookies.trainee),
  };
  return { ...fresh, ids: { ...ids }, callers };
}
export type Begun = Awaited<ReturnType<typeof begunHouse>>;
export const newId = () => v7();

/** A brew of the begun house, four minutes on; `over` changes what is asked for. */
export const brewBody = ({ ids, now }: Pick<Begun, 'ids' | 'now'>, over: object = {}) => ({
  id: newId(),
  siteId: ids.site,
  teaId: ids.tea,
  versionId: ids.version,
  vesselId: ids.pot,
  water: 500,
  warmed: true,
  warming: false,
  place: 1,
  at: now() - 240_000,
  ...over,
});
/** An order of its tea, for nobody yet. */
export const orderBody = ({ ids, now }: Pick<Begun, 'ids' | 'now'>, over: object = {}) => ({
  id: newId(),
  siteId: ids.site,
  teaId: ids.tea,
  vesselId: null,
  water: null,
  forWhom: '',
  rank: 1,
  at: now(),
  ...over,
});

/** What is proposed for a bitter cup. */
export const BITTER_PROPOSAL = propose({
  verdict: { ...ALL_RIGHT, bitterness: 1 },
  recipe: startingRecipe('black-whole'),
  style: 'black-whole',
  warmed: true,
  crowding: 0.1,
  brew: houseBrew({ style: 'black-whole', fitted: null }, startingRecipe('black-whole')),
});
