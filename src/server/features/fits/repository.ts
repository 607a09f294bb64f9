import { desc, eq } from 'drizzle-orm';
import { fittedBy } from '#core/fitting';
import type { KeptFit } from '#contracts/fits';
import type { Tea } from '#contracts/teas';
import type { Tx } from '../../db/pool';
import { people, teaFits } from '../../db/schema';

/** Every fit that was kept of a tea, the newest first; one of another style than the tea's now is aside. */
export async function keptFitsOf(
  tx: Tx,
  { id: teaId, style }: Pick<Tea, 'id' | 'style'>,
): Promise<KeptFit[]> {
  const rows = await tx
    .select({ f: teaFits, by: people.name })
    .from(teaFits)
    .innerJoin(people, eq(people.id, teaFits.personId))
    .where(eq(teaFits.teaId, teaId))
    .orderBy(desc(teaFits.at), desc(teaFits.id));
  return rows.map(({ f, by }) => ({
    id: f.id,
    state: fittedBy(f.fit, style) ? f.state : 'aside',
    by: { id: f.personId, name: by },
    at: f.at.getTime(),
    fit: f.fit,
  }));
}
