import { type BatchAct } from '#core/cold';
import { countQuantile, type Random, seeded } from '#core/numeric';
import { millilitres } from '#core/units';
import { DAY, SEED } from './making';

/** What happened to a batch, hours after its leaf went in; what ended is `done` before now. */
export type Told = {
  readonly tea: string;
  readonly method: 'fridge' | 'extract';
  readonly vessel: string;
  /** Hours before now at which the leaf went in; of one in its window: so much of its best time ago. */
  readonly ago: { readonly hours: number } | { readonly shareOfBest: number };
  readonly acts: readonly {
    readonly after: number | 'best';
    readonly what: BatchAct;
  }[];
  /** Started on a second tablet too: the double of the batch before, found so many hours on. */
  readonly isDouble?: number;
};
export const lift = (ml: number | null = null): BatchAct => ({
  kind: 'lift',
  yield: ml === null ? null : millilitres(ml),
  squeezed: false,
});
export const pour = (glasses: number, ml = 220): BatchAct => ({
  kind: 'pour',
  ml: millilitres(glasses * ml),
  glasses,
});

const HOUR = 3_600_000;
/** Leaf in at 21:30, poured at noon and in the afternoon of the day after, what is left thrown out that night. */
const [LEAF_IN_HOUR, NOON, AFTERNOON, NIGHT] = [21.5, 15, 18.5, 24];
/** Days before now that have such a batch. */
const [FIRST_DAY, LAST_DAY] = [17, 5];
/** That evening the jar was started on two tablets without a network, two minutes apart; mended soon. */
const DOUBLE = { day: 8, vessel: 'Cold jar', after: 2 / 60, found: 0.2 } as const;
const GLASSES = 4;
const YIELD = 940;
const DAILY = [
  { tea: 'Sennet Hollow', vessel: 'Cold pitcher', noon: 1.4, afternoon: 1.6 },
  { tea: 'Marrowick Broken', vessel: 'Cold jar', noon: 0.9, afternoon: 1.3 },
] as const;

/** Glasses of two services by chance, as many as there are. */
function poured(random: Random, noon: number, afternoon: number): [number, number] {
  const first = Math.min(GLASSES, countQuantile(noon, noon, random()));
  return [first, Math.min(GLASSES - first, countQuantile(afternoon, afternoon, random()))];
}
/** Batches of the fortnight before, one of each tea a day. */
export function pastBatches(now: number): Told[] {
  const random = seeded(SEED + 1);
  const midnight = Math.floor(now / DAY) * DAY;
  return Array.from({ length: FIRST_DAY - LAST_DAY + 1 }, (_, i) => FIRST_DAY - i).flatMap((day) =>
    DAILY.flatMap(({ tea, vessel, noon, afternoon }): Told[] => {
      const leafIn = midnight - day * DAY + LEAF_IN_HOUR * HOUR;
      const [first, second] = poured(random, noon, afternoon);
      const left = YIELD - (first + second) * 220;
      const started = { tea, vessel, method: 'fridge' } as const;
      const hours = (now - leafIn) / HOUR;
      const isTwice = day === DOUBLE.day && vessel === DOUBLE.vessel;
      const batch: Told = {
        ...{ ...started, ago: { hours } },
        acts: [
          { after: 'best', what: lift(YIELD) },
          ...(first > 0 ? [{ after: NOON, what: pour(first) }] : []),
          ...(second > 0 ? [{ after: AFTERNOON, what: pour(second) }] : []),
          { after: NIGHT, what: { kind: 'discard', ml: millilitres(left), reason: 'left' } },
        ],
      };
      const double: Told = {
        ...{ ...started, ago: { hours: hours - DOUBLE.after }, acts: [] },
        isDouble: DOUBLE.found,
      };
      return isTwice ? [batch, double] : [batch];
    }),
  );
}
