import { useState } from 'react';
import { type BatchAct, refusalWords, refuseAct } from '#core/cold';
import { weekdayAndTime } from '#core/time';
import { type EpochMs, epochMs, volumeText } from '#core/units';
import { useClock, useSession, useUnits } from '../people/session';
import type { ColdBatch } from './standing';
import { useBatchCommands } from './useBatchCommands';

/** Does an act to the batch, or says why it cannot be done. */
export function useAct(batch: ColdBatch, now: EpochMs) {
  const commands = useBatchCommands();
  const { role } = useSession();
  const units = useUnits();
  const [refusal, setRefusal] = useState<string | null>(null);
  const clock = useClock();
  const refusalOf = (act: BatchAct): string | null => {
    const found = refuseAct({ ...batch, ...batch.now, leafIn: epochMs(batch.leafIn) }, act, {
      at: now,
      now,
      discardAt: batch.kept.discardAt,
      because: batch.kept.because,
      isLead: role === 'lead',
    });
    return (
      found &&
      refusalWords(found, {
        time: (at) => weekdayAndTime(clock, at),
        volume: (ml) => volumeText(ml, units.volume),
      })
    );
  };
  /** True when it was done. */
  const act = (done: BatchAct, said: string): boolean => {
    const why = refusalOf(done);
    setRefusal(why);
    if (why === null) commands.act(batch, done, `${batch.tea.name}: ${said}`);
    return why === null;
  };
  return { act, refusal, refusalOf };
}
export type Doing = ReturnType<typeof useAct>;
