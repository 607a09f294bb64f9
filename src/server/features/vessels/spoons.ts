import { and, eq } from 'drizzle-orm';
import type { z } from 'zod';
import { millilitres, type Spoon, SPOON_KINDS, SPOONS } from '#core/units';
import type { addSpoon, changeSpoon, HouseSpoon } from '#contracts/kettles';
import { inTransaction } from '../../db/inTransaction';
import type { Tx } from '../../db/pool';
import { spoons } from '../../db/schema';
import type { Deps } from '../../deps';
import { notFound, recordChanged } from '../../http/errors';
import type { Signed } from '../../http/route';
import { recordChange } from '../history';

const asSpoon = (r: typeof spoons.$inferSelect): HouseSpoon => ({
  id: r.id,
  name: r.name,
  plural: `${r.name}s`,
  ml: millilitres(r.ml),
  heaped: r.heaped,
  rev: r.rev,
  retired: r.retired,
  own: true,
});
const TRADE: readonly HouseSpoon[] = SPOON_KINDS.map((k) => ({
  ...SPOONS[k],
  rev: 0,
  retired: false,
  own: false,
}));

/** The trade's spoons, then the house's own. */
export const allSpoons = async (tx: Tx): Promise<HouseSpoon[]> => [
  ...TRADE,
  ...(await tx.select().from(spoons).orderBy(spoons.name)).map(asSpoon),
];
/** As the working needs them, by id. */
export async function spoonsById(tx: Tx): Promise<ReadonlyMap<string, Spoon>> {
  return new Map(
    (await allSpoons(tx)).map(({ id, name, plural, ml, heaped }) => [
      id,
      { id, name, plural, ml, heaped },
    ]),
  );
}

export function spoonShelf({ db, now }: Deps) {
  const must = async (tx: Tx, id: string): Promise<HouseSpoon> => {
    const [row] = await tx.select().from(spoons).where(eq(spoons.id, id));
    if (!row) throw notFound('That spoon');
    return asSpoon(row);
  };
  return {
    all: () => allSpoons(db),
    add: ({ id, ...given }: z.infer<typeof addSpoon.body>, who: Signed): Promise<HouseSpoon> =>
      inTransaction(db, async (tx) => {
        const [there] = await tx.select().from(spoons).where(eq(spoons.id, id));
        if (there) return asSpoon(there);
        await tx.insert(spoons).values({ id, ...given, rev: 1, retired: false });
        await recordChange(tx, {
          thing: 'spoon',
          id,
          before: null,
          after: given,
          by: who.personId,
          now: now(),
        });
        return must(tx, id);
      }),
    change: (
      id: string,
      { rev, ...given }: z.infer<typeof changeSpoon.body>,
      who: Signed,
    ): Promise<HouseSpoon> =>
      inTransaction(db, async (tx) => {
        const before = await must(tx, id);
        const [result] = await tx
          .update(spoons)
          .set({ ...given, rev: rev + 1 })
          .where(and(eq(spoons.id, id), eq(spoons.rev, rev)));
        if (result.affectedRows === 0) throw recordChanged(before.name, before.rev);
        await recordChange(tx, {
          thing: 'spoon',
          id,
          before: {
            name: before.name,
            ml: before.ml,
            heaped: before.heaped,
            retired: before.retired,
          },
          after: given,
          by: who.personId,
          now: now(),
        });
        return must(tx, id);
      }),
  };
}
