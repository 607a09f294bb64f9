import { eq } from 'drizzle-orm';
import { fitCooling, fitPourLoss, simulatedKettle } from '#core/heat';
import { seeded } from '#core/numeric';
import { METHODS, startingRecipe } from '#core/recipes';
import { celsius, millilitres, seconds } from '#core/units';
import type { Tea } from '#contracts/teas';
import * as t from '../db/schema';
import { dayOf } from './book';
import { DAY, type Making, SEED, type SiteIds } from './making';
import { KETTLES, PAPERS, SCOOPS } from './papers';

/**
 * Other methods, the next lots, kettles with their readings, scoops. Its own stream of chance: brews stay as they
 * were.
 */
export async function addPapers(
  { db, now, makeId }: Making,
  teas: readonly Tea[],
  lead: string,
  siteId: SiteIds,
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
