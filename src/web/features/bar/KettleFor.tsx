import { cardOf } from '#core/brews';
import { type KettleOnCard, methodFor, suitsBest } from '#core/recipes';
import { lotInUse, recipeFor } from '#core/teas';
import { temperatureText } from '#core/units';
import type { Order } from '#contracts/brews';
import type { Tea } from '#contracts/teas';
import type { Vessel } from '#contracts/vessels';
import { useSiteKettles } from '../../entities/kettles/useSiteKettles';
import { useSession, useUnits } from '../../entities/people/session';

/** Which of several kettles suits an order that waits, and what it is set to; nothing where there is no choice. */
export function KettleFor({ order, tea, vessel }: { order: Order; tea: Tea; vessel: Vessel }) {
  const { site } = useSession();
  const units = useUnits();
  const { kettles } = useSiteKettles();
  const version = recipeFor(tea, methodFor(vessel))?.house;
  if (kettles.length < 2 || !version) return null;
  const served = kettles.flatMap((kettle): { used: KettleOnCard }[] => {
    const card = cardOf({
      ...{ tea, lot: lotInUse(tea), version, vessel, site, kettle },
      ...{ water: order.water ?? vessel.mark, warmed: version.recipe.warm, wish: order.wish },
    });
    return card.kind === 'card' && card.kettle ? [{ used: card.kettle }] : [];
  });
  const best = suitsBest(served)?.used;
  if (!best) return null;
  const heat = best.set === null ? 'boiled' : `at ${temperatureText(best.set, units.temperature)}`;
  return (
    <>
      , {best.name} {heat}
    </>
  );
}
