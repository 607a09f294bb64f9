import {
  fridgeAir,
  isStanding,
  keptUntil,
  nowOf,
  readyAt,
  USUAL_HOUSE_LIMITS,
  windowOf,
} from '#core/cold';
import { batchesToBegin, coldTeaId, coldTeaOf, planWeek, problemOf } from '#core/coldPlan';
import type { Method } from '#core/recipes';
import { measureOf } from '#core/teas';
import { epochMs, millilitres } from '#core/units';
import type { ColdDemand, PlannedCold } from '#contracts/coldPlans';
import * as t from '../db/schema';
import { batchesAt, fridgeAirSince } from '../features/batches';
import { allTeas } from '../features/teas';
import { DAY, type Making, type Shop } from './making';

type Wish = {
  readonly tea: string;
  readonly method: Method;
  /** Glasses at the two services of a day, and of a Saturday or Sunday. */
  readonly usual: readonly [number, number];
  readonly weekend: readonly [number, number];
};
const WISHES: readonly Wish[] = [
  { tea: 'Sennet Hollow', method: 'fridge', usual: [2, 2], weekend: [4, 3] },
  { tea: 'Marrowick Broken', method: 'fridge', usual: [1, 2], weekend: [2, 3] },
  { tea: 'Marrowick Broken', method: 'extract', usual: [2, 1], weekend: [3, 3] },
];
const GLASS = millilitres(220);
const PLAN_DAYS = 7;
/** A demo is made often: a good plan, not the best. */
const PLAN_STEPS = 5_000;
const DRUNK_ON_WEEKENDS = 5;

/** What the first site wants of its cold teas, and the plan that serves it. */
export async function addColdPlan(making: Making, shop: Shop): Promise<void> {
  const { db, now, makeId } = making;
  const [site] = shop.sites;
  const [lead] = shop.cast;
  if (!site?.hours || !lead) return;
  const limits = USUAL_HOUSE_LIMITS;
  const teas = await allTeas(db);
  const wished = WISHES.flatMap((wish) => {
    const tea = teas.find((x) => x.name === wish.tea);
    const version = tea?.recipes.find((r) => r.method === wish.method)?.house;
    return tea && version ? [{ wish, tea, version }] : [];
  });
  const demand = wished.map(({ wish, tea }): ColdDemand => ({
    ...{ teaId: tea.id, method: wish.method, glass: GLASS, days: {} },
    week: Array.from({ length: 7 }, (_, i) => [
      ...(i >= DRUNK_ON_WEEKENDS ? wish.weekend : wish.usual),
    ]),
  }));
  const air = await fridgeAirSince(db, site.id, now - 14 * DAY);
  const standing = (await batchesAt(db, site.id, now)).map((b) => {
    const state = nowOf(b);
    return {
      ...b,
      coldTea: coldTeaId(b.tea.id, b.plan.method),
      now: state,
      window: windowOf(b.plan.window, b.leafIn),
      ready: readyAt(b.plan, state.state),
      discardAt: keptUntil(b, state, air, limits).discardAt,
    };
  });
  const pitchers = (await db.select().from(t.vessels)).filter(
    (v) => v.siteId === site.id && v.kind === 'pitcher',
  );
  const asked = problemOf({
    ...{ now: epochMs(now), zone: site.hours.zone, week: site.hours, days: PLAN_DAYS },
    teas: wished.map(({ wish, tea, version }) => ({
      id: coldTeaId(tea.id, wish.method),
      tea: { style: tea.style, fitted: tea.fitted, ...measureOf(tea, null) },
      recipe: version.recipe,
      method: wish.method,
      serving: version.recipe.glasses[0]?.extract ?? GLASS,
    })),
    vessels: pitchers as never,
    places: null,
    air: fridgeAir(air.readings, epochMs(now)),
    ambient: site.ambient,
    limits,
    waterAt: site.coldWater,
    standing: standing.filter((b) => isStanding(b.now.state)),
    pinned: [],
    leftFree: [],
    before: [],
    wanted: Object.fromEntries(demand.map((d) => [coldTeaId(d.teaId, d.method), d])),
  });
  const batches = batchesToBegin(planWeek(asked.problem, PLAN_STEPS), asked).map(
    ({ pin: _, coldTea, ...b }): PlannedCold => ({
      ...{ ...b, ...coldTeaOf(coldTea) },
      ...{ id: makeId(now), pinned: false },
    }),
  );
  await db.insert(t.coldPlans).values({
    siteId: site.id,
    ...{ rev: 1, demand, batches, places: null, leftFree: [] },
    changed: new Date(now - 3 * 3_600_000),
    changedBy: lead.id,
  });
}
