import { eq } from 'drizzle-orm';
import { millilitres, type Spoon, SPOON_KINDS, SPOONS } from '#core/units';
import type { HouseSpoon } from '#contracts/kettles';
import type { Tx } from '../../db/pool';
import { spoons } from '../../db/schema';

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
/** One of the house's own. */
export async function ownSpoonById(tx: Tx, id: string): Promise<HouseSpoon | undefined> {
  const [row] = await tx.select().from(spoons).where(eq(spoons.id, id));
  return row && asSpoon(row);
}
/** As the working needs them, by id. */
export async function spoonsById(tx: Tx): Promise<ReadonlyMap<string, Spoon>> {
  return new Map(
    (await allSpoons(tx)).map(({ id, name, plural, ml, heaped }) => [
      id,
      { id, name, plural, ml, heaped },
    ]),
  );
}
