import { sql } from 'drizzle-orm';
import { v7 } from 'uuid';
import { seeded, type Random } from '#core/numeric';
import { startingRecipe, type Recipe } from '#core/recipes';
import type { Tea, Version } from '#contracts/book';
import type { Site } from '#contracts/house';
import { VERDICT_FILTERS } from '#contracts/brews';
import { verdictWords } from '#core/correction';
import { hashSecret } from '../features/accounts';
import type { Db } from '../db/pool';
import * as t from '../db/schema/index';
import { pastBrews, type Cast, type Stage } from './brews';
import { PEOPLE, SITES, TEAS, VESSELS } from './house';

export type SignIn = { readonly name: string; readonly role: string; readonly secret: string; readonly site: string };
type When = { readonly now: number; readonly days: number };
const SEED = 20_260_412;
const CHUNK = 150;

const signIns = (): SignIn[] => PEOPLE.map((p) => ({ name: p.name, role: p.role, secret: p.secret, site: p.sites[0] === 'hut' ? 'Ridge hut' : 'Harbour room' }));
const idMaker = (random: Random) => (ms: number) => v7({ msecs: ms, random: Uint8Array.from({ length: 16 }, () => Math.floor(random() * 256)) });

async function inChunks<T>(rows: readonly T[], write: (part: T[]) => Promise<unknown>) {
  for (let i = 0; i < rows.length; i += CHUNK) await write(rows.slice(i, i + CHUNK));
}

/** Seeds the demo into an empty house; one that has begun is left as it is. Returns the sign-ins of a demo. */
export async function seedDemo(db: Db, when: When): Promise<SignIn[]> {
  const [there] = await db.select().from(t.house);
  if (there) return there.demo ? signIns() : [];
  await wipe(db);
  await fill(db, when);
  return signIns();
}

/** Renews the demo and nothing else. @throws when the house is a real one. */
export async function resetDemo(db: Db, when: When): Promise<SignIn[]> {
  const [there] = await db.select().from(t.house);
  if (there && !there.demo) throw new Error('This is a real house, not the demo: nothing was touched.');
  await wipe(db);
  await fill(db, when);
  return signIns();
}

/** Also clears what a killed seeding left: the house's own row is written last. */
async function wipe(db: Db): Promise<void> {
  for (const table of ['lead_notes', 'brew_events', 'brews', 'vessels', 'recipe_versions', 'teas', 'signin_misses', 'sessions', 'person_sites', 'people', 'sites', 'house']) {
    await db.execute(sql.raw(`delete from \`${table}\``));
  }
}

function recipeOf(tea: (typeof TEAS)[number]): Recipe {
  const [earliest, best, latest] = tea.window;
  return { ...startingRecipe(tea.style), dose: tea.dose, temperature: tea.heat, window: { earliest, best, latest }, later: tea.later ?? [] } as Recipe;
}

async function fill(db: Db, { now, days }: When): Promise<void> {
  const random = seeded(SEED);
  const makeId = idMaker(random);
  const long = now - 200 * 86_400_000;
  const sites: Site[] = SITES.map((s) => ({ id: makeId(long), ...s.fields }));
  const siteId = new Map(SITES.map((s, i) => [s.key, sites[i]?.id ?? '']));
  const cast: (Cast & { secretHash: string })[] = await Promise.all(PEOPLE.map(async (person) => ({ id: makeId(long), person, secretHash: await hashSecret(person.secret) })));
  const lead = cast[0]?.id ?? '';

  await db.insert(t.sites).values(sites);
  await db.insert(t.people).values(cast.map(({ id, person, secretHash }) => ({ id, name: person.name, role: person.role, secretHash, active: true })));
  await db.insert(t.personSites).values(cast.flatMap(({ id, person }) => person.sites.map((s) => ({ personId: id, siteId: siteId.get(s) ?? '' }))));

  const teas: Tea[] = [];
  const versions: (typeof t.versions.$inferInsert)[] = [];
  for (const demo of TEAS) {
    const teaId = makeId(long);
    const recipe = recipeOf(demo);
    const first: Version = {
      id: makeId(long), teaId, number: 1, state: 'retired', recipe: { ...recipe, dose: Number((recipe.dose * (random() < 0.5 ? 0.85 : 1.15)).toFixed(2)) } as Recipe,
      reason: 'From the packet', author: { id: lead, name: '' }, at: long + random() * 40 * 86_400_000,
    };
    const house: Version = { ...first, id: makeId(long + 1), number: 2, state: 'house', recipe, reason: 'Dialled in at the table, three cups', at: first.at + 30 * 86_400_000 };
    versions.push(...[first, house].map(({ author, at, ...v }) => ({ ...v, authorId: author.id, at: new Date(at) })));
    teas.push({
      id: teaId, name: demo.name, style: demo.style, method: demo.method, lot: demo.lot, words: demo.words, allergens: demo.allergens ?? '', note: demo.note ?? '',
      weighing: { spoon: demo.per[0], spoons: 5, weighed: Number((demo.per[1] * 5).toFixed(1)) } as Tea['weighing'], spoon: demo.per[0], rev: 1, retired: false, house, trial: null,
    });
  }
  await db.insert(t.teas).values(teas.map(({ house: _house, trial: _trial, ...tea }) => tea));
  await db.insert(t.versions).values(versions);
  const vessels = VESSELS.map((v) => ({ id: makeId(long), siteId: siteId.get(v.site) ?? '', ...v.fields, rev: 1, retired: false }));
  await db.insert(t.vessels).values(vessels.map(({ id, siteId: at, rev, retired, ...facts }) => ({ id, siteId: at, rev, retired, facts })));

  for (const [i, site] of sites.entries()) {
    const key = SITES[i]?.key ?? 'harbour';
    const stage: Stage = { site, teas: teas.filter((tea) => key === 'harbour' || tea.style !== 'green-shaded'), vessels: vessels.filter((v) => v.siteId === site.id), cast: cast.filter((c) => c.person.sites.includes(key)), perDay: key === 'harbour' ? 42 : 14 };
    const rows = pastBrews(random, stage, now, days, makeId);
    await inChunks(rows, (part) => db.insert(t.brews).values(part));
    await inChunks(rows.filter((r) => r.accepted && r.verdict && r.proposal && r.startedAt.getTime() > now - 3 * 86_400_000).slice(-6), (part) =>
      db.insert(t.leadNotes).values(part.map((r) => ({
        id: makeId(r.startedAt.getTime()), teaId: r.teaId, brewId: r.id, personId: r.startedBy, at: r.ended ?? r.startedAt,
        headline: r.proposal?.headline ?? '', change: r.proposal?.change ?? '', found: r.verdict ? verdictWords(r.verdict) : VERDICT_FILTERS[2],
      }))));
  }
  await db.insert(t.house).values({ id: 1, demo: true, begun: new Date(now) });
}
