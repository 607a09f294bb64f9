import { STARTED_BY_MISTAKE } from '#core/brews';
import { grams } from '#core/units';
import type { Tx } from '../../db/pool';
import { putBackPockets, takePockets } from '../stock';
import type { BrewRow } from './repository';

type Pocketed = Pick<BrewRow, 'siteId' | 'teaId' | 'plan'>;
/** Bags of a brew that came out of pockets. */
const bagsOf = ({ plan }: Pick<BrewRow, 'plan'>): number =>
  plan.pocketed && plan.recipe.bag ? Math.round(plan.pocketed / plan.recipe.bag) : 0;

/** The plan of a brew by the bag, with its bags out of the pockets that were filled ahead. */
export async function withPockets<P extends BrewRow['plan']>(
  tx: Tx,
  { plan, method, siteId, teaId }: Pick<BrewRow, 'method' | 'siteId' | 'teaId'> & { plan: P },
): Promise<P> {
  const { bag } = plan.recipe;
  if (method !== 'bag' || bag === null) return plan;
  const taken = await takePockets(tx, { siteId, teaId }, Math.round(plan.leaf / bag));
  return taken === 0 ? plan : { ...plan, pocketed: grams(taken * bag) };
}

/** Leaf that never met its water, or was started by mistake, goes back where it came from. */
export const isLeafUnused = (row: Pick<BrewRow, 'waterOn'>, reason: string): boolean =>
  row.waterOn === null || reason === STARTED_BY_MISTAKE;
/** The bags of a brew that was given up go back into their pockets. */
export async function returnPockets(tx: Tx, row: Pocketed): Promise<void> {
  const bags = bagsOf(row);
  if (bags > 0) await putBackPockets(tx, row, bags);
}
/** A brew that was given up goes on after all: its bags come out of the pockets again. */
export async function drawPocketsAgain(tx: Tx, row: Pocketed): Promise<void> {
  const bags = bagsOf(row);
  if (bags > 0) await takePockets(tx, row, bags);
}
