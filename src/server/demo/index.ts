import { sql } from 'drizzle-orm';
import { seeded } from '#core/numeric';
import { FIRST_VOCABULARY } from '#core/teas';
import { USUAL_FILTER_DAYS } from '#core/water';
import type { Site } from '#contracts/sites';
import type { Tea } from '#contracts/teas';
import type { Vessel } from '#contracts/vessels';
import { inTransaction } from '../db/inTransaction';
import { type Db, MIGRATIONS_TABLE, type Tx } from '../db/pool';
import * as t from '../db/schema';
import { createFitService } from '../features/fits';
import { hashSecret } from '../features/people';
import { workHere } from '../work/here';
import { addBook } from './book';
import { addCold } from './cold';
import { addColdPlan } from './coldPlan';
import { PEOPLE, SITES } from './house';
import {
  DAY,
  idMaker,
  longAgo,
  type Making,
  SEED,
  type Shop,
  type SiteIds,
  type When,
} from './making';
import { addPapers } from './otherPapers';
import { addOwnRecipe } from './ownRecipe';
import { addBrews, addTastings } from './pastDays';
import { addStock } from './stock';
import { addTraining } from './training';
import { VESSELS } from './vessels';

/** The harbour room's filter was changed so many days ago. */
const FILTER_AGE = 20;
const filterOf = (now: number) => ({
  changed: new Date(now - FILTER_AGE * DAY).toISOString().slice(0, 10),
  everyDays: USUAL_FILTER_DAYS,
});

export type SignIn = {
  readonly name: string;
  readonly role: string;
  readonly secret: string;
  readonly site: string;
};
const signIns = (): SignIn[] =>
  PEOPLE.map((p) => ({
    name: p.name,
    role: p.role,
    secret: p.secret,
    site: p.sites[0] === 'hut' ? 'Ridge hut' : 'Harbour room',
  }));
/** Seeds the demo into an empty house; one that has begun is left as it is. Returns the sign-ins of a demo. */
export async function seedDemo(db: Db, when: When): Promise<SignIn[]> {
  const [there] = await db.select().from(t.house);
  if (there) return there.demo ? signIns() : [];
  await makeNew(db, when);
  return signIns();
}

/** Renews the demo and nothing else. @throws when the house is a real one. */
export async function resetDemo(db: Db, when: When): Promise<SignIn[]> {
  const [there] = await db.select().from(t.house);
  if (there && !there.demo)
    throw new Error('This is a real house, not the demo: nothing was touched.');
  await makeNew(db, when);
  return signIns();
}

/** Empties the house and fills it in one transaction: what fails, or is killed, leaves the house as it was. */
async function makeNew(db: Db, when: When): Promise<void> {
  await inTransaction(db, async (tx) => {
    await wipe(tx);
    // Fitting a tea opens a transaction of its own: inside this one it is a part of it.
    await fill(tx as unknown as Db, when);
  });
}

/** Every table but the migrations' own: the database itself says which there are. */
async function wipe(tx: Tx): Promise<void> {
  const [tables] = (await tx.execute(sql`
    select table_name as name from information_schema.tables
    where table_schema = database() and table_type = 'BASE TABLE' and table_name <> ${MIGRATIONS_TABLE}
  `)) as unknown as [{ name: string }[]];
  await tx.execute(sql`set foreign_key_checks = 0`);
  try {
    for (const { name } of tables) await tx.execute(sql.raw(`delete from \`${name}\``));
  } finally {
    // The connection goes back to the pool.
    await tx.execute(sql`set foreign_key_checks = 1`);
  }
}

const FITTED_TEA = 'Iveline First';

async function fill(db: Db, { now, days }: When): Promise<void> {
  const random = seeded(SEED);
  const making: Making = { db, random, makeId: idMaker(random), now, days };
  const { sites, siteId, cast, lead } = await addHouse(making);
  const teas = await addBook(making, lead);
  const vessels = await addVessels(making, siteId);
  const shop: Shop = { sites, teas, vessels, cast };
  await addBrews(making, shop);
  await addPapers(making, teas, lead, siteId);
  await addStock(making, shop);
  await addTastings(making, shop);
  await fitOneTea(making, teas, lead);
  await addCold(making, shop);
  await addColdPlan(making, shop);
  await addTraining(making, shop);
  await addOwnRecipe(making, shop);
  await db
    .insert(t.house)
    .values({ id: 1, demo: true, begun: new Date(now), vocabulary: [...FIRST_VOCABULARY] });
}

/** Sites, and the people who work in them; the first of them leads. */
async function addHouse(making: Making) {
  const { db, makeId, now } = making;
  const long = longAgo(making);
  const sites: Site[] = SITES.map((s) => ({
    id: makeId(long),
    rev: 1,
    ...s.fields,
    water: s.fields.water.filtered ? { ...s.fields.water, filter: filterOf(now) } : s.fields.water,
  }));
  const siteId: SiteIds = new Map(SITES.map((s, i) => [s.key, sites[i]?.id ?? '']));
  const cast = await Promise.all(
    PEOPLE.map(async (person) => ({
      id: makeId(long),
      person,
      secretHash: await hashSecret(person.secret),
    })),
  );
  await db.insert(t.sites).values(sites);
  await db.insert(t.people).values(
    cast.map(({ id, person, secretHash }) => ({
      id,
      name: person.name,
      role: person.role,
      secretHash,
      active: true,
    })),
  );
  await db
    .insert(t.personSites)
    .values(
      cast.flatMap(({ id, person }) =>
        person.sites.map((s) => ({ personId: id, siteId: siteId.get(s) ?? '' })),
      ),
    );
  return { sites, siteId, cast, lead: cast[0]?.id ?? '' };
}

/** The vessels of every site. */
async function addVessels(making: Making, siteId: SiteIds): Promise<Vessel[]> {
  const vessels = VESSELS.map((v) => ({
    id: making.makeId(longAgo(making)),
    siteId: siteId.get(v.site) ?? '',
    ...v.fields,
    rev: 1,
    retired: false,
  }));
  await making.db.insert(t.vessels).values(vessels);
  return vessels;
}

/** One tea is fitted to its cups already, so that what rests on a fit can be seen. */
async function fitOneTea({ db, makeId, now }: Making, teas: readonly Tea[], lead: string) {
  const fitted = teas.find((tea) => tea.name === FITTED_TEA);
  const fitting = createFitService({ db, now: () => now, work: workHere });
  // A demo of few days may have too few cups of it.
  if (fitted && (await fitting.page(fitted.id)).fit.kind === 'fitted')
    await fitting.use(fitted.id, makeId(now - DAY), [], { personId: lead });
}
