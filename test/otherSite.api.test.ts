// Requests made from the contracts by people of one site about the records of another: nothing of that site changes, and
// nothing of it is read, whatever ids they know. Leads are left out: they read across, and look after every shelf.
import { createHash } from 'node:crypto';
import type { RowDataPacket } from 'mysql2/promise';
import { ENDPOINTS } from '../src/contracts/all';
import type { Endpoint } from '../src/contracts/endpoint';
import { ROLES } from '../src/contracts/people';
import { seeded } from '../src/core/numeric';
import * as t from '../src/server/db/schema/index';
import { seedDemo } from '../src/server/demo';
import { COOKIE } from '../src/server/features/people';
import { newToken, tokenHash } from '../src/server/features/people/secrets';
import { TEST_INSTANT } from './clock';
import { type Chance, pick, schemaOf, valueOf } from './fuzz/values';
import { type Caller, type Fresh, freshHouse, from, newId } from './house';

const SEED = 20_261_201;
/** Of each route so many, by each role that may call it. */
const TRIES = 6;
/** Ends or has no end. */
const LEFT_OUT = new Set(['getLive', 'signOut', 'lockSession']);

/** Of the whole house: a tea's advice and fit rest on every site's cups, a kettle is read by all; both name those cups. */
const NAMES_CUPS = new Set(['getAdvice', 'getFit', 'listKettles']);

type Row = { id: string };
type Pools = Record<string, string[]>;
let h: Fresh;
let home = '';
let away = '';
let pools: Pools = {};
beforeAll(async () => {
  h = await freshHouse();
  await seedDemo(h.db, { now: TEST_INSTANT, days: 3 });
  const sites = await h.db.select().from(t.sites);
  const idOf = (name: string) => sites.find((s) => s.name === name)?.id ?? '';
  [home, away] = [idOf('Ridge hut'), idOf('Harbour room')];
  pools = await awaysRecords();
}, 60_000);
afterAll(() => h.close());

/** Records of the other site, by what a contract calls a reference to one. */
async function awaysRecords(): Promise<Pools> {
  const of = async (table: string, where = 'site_id = ?', n = 8): Promise<string[]> => {
    const [rows] = await h.pool.query<RowDataPacket[]>(
      `select id from ${table} where ${where} order by id desc limit ${n}`,
      where.includes('?') ? [away] : [],
    );
    return (rows as Row[]).map((r) => r.id);
  };
  return {
    ...{ brewId: await of('brews'), batchId: await of('batches'), orderId: await of('orders') },
    ...{ tastingId: await of('tastings'), kettleId: await of('kettles') },
    ...{ vesselId: await of('vessels'), pocketId: await of('pockets') },
    ...{ lotId: await of('lots', '1 = 1'), teaId: await of('teas', '1 = 1') },
    versionId: await of('recipe_versions', "state in ('house', 'trial')"),
    personId: await of('people', 'id in (select person_id from person_sites where site_id = ?)'),
    'drill-answerId': await of('drill_answers'),
    siteId: [away],
  };
}
/** "/api/brews/:id/events": of what the id is. */
function poolOfPath(path: string): string[] {
  const noun = /^\/api\/([\w-]+)\/:/.exec(path)?.[1] ?? '';
  const one = noun === 'batches' ? 'batch' : noun.replace(/s$/, '');
  return pools[`${one}Id`] ?? Object.values(pools).flat();
}
/** References stand for records of the other site; a record's own id is new, or one of theirs. */
function aimed(value: unknown, chance: Chance): unknown {
  if (Array.isArray(value)) return value.map((v) => aimed(v, chance));
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(
    Object.entries(value).map(([key, v]) => {
      if (key === 'id') return [key, chance() < 0.7 ? newId() : v];
      const pool = pools[key];
      return [key, pool && typeof v === 'string' ? pick(chance, pool) : aimed(v, chance)];
    }),
  );
}
type Made = { method: string; path: string; body: object | undefined };
function requestOf(e: Endpoint, chance: Chance): Made {
  const world = { ids: Object.values(pools).flat(), now: TEST_INSTANT };
  const given = (type: Endpoint['body']) => aimed(valueOf(schemaOf(type), world, chance), chance);
  const params = given(e.params) as Record<string, unknown> | null;
  const pool = poolOfPath(e.path);
  const path = e.path.replace(/:(\w+)/g, (_all, name: string) =>
    name === 'id' ? pick(chance, pool) : encodeURIComponent(String(params?.[name] ?? away)),
  );
  const query = new URLSearchParams(
    Object.entries((given(e.query) ?? {}) as Record<string, unknown>)
      .filter(([, v]) => ['string', 'number', 'boolean'].includes(typeof v))
      .map(([k, v]) => [k, String(v).toWellFormed()]),
  ).toString();
  // What is no object at all is the fuzz's.
  const sent = given(e.body);
  const object = typeof sent === 'object' && sent !== null ? sent : {};
  const body = e.method === 'GET' ? undefined : object;
  return { method: e.method.toLowerCase(), path: query ? `${path}?${query}` : path, body };
}

async function signedIn(name: string): Promise<Caller> {
  const [person] = (await h.db.select().from(t.people)).filter((p) => p.name === name);
  const token = newToken();
  await h.db.insert(t.sessions).values({
    tokenHash: tokenHash(token),
    personId: person?.id ?? '',
    siteId: home,
    begun: new Date(TEST_INSTANT),
    expires: new Date(TEST_INSTANT + 86_400_000),
  });
  return from(h.app, `${COOKIE}=${token}`);
}

/** What is the house's, or tells of requests themselves. */
const NOT_OF_A_SITE = new Set(['audit', 'sessions', 'feed', 'feed_heads', 'person_sites']);
/** Every record of the other site, one hash a table. */
async function awayNow(): Promise<Record<string, string>> {
  const [tables] = await h.pool.query<RowDataPacket[]>(
    "select table_name as name from information_schema.columns where table_schema = database() and column_name = 'site_id'",
  );
  const found: Record<string, string> = {};
  const keep = async (name: string, sql: string) => {
    const [rows] = await h.pool.query<RowDataPacket[]>(sql, [away]);
    const lines = rows.map((r) => JSON.stringify(r)).sort();
    found[name] = `${lines.length} ${createHash('sha256').update(lines.join('\n')).digest('hex')}`;
  };
  for (const { name } of tables as { name: string }[])
    if (!NOT_OF_A_SITE.has(name)) await keep(name, `select * from \`${name}\` where site_id = ?`);
  for (const [child, column, parent] of [
    ['brew_events', 'brew_id', 'brews'],
    ['brew_photos', 'brew_id', 'brews'],
    ['batch_events', 'batch_id', 'batches'],
    ['tasting_events', 'tasting_id', 'tastings'],
    ['tasting_seats', 'tasting_id', 'tastings'],
    ['tasting_guests', 'tasting_id', 'tastings'],
    ['kettle_readings', 'kettle_id', 'kettles'],
  ] as const)
    await keep(
      child,
      `select c.* from ${child} c join ${parent} p on p.id = c.${column} where p.site_id = ?`,
    );
  return found;
}

test('whoever works at one site changes and reads nothing of another', async () => {
  const chance = seeded(SEED);
  const brewer = await signedIn('Sorrel A.');
  const before = await awayNow();
  expect(Object.keys(before)).toEqual(expect.arrayContaining(['brews', 'batches', 'tastings']));
  const theirs = ['brewId', 'batchId', 'tastingId', 'orderId'].flatMap((k) => pools[k] ?? []);
  expect(theirs.length).toBeGreaterThan(8);
  const leaks: string[] = [];
  const refused = new Map<string, number>();
  const reached = new Set<string>();
  let asked = 0;
  for (const [name, e] of Object.entries(ENDPOINTS)) {
    const may = e.access !== 'key' && e.access !== 'public' && e.access !== 'lead';
    if (!may || LEFT_OUT.has(name) || !ROLES.includes(e.access as 'brewer')) continue;
    for (let i = 0; i < TRIES; i++) {
      const { method, path, body } = requestOf(e, chance);
      const res = await brewer[method as 'get'](path, body);
      asked += 1;
      if (res.status >= 500) leaks.push(`${name} ${path}: ${res.status}`);
      if ([403, 404].includes(res.status)) {
        refused.set(name, (refused.get(name) ?? 0) + 1);
        reached.add(name);
      }
      if (res.status >= 300) continue;
      reached.add(name);
      if (NAMES_CUPS.has(name)) continue;
      const text = typeof res.text === 'string' ? res.text : '';
      // Its own request comes back in its answer.
      const own = `${path}${JSON.stringify(body)}`;
      const leaked = theirs.find((id) => text.includes(id) && !own.includes(id));
      if (leaked) leaks.push(`${name} ${path} reads ${leaked}`);
    }
  }
  expect(leaks).toEqual([]);
  expect(await awayNow()).toEqual(before);
  // It comes past the contracts: to the guards themselves, on most routes.
  expect(asked).toBeGreaterThan(300);
  expect([...refused.values()].reduce((a, b) => a + b, 0)).toBeGreaterThan(60);
  expect(reached.size).toBeGreaterThan(40);
}, 120_000);
