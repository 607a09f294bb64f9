import { eq } from 'drizzle-orm';
import { seeded } from '#core/numeric';
import * as t from '../db/schema';
import { DAY, type Making, SEED, type Shop } from './making';

/** Every tin was weighed so many days ago. */
const COUNTED_DAYS_AGO = 9;
/** Between so many grams were in it, and 100 g cost between so much. */
const TIN = { least: 150, most: 1100 } as const;
const PRICE = { least: 4, most: 19 } as const;
const POCKETED = 'Tolvane Amber';

/** Leaf in stock: tins counted and priced, and pockets of one tea filled ahead. */
export async function addStock({ db, makeId, now }: Making, shop: Shop): Promise<void> {
  const random = seeded(SEED + 40);
  const between = ({ least, most }: { least: number; most: number }) =>
    least + random() * (most - least);
  const lots = await db.select().from(t.lots).where(eq(t.lots.state, 'inUse')).orderBy(t.lots.id);
  const by = shop.cast.find(({ person }) => person.role === 'brewer')?.id;
  const site = shop.sites[0];
  if (!by || !site || lots.length === 0) return;
  await db.insert(t.lotStock).values(
    lots.map(({ id }) => ({
      ...{ lotId: id, grams: Math.round(between(TIN) / 10) * 10 },
      ...{ countedAt: new Date(now - COUNTED_DAYS_AGO * DAY), countedBy: by },
      ...{ per100g: Math.round(between(PRICE) * 2) / 2, currency: 'EUR' },
    })),
  );
  const tea = shop.teas.find(({ name }) => name === POCKETED);
  if (!tea) return;
  await db.insert(t.pockets).values({
    ...{ id: makeId(now - DAY), siteId: site.id, teaId: tea.id, lotId: tea.lots[0]?.id ?? null },
    ...{ grams: 2.5, filled: 24, left: 17, at: new Date(now - DAY), personId: by },
  });
}
