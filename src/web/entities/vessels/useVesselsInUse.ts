import { useMemo } from 'react';
import { useCold } from '../batches/useCold';
import { type BarBrew, vesselsInUse } from '../brews/barBrews';

/** What stands in which vessel: hot tea that warms or steeps, and cold batches. */
export function useVesselsInUse(brews: readonly BarBrew[]) {
  const { standing } = useCold();
  return useMemo(() => {
    const brewIn = vesselsInUse(brews);
    const batchIn = new Map(standing.map((b) => [b.vesselId, b] as const));
    return {
      brewIn,
      batchIn,
      isFree: (vesselId: string) => !brewIn.has(vesselId) && !batchIn.has(vesselId),
      /** What is in it, for a sentence; null: nothing. */
      holds: (vesselId: string): string | null => {
        const brew = brewIn.get(vesselId);
        if (brew) return `${brew.startedBy.name} brews ${brew.tea.name} in it`;
        const batch = batchIn.get(vesselId);
        return batch ? `cold ${batch.tea.name} is in the vessel` : null;
      },
    };
  }, [brews, standing]);
}
export type VesselsInUse = ReturnType<typeof useVesselsInUse>;
