import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gunzipSync } from 'node:zlib';
import { is } from 'drizzle-orm';
import { getTableConfig, MySqlTable } from 'drizzle-orm/mysql-core';
import mysql from 'mysql2/promise';
import { pino } from 'pino';
import { Brew } from '../src/contracts/brews';
import { Kettle } from '../src/contracts/kettles';
import { RecipeBody } from '../src/contracts/recipes';
import { Site } from '../src/contracts/sites';
import { Tea } from '../src/contracts/teas';
import { Vessel } from '../src/contracts/vessels';
import { createApp } from '../src/server/app';
import { migrateDb } from '../src/server/db/pool';
import * as schema from '../src/server/db/schema/index';
import { hashSecret } from '../src/server/features/people/secrets';
import { TEST_INSTANT, testClock } from './clock';
import { cookieOf, emptyDatabase, from, newId, SECRETS, work } from './house';

/** The folder of migrations as it was when there were only so many. */
function firstMigrations(n: number): string {
  const folder = mkdtempSync(join(tmpdir(), 'limnos-migrations-'));
  cpSync('drizzle', folder, { recursive: true });
  const journal = JSON.parse(readFileSync(join(folder, 'meta/_journal.json'), 'utf8')) as {
    entries: unknown[];
  };
  writeFileSync(
    join(folder, 'meta/_journal.json'),
    JSON.stringify({ ...journal, entries: journal.entries.slice(0, n) }),
  );
  return folder;
}

test('a house of the first version is carried over: lots of its teas, windows of later steeps, nothing lost', async () => {
  const { db, pool, close } = await emptyDatabase();
  const old = firstMigrations(1);
  try {
    await migrateDb(pool, db, old);
    const [site, lead, tea, version, pot, brew] = Array.from({ length: 6 }, newId) as [
      string,
      string,
      string,
      string,
      string,
      string,
    ];
    const recipe = {
      dose: 1.3,
      scaling: { school: 'linear' },
      temperature: 80,
      window: { earliest: 90, best: 120, latest: 150 },
      warm: false,
      lid: false,
      later: [180, 300],
      note: 'Slowly.',
    };
    const vessel = {
      name: 'White pot',
      kind: 'pot',
      brim: 620,
      mark: 500,
      infuser: 'deep',
      basket: 230,
      material: 'porcelain',
      wallGrams: null,
      lid: true,
    };
    const kettle = { volume: 1700, material: 'stainless', lid: true };
    const put = (table: string, row: Record<string, unknown>) =>
      pool.query(`insert into ${table} set ?`, [
        Object.fromEntries(
          Object.entries(row).map(([k, v]) => [
            k,
            v !== null && typeof v === 'object' && !(v instanceof Date) ? JSON.stringify(v) : v,
          ]),
        ),
      ]);
    await put('house', { id: 1, demo: false, begun: new Date(TEST_INSTANT) });
    await put('sites', {
      id: site,
      name: 'Old room',
      altitude_m: 3,
      cold_water_c: 12,
      ambient_c: 20,
      kettle,
      volume_unit: 'ml',
      temperature_unit: 'C',
    });
    await put('people', {
      id: lead,
      name: 'Lead L.',
      role: 'lead',
      secret_hash: await hashSecret(SECRETS.lead),
      active: true,
    });
    await put('person_sites', { person_id: lead, site_id: site });
    await put('teas', {
      id: tea,
      name: 'Sennet Hollow',
      style: 'green-pan',
      method: 'pot',
      lot: 'Lot 10, spring',
      words: 'bright',
      allergens: '',
      note: '',
      weighing: { spoon: 'dessertSpoon', spoons: 5, weighed: 10.5 },
      spoon: 'dessertSpoon',
      rev: 3,
      retired: false,
    });
    await put('recipe_versions', {
      id: version,
      tea_id: tea,
      number: 1,
      state: 'house',
      recipe,
      reason: 'From the packet',
      author_id: lead,
      at: new Date(TEST_INSTANT),
    });
    await put('vessels', { id: pot, site_id: site, facts: vessel, rev: 1, retired: false });
    await put('brews', {
      id: brew,
      site_id: site,
      tea_id: tea,
      vessel_id: pot,
      version_id: version,
      place: 1,
      state: 'pulled',
      open: true,
      started_at: new Date(TEST_INSTANT),
      started_by: lead,
      water_on: new Date(TEST_INSTANT),
      pulled: new Date(TEST_INSTANT),
      pulled_by: lead,
      timing: 'inWindow',
      verdict_kind: 'unjudged',
      remark: '',
      plan: {
        water: 500,
        leaf: 6.5,
        spoons: null,
        liquor: 478,
        temperature: 80,
        onLeaf: 80,
        ambient: 20,
        kettle: 86,
        reachable: true,
        warmed: false,
        crowding: 0.1,
        recipe,
        vessel,
        pull: { act: 'Lift the basket', done: 'Lifted' },
      },
    });

    await migrateDb(pool, db, 'drizzle');
    const app = createApp({
      work,
      db,
      now: testClock(),
      log: pino({ level: 'silent' }),
      webFolder: null,
    });
    const signed = await from(app)
      .post('/api/session', { personId: lead, siteId: site, secret: SECRETS.lead })
      .expect(200);
    const caller = from(
      app,
      String((signed.headers['set-cookie'] as unknown as string[])[0]?.split(';')[0]),
    );
    const [carried] = (await caller.get('/api/book').expect(200)).body.teas as unknown[];
    const now = Tea.parse(carried);
    expect(now.lots.map((l) => [l.name, l.state])).toEqual([['Lot 10, spring', 'inUse']]);
    expect(now.house?.recipe).toMatchObject({
      note: 'Slowly.',
      later: [
        { earliest: 153, best: 180, latest: 216 },
        { earliest: 255, best: 300, latest: 360 },
      ],
      handling: { order: 'plain' },
    });
    expect(now.measure.weighing).toMatchObject({ spoons: 5, weighed: 10.5, singles: [] });
    const [bar] = (await caller.get('/api/bar').expect(200)).body.brews as unknown[];
    const running = Brew.parse(bar);
    expect(RecipeBody.parse(running.plan.recipe).later).toHaveLength(2);
    expect(running.lot).toBeNull();
    expect(
      Vessel.parse(((await caller.get('/api/vessels').expect(200)).body.vessels as unknown[])[0]),
    ).toMatchObject({ strainer: 'liftsOut', dead: 0, weighed: null });
    expect(
      Site.parse((await caller.get('/api/house').expect(200)).body.session.site).kettle,
    ).toEqual({ ...kettle, rate: null, name: '' });
  } finally {
    rmSync(old, { recursive: true, force: true });
    await close();
  }
});

const fieldsOf = (v: Vessel | undefined) => {
  const { id: _id, siteId: _site, ...fields } = v ?? ({} as Vessel);
  return fields;
};
/** The statements of a whole house as `mariadb-dump` wrote it. */
const houseOf = (name: string) => gunzipSync(readFileSync(`test/houses/${name}.sql.gz`)).toString();
type Rows = readonly Record<string, unknown>[];

test('a demo house of November 2026 is carried over: facts of vessels in columns, every record still there', async () => {
  const { db, pool, url, close } = await emptyDatabase();
  try {
    const whole = await mysql.createConnection({ uri: url, multipleStatements: true });
    await whole.query(houseOf('demo-0008'));
    await whole.end();
    const read = async (sql: string) => (await pool.query(sql))[0] as unknown as Rows;
    const counts = async () => {
      const tables = (await read('show tables')).map((r) => String(Object.values(r)[0]));
      const counted = tables.filter((t) => !t.includes('migrations')).sort();
      const found: Record<string, unknown> = {};
      for (const t of counted) found[t] = (await read(`select count(*) n from \`${t}\``))[0]?.n;
      return found;
    };
    const factsOf = async (table: string) =>
      new Map(
        (await read(`select id, facts from ${table}`)).map((r) => [
          String(r.id),
          JSON.parse(String(r.facts)) as Record<string, unknown>,
        ]),
      );
    const before = { vessels: await factsOf('vessels'), kettles: await factsOf('kettles') };
    const records = await counts();
    const sheets = await read(
      `select count(*) n from tasting_events where json_value(act, '$.kind') = 'handIn'`,
    );
    expect(before.vessels.size).toBeGreaterThan(10);
    expect(before.kettles.size).toBeGreaterThan(2);

    await migrateDb(pool, db, 'drizzle');

    // What came since has nothing in it yet.
    const since = {
      ...{ batches: 0, batch_events: 0, fridge_readings: 0, cold_plans: 0 },
      ...{ probes: 0, fridge_gaps: 0, calendar_tokens: 0, calendar_entries: 0 },
      ...{ drill_answers: 0, sign_events: 0, spoon_weighings: 0, brew_terms: 0 },
      ...{ lot_stock: 0, pockets: 0, tasting_guests: 0, devices: 0, audit: 0 },
      ...{ programs: 0, program_messages: 0, printers: 0, site_recipes: 0 },
      // In that house everybody who was asked to taste submitted a sheet.
      tasting_seats: sheets[0]?.n,
    };
    expect(await counts()).toEqual({ ...records, ...since });
    const app = createApp({
      work,
      db,
      now: () => Date.parse('2026-11-27T16:00:00Z'),
      log: pino({ level: 'silent' }),
      webFolder: null,
    });
    const [lead] = await read(
      "select id, site_id from people join person_sites on person_id = id where name = 'Ilsa V.'",
    );
    const signed = await from(app)
      .post('/api/session', {
        personId: lead?.id,
        siteId: lead?.site_id,
        secret: 'grey pot first',
      })
      .expect(200);
    const caller = from(app, cookieOf(signed));
    const ask = async (path: string) => (await caller.get(path).expect(200)).body;

    const vessels = Vessel.array().parse((await ask('/api/vessels')).vessels);
    expect(vessels).toHaveLength(before.vessels.size);
    for (const { id, siteId: _s, rev: _r, retired: _g, ...fields } of vessels)
      expect(fields).toEqual(before.vessels.get(id));
    const kettles = Kettle.array().parse((await ask('/api/kettles')).kettles);
    expect(kettles).toHaveLength(before.kettles.size);
    for (const { id, siteId: _s, rev: _r, retired: _g, readings: _x, ...fields } of kettles)
      expect(fields).toEqual(before.kettles.get(id));
    expect(Site.parse((await ask('/api/house')).session.site).rev).toBe(1);
    const [pot] = vessels;
    await caller
      .patch(`/api/vessels/${pot?.id}`, { ...fieldsOf(pot), name: 'Pot of old', rev: pot?.rev })
      .expect(200);
  } finally {
    await close();
  }
});

/** A type as MariaDB calls it. */
const inMariadb = (sqlType: string) =>
  ({ boolean: 'tinyint(1)', json: 'longtext', int: 'int(11)', tinyint: 'tinyint(4)' })[sqlType] ??
  sqlType.replace(/^bigint$/, 'bigint(20)');

test('after all migrations, one of them ended halfway, the tables are those the program knows', async () => {
  const { db, pool, close } = await emptyDatabase();
  const old = firstMigrations(41);
  try {
    await migrateDb(pool, db, old);
    // The power fails halfway through the step to ids of 16 bytes.
    const steps = readFileSync('drizzle/0041_ids-as-bytes.sql', 'utf8').split(
      '--> statement-breakpoint',
    );
    const connection = await pool.getConnection();
    for (const step of steps.slice(0, steps.length / 2)) await connection.query(step);
    connection.destroy();
    await migrateDb(pool, db, 'drizzle');
    const read = async (sql: string) => (await pool.query(sql))[0] as unknown as Rows;
    const known = (Object.values(schema) as unknown[])
      .filter((t): t is MySqlTable => is(t, MySqlTable))
      .map((t) => getTableConfig(t));
    const columns = known.flatMap((t) =>
      t.columns.map((c) => `${t.name}.${c.name} ${inMariadb(c.getSQLType())} ${c.notNull}`),
    );
    const keys = known.flatMap((t) => t.foreignKeys.map((k) => `${t.name} ${k.getName()}`));
    const thereColumns = await read(
      `select concat(table_name, '.', column_name, ' ', column_type, ' ',
         if(is_nullable = 'NO', 'true', 'false')) as what
       from information_schema.columns
       where table_schema = database() and table_name not like '%migrations'`,
    );
    const thereKeys = await read(
      `select concat(table_name, ' ', constraint_name) as what
       from information_schema.referential_constraints where constraint_schema = database()`,
    );
    expect(thereColumns.map((r) => r.what).sort()).toEqual(columns.sort());
    expect(thereKeys.map((r) => r.what).sort()).toEqual(keys.sort());
    expect(columns.filter((c) => c.includes(' uuid ')).length).toBeGreaterThan(140);
  } finally {
    await close();
    rmSync(old, { recursive: true });
  }
});
