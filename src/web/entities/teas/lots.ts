import type { Weighing } from '#core/recipes';
import { grams } from '#core/units';
import type { Lot, WeighingFields } from '#contracts/teas';
import { useChangeLotMutation } from './editApi';

/** A weighing as it is sent: the spoon by its id. */
export const sentWeighing = (w: Weighing): WeighingFields => ({
  spoon: w.spoon.id,
  spoons: w.spoons,
  weighed: grams(Math.round(w.weighed * 100) / 100),
  singles: w.singles,
});

/** Notes that a lot is dialled in, and on which version. */
export function useDialledIn() {
  const [change, state] = useChangeLotMutation();
  const done = (
    { id, teaId: _t, versionNumber: _n, rev, weighing, ...fields }: Lot,
    versionId: string | null,
  ) =>
    change({
      id,
      body: {
        ...fields,
        weighing: weighing && sentWeighing(weighing),
        state: fields.state === 'inUse' ? 'inUse' : 'dialledIn',
        versionId,
        rev,
      },
    });
  return [done, state] as const;
}
