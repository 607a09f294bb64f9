import type { EpochMs } from '#core/units';
import { FRIDGE_C } from './fridge';

/** Why a reading of a probe is not believed: no fridge reads so, or it has not moved for half a day. */
export const PROBE_DOUBTS = ['absurd', 'stuck'] as const;
export type ProbeDoubt = (typeof PROBE_DOUBTS)[number];

/** Half a day of the same value: air in a fridge that is used moves by more than a probe's last digit. From memory. */
const STUCK_MS = 12 * 3_600_000;

/** What a probe has sent so far. */
export type ProbeTrail = {
  /** The value it sent last, C; null: nothing yet. */
  readonly value: number | null;
  /** Since when it has sent no other. */
  readonly since: EpochMs | null;
};

/** Whether a reading is believed, and the trail with it: an absurd one leaves the trail as it was. */
export function readProbe(
  trail: ProbeTrail,
  celsius: number,
  at: EpochMs,
): { readonly doubt: ProbeDoubt | null; readonly trail: ProbeTrail } {
  if (celsius < FRIDGE_C.coldest || celsius > FRIDGE_C.warmest) return { doubt: 'absurd', trail };
  const since = trail.value === celsius && trail.since !== null ? trail.since : at;
  return {
    doubt: at - since >= STUCK_MS ? 'stuck' : null,
    trail: { value: celsius, since },
  };
}
