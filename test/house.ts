import { pathToFileURL } from 'node:url';
import type { Express } from 'express';
import { pino } from 'pino';
import request from 'supertest';
import { v7 } from 'uuid';
import type { Role } from '../src/contracts/people';
import type { SiteFields } from '../src/contracts/sites';
import type { VesselFields } from '../src/contracts/vessels';
import { ALL_RIGHT, propose, type Verdict } from '../src/core/corrections/index';
import { houseBrew, startingRecipe } from '../src/core/recipes/index';
import { grams } from '../src/core/units/index';
import { createApp } from '../src/server/app';
import { type Db, openDb, openPool } from '../src/server/db/pool';
import { openWork } from '../src/server/work/pool';
import { testClock } from './clock';
import { blankDatabase, databaseLike, type TestDatabase } from './databases';

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

/** A test's database with connections to it; `close` ends them too. */
function opened(database: TestDatabase) {
  const pool = openPool(database.url);
  const db: Db = openDb(pool);
  const close = async () => {
    await pool.end();
    await database.close();
  };
  return { db, pool, url: database.url, name: database.name, close };
}
/** A database of its own with nothing in it. */
export const emptyDatabase = async () => opened(await blankDatabase());

/** An application on a database of its own, with a time that can be moved. */
export async function freshHouse(clock = testClock(), template: string | null = null) {
  const { db, pool, name, close } = opened(await databaseLike(template));
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
  const { app, name, close } = await freshHouse(clock);
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
  return { clock, name, close, ids, cookies };
}
let first: ReturnType<typeof beginHouse> | null = null;
afterAll(async () => (await first)?.close());

/**
 * A begun house: a site, a person of each role signed in, a tea with its recipe, a pot. The first of a file is begun as
 * people do, with three secrets to hash; each is a copy of its rows, and its clock goes on.
 */
export async function begunHouse() {
  const { clock, name, ids, cookies } = await (first ??= beginHouse());
  const fresh = await freshHouse(clock, name);
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

/** What is proposed for a cup so judged, brewed to the recipe of a whole black leaf. */
export const proposed = (verdict: Verdict) =>
  propose({
    verdict,
    recipe: startingRecipe('black-whole'),
    style: 'black-whole',
    warmed: true,
    crowding: 0.1,
    brew: houseBrew({ style: 'black-whole', fitted: null }, startingRecipe('black-whole')),
  });
export const BITTER = { ...ALL_RIGHT, bitterness: 1 as const };
/** What is proposed for a bitter cup. */
export const BITTER_PROPOSAL = proposed(BITTER);
