import { eq, sql } from 'drizzle-orm';
import { v7 } from 'uuid';
import { verdictWords } from '#core/corrections';
import { fitCooling, fitPourLoss, simulatedKettle } from '#core/heat';
import { type Random, seeded } from '#core/numeric';
import { METHODS, type Recipe, startingRecipe, weighingOf } from '#core/recipes';
import { FIRST_VOCABULARY } from '#core/teas';
import { celsius, grams, millilitres, seconds, SPOONS } from '#core/units';
import { VERDICT_FILTERS } from '#contracts/log';
import type { Site } from '#contracts/sites';
import type { Tea, Version } from '#contracts/teas';
import { inTransaction } from '../db/inTransaction';
import { type Db, MIGRATIONS_TABLE, type Tx } from '../db/pool';
import * as t from '../db/schema';
import { createFitService } from '../features/fits';
import { hashSecret } from '../features/people';
import { workHere } from '../work/here';
import { type Cast, pastBrews, type Stage } from './brews';
import { PEOPLE, SITES } from './house';
import { KETTLES, paperOf, PAPERS, SCOOPS } from './papers';
import { pastTastings } from './tastings';
import { TEAS } from './teas';
import { VESSELS } from './vessels';

export type SignIn = {
  readonly name: string;
  readonly role: string;
  readonly secret: string;
  readonly site: string;
};
type When = { readonly now: number; readonly days: number };
const SEED = 20_260_412;
const CHUNK = 150;

const signIns = (): SignIn[] =>
  PEOPLE.map((p) => ({
    name: p.name,
    role: p.role,
    secret: p.secret,
    site: p.sites[0] === 'hut' ? 'Ridge hut' : 'Harbour room',
  }));
const idMaker = (random: Random) => (ms: number) =>
  v7({ msecs: ms, random: Uint8Array.from({ length: 16 }, () => Math.floor(random() * 256)) });

async function inChunks<T>(rows: readonly T[], write: (part: T[]) => Promise<unknown>) {
  for (let i = 0; i < rows.length; i += CHUNK) await write(rows.slice(i, i + CHUNK));
}

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
    // Fitting a tea opens a transaction of its own: inside this one it is a savepoint.
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

function recipeOf(tea: (typeof TEAS)[number]): Recipe {
  const [earliest, best, latest] = tea.window;
  return {
    ...startingRecipe(tea.style),
    dose: tea.dose,
    temperature: tea.heat,
    window: { earliest, best, latest },
    later: (tea.later ?? []).map((s) => ({
      earliest: Math.round(s * 0.85),
      best: s,
      latest: Math.round(s * 1.2),
    })),
    origin: '',
  } as unknown as Recipe;
}

const FITTED_TEA = 'Iveline First';
const DAY = 86_400_000;
const dayOf = (ms: number) => new Date(ms).toISOString().slice(0, 10);
/** A tea's spoon and its weighing, five spoons one by one, a little uneven. */
function measured(demo: (typeof TEAS)[number]): Pick<Tea, 'weighing' | 'spoon' | 'measure'> {
  const [kind, each] = demo.per;
  const singles = [-0.05, 0.03, 0.01, -0.02, 0.03].map((by) =>
    grams(Math.round(each * (1 + by) * 100) / 100),
  );
  const { spoons, weighed } = weighingOf(SPOONS[kind], singles);
  const weighing = { spoons, weighed: grams(Math.round(weighed * 100) / 100), singles };
  return {
    weighing: { spoon: kind, ...weighing },
    spoon: kind,
    measure: { spoon: SPOONS[kind], weighing: { spoon: SPOONS[kind], ...weighing } },
  };
}

async function fill(db: Db, { now, days }: When): Promise<void> {
  const random = seeded(SEED);
  const makeId = idMaker(random);
  const long = now - 200 * 86_400_000;
  const sites: Site[] = SITES.map((s) => ({ id: makeId(long), rev: 1, ...s.fields }));
  const siteId = new Map(SITES.map((s, i) => [s.key, sites[i]?.id ?? '']));
  const cast: (Cast & { secretHash: string })[] = await Promise.all(
    PEOPLE.map(async (person) => ({
      id: makeId(long),
      person,
      secretHash: await hashSecret(person.secret),
    })),
  );
  const lead = cast[0]?.id ?? '';

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

  const teas: Tea[] = [];
  const versions: (typeof t.versions.$inferInsert)[] = [];
  for (const demo of TEAS) {
    const teaId = makeId(long);
    const recipe = recipeOf(demo);
    const first: Version = {
      id: makeId(long),
      teaId,
      method: demo.method,
      number: 1,
      state: 'retired',
      recipe: {
        ...recipe,
        dose: Number((recipe.dose * (random() < 0.5 ? 0.85 : 1.15)).toFixed(2)),
      } as Recipe,
      reason: 'From the packet',
      author: { id: lead, name: '' },
      at: long + random() * 40 * 86_400_000,
    };
    const house: Version = {
      ...first,
      id: makeId(long + 1),
      number: 2,
      state: 'house',
      recipe,
      reason: 'Dialled in at the table, three cups',
      at: first.at + 30 * 86_400_000,
    };
    versions.push(
      ...[first, house].map(({ author, at, ...v }) => ({
        ...v,
        authorId: author.id,
        at: new Date(at),
      })),
    );
    teas.push({
      id: teaId,
      name: demo.name,
      style: demo.style,
      method: demo.method,
      words: demo.words,
      allergens: demo.allergens ?? '',
      note: demo.note ?? '',
      ...paperOf(demo.name),
      recipes: [{ method: demo.method, house, trial: null }],
      ...measured(demo),
      rev: 1,
      retired: false,
      house,
      trial: null,
      photoId: null,
      fitted: null,
      swatches: null,
      lots: [
        {
          id: makeId(long + 2),
          teaId,
          name: demo.lot,
          arrived: dayOf(now - 120 * DAY),
          bestBefore: dayOf(now + 300 * DAY),
          harvest: '',
          note: '',
          state: 'inUse',
          weighing: null,
          versionId: house.id,
          versionNumber: 2,
          rev: 1,
        },
      ],
    });
  }
  await db
    .insert(t.teas)
    .values(
      teas.map(
        ({
          house: _house,
          trial: _trial,
          recipes: _recipes,
          lots: _lots,
          measure: _measure,
          photoId: _photo,
          fitted: _fitted,
          ...tea
        }) => tea,
      ),
    );
  await db.insert(t.versions).values(versions);
  await db
    .insert(t.lots)
    .values(
      teas.flatMap((tea) =>
        tea.lots.map(({ versionNumber: _n, weighing: _w, ...lot }) => ({ ...lot, weighing: null })),
      ),
    );
  const vessels = VESSELS.map((v) => ({
    id: makeId(long),
    siteId: siteId.get(v.site) ?? '',
    ...v.fields,
    rev: 1,
    retired: false,
  }));
  await db.insert(t.vessels).values(vessels);

  for (const [i, site] of sites.entries()) {
    const key = SITES[i]?.key ?? 'harbour';
    const stage: Stage = {
      site,
      teas: teas.filter((tea) => key === 'harbour' || tea.style !== 'green-shaded'),
      vessels: vessels.filter((v) => v.siteId === site.id),
      cast: cast.filter((c) => c.person.sites.includes(key)),
      perDay: key === 'harbour' ? 42 : 14,
    };
    const rows = pastBrews(random, stage, now, days, makeId);
    await inChunks(rows, (part) => db.insert(t.brews).values(part));
    await inChunks(
      rows
        .filter(
          (r) =>
            r.accepted && r.verdict && r.proposal && r.startedAt.getTime() > now - 3 * 86_400_000,
        )
        .slice(-6),
      (part) =>
        db.insert(t.leadNotes).values(
          part.map((r) => ({
            id: makeId(r.startedAt.getTime()),
            teaId: r.teaId,
            brewId: r.id,
            personId: r.startedBy,
            at: r.ended ?? r.startedAt,
            headline: r.proposal?.headline ?? '',
            change: r.proposal?.change ?? '',
            found: r.verdict ? verdictWords(r.verdict) : VERDICT_FILTERS[2],
          })),
        ),
    );
  }
  await papers(db, { now, teas, lead, siteId, makeId });
  const [harbour] = sites;
  if (harbour) {
    const newLots = new Map(
      (
        await db
          .select({ id: t.lots.id, teaId: t.lots.teaId })
          .from(t.lots)
          .where(eq(t.lots.state, 'new'))
      ).map((l) => [l.teaId, l.id]),
    );
    const tasted = pastTastings(seeded(SEED + 1), {
      site: harbour,
      teas,
      vessels: vessels.filter((v) => v.siteId === harbour.id),
      people: cast
        .filter((c) => c.person.sites.includes('harbour'))
        .slice(0, 4)
        .map((c) => ({ id: c.id, name: c.person.name })),
      newLots,
      now,
      makeId,
    });
    await db.insert(t.tastings).values(tasted.tastings);
    await inChunks(tasted.events, (part) => db.insert(t.tastingEvents).values(part));
  }
  // One tea is fitted to its cups already, so that what rests on a fit can be seen.
  const fitted = teas.find((tea) => tea.name === FITTED_TEA);
  const fitting = createFitService({ db, now: () => now, work: workHere });
  // A demo of few days may have too few cups of it.
  if (fitted && (await fitting.page(fitted.id)).fit.kind === 'fitted')
    await fitting.use(fitted.id, makeId(now - DAY), [], { personId: lead });
  await db
    .insert(t.house)
    .values({ id: 1, demo: true, begun: new Date(now), vocabulary: [...FIRST_VOCABULARY] });
}

type Around = When & {
  readonly teas: readonly Tea[];
  readonly lead: string;
  readonly siteId: ReadonlyMap<string, string>;
  readonly makeId: (ms: number) => string;
};
/**
 * Other methods, the next lots, kettles with their readings, scoops. Its own stream of chance: brews stay as they
 * were.
 */
async function papers(
  db: Db,
  { now, teas, lead, siteId, makeId }: Omit<Around, 'days'>,
): Promise<void> {
  const at = new Date(now - 60 * DAY);
  const others = teas.flatMap((tea) =>
    (PAPERS[tea.name]?.methods ?? []).map((method) => ({
      id: makeId(at.getTime()),
      teaId: tea.id,
      method,
      number: 1,
      state: 'house' as const,
      recipe: { ...startingRecipe(tea.style, method), origin: '' },
      reason: `Tried as ${METHODS[method].label}, right at once`,
      authorId: lead,
      at,
    })),
  );
  await db.insert(t.versions).values(others);
  await db.insert(t.lots).values(
    teas.flatMap((tea) => {
      const next = PAPERS[tea.name]?.next;
      return next
        ? [
            {
              id: makeId(now - 2 * DAY),
              teaId: tea.id,
              name: next,
              arrived: dayOf(now - 2 * DAY),
              bestBefore: dayOf(now + 500 * DAY),
              harvest: 'second week of April',
              note: 'A little larger than the last.',
              state: 'new' as const,
              weighing: null,
              versionId: null,
              rev: 1,
            },
          ]
        : [];
    }),
  );
  await db
    .insert(t.spoons)
    .values(SCOOPS.map((s) => ({ id: makeId(at.getTime()), ...s, rev: 1, retired: false })));
  for (const k of KETTLES) {
    const id = makeId(at.getTime());
    await db
      .insert(t.kettles)
      .values({ id, siteId: siteId.get(k.site) ?? '', ...k.fields, rev: 1, retired: false });
    if (k.minutes.length === 0) continue;
    const water = k.fields.volume * 0.85;
    const made = simulatedKettle(
      seeded(SEED),
      { volume: millilitres(water), material: k.fields.material, lid: k.fields.lid },
      { times: k.times, loss: k.loss },
    );
    const boil = makeId(at.getTime());
    const common = { kettleId: id, boil, water, ambient: 20, simulated: false, at, personId: lead };
    const cooling = k.minutes.map((m) => ({
      id: makeId(at.getTime()),
      kind: 'cooling' as const,
      seconds: m * 60,
      celsius: made.reading(seconds(m * 60)) as number,
      kettleCelsius: null,
      ...common,
    }));
    const poured = {
      id: makeId(at.getTime()),
      kind: 'poured' as const,
      seconds: 0,
      celsius: made.poured(seconds(0)) as number,
      kettleCelsius: 100,
      ...common,
    };
    await db.insert(t.kettleReadings).values([...cooling, poured]);
    const fit = fitCooling(
      cooling.map((r) => ({
        boil,
        at: seconds(r.seconds),
        temperature: celsius(r.celsius),
        ambient: celsius(20),
      })),
      { volume: millilitres(water), material: k.fields.material, lid: k.fields.lid },
    );
    const loss = fitPourLoss([
      { kettle: celsius(100), poured: celsius(poured.celsius), ambient: celsius(20) },
    ]);
    if (fit.kind === 'fitted' && loss) {
      await db
        .update(t.sites)
        .set({
          kettle: {
            volume: k.fields.volume,
            material: k.fields.material,
            lid: k.fields.lid,
            rate: fit.rate,
            name: k.fields.name,
          },
          pourLoss: Math.round(loss.loss * 1000) / 1000,
        })
        .where(eq(t.sites.id, siteId.get(k.site) ?? ''));
    }
  }
}
