import { handMoments, siteDate, type SiteWeek, type Zone } from '#core/time';
import { type EpochMs, epochMs } from '#core/units';

/** A batch that holds a vessel for a while: planned, or there already. */
export type Held = {
  readonly id: string;
  readonly vesselId: string;
  readonly name: string;
  readonly from: EpochMs;
  /** Until the vessel is free and washed. */
  readonly to: EpochMs;
};
/** A planned batch that is moved by hand. */
export type Movable = {
  readonly id: string;
  readonly vesselId: string;
  readonly start: EpochMs;
  readonly lift: EpochMs;
  /** Poured until then; null: for nobody. */
  readonly until: EpochMs | null;
};
export type Moved =
  | { readonly kind: 'moved'; readonly start: EpochMs; readonly lift: EpochMs }
  /** Another has the vessel then. */
  | { readonly kind: 'vesselTaken'; readonly by: Held }
  /** Nobody is there in the days to come. */
  | { readonly kind: 'nobodyThere' };

/** Hands are looked for so far on, and so often. */
const [DAYS, STEP_MINUTES] = [9, 30] as const;

function nearest(hands: readonly EpochMs[], wish: number): EpochMs | null {
  const [first, ...rest] = hands;
  if (first === undefined) return null;
  return epochMs(rest.reduce((a, b) => (Math.abs(b - wish) < Math.abs(a - wish) ? b : a), first));
}

/**
 * Where a planned batch comes to when it is dragged to `wish`: its leaf goes in at the nearest moment at which somebody
 * is there, and out as much later as before, at the nearest such moment again.
 */
export function movedTo(
  batch: Movable,
  wish: EpochMs,
  site: { readonly zone: Zone; readonly week: SiteWeek },
  held: readonly Held[],
  now: EpochMs,
): Moved {
  const hands = handMoments(site.zone, site.week, {
    now,
    from: siteDate(site.zone, now),
    days: DAYS,
    stepMinutes: STEP_MINUTES,
  }).map((h) => h.at);
  const start = nearest(hands, wish);
  if (start === null) return { kind: 'nobodyThere' };
  const lift = nearest(
    hands.filter((at) => at > start),
    start + (batch.lift - batch.start),
  );
  if (lift === null) return { kind: 'nobodyThere' };
  const until = Math.max(lift, batch.until ?? lift);
  const by = held.find(
    (h) => h.id !== batch.id && h.vesselId === batch.vesselId && h.from < until && start < h.to,
  );
  return by ? { kind: 'vesselTaken', by } : { kind: 'moved', start, lift };
}
