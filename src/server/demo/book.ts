import { type Recipe, startingRecipe, weighingOf } from '#core/recipes';
import { grams, SPOONS } from '#core/units';
import type { Version } from '#contracts/recipes';
import type { Tea } from '#contracts/teas';
import * as t from '../db/schema';
import { DAY, longAgo, type Making } from './making';
import { paperOf } from './papers';
import { TEAS } from './teas';

function recipeOf(tea: (typeof TEAS)[number]): Recipe {
  const [earliest, best, latest] = tea.window;
  return {
    ...startingRecipe(tea.style),
    dose: tea.dose,
    ...(tea.spoons && { spoons: tea.spoons }),
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

export const dayOf = (ms: number) => new Date(ms).toISOString().slice(0, 10);

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

/** Every tea with two versions of its recipe and its lot. */
export async function addBook(making: Making, lead: string): Promise<Tea[]> {
  const { db, random, makeId, now } = making;
  const long = longAgo(making);
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
        ...(recipe.spoons && { spoons: null }),
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
      recipes: [{ method: demo.method, house, trial: null, site: null }],
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
  return teas;
}
