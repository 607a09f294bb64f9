import { type PointerEvent, useState } from 'react';
import { movedTo } from '#core/coldPlan';
import { weekdayAndTime } from '#core/time';
import { type EpochMs, epochMs } from '#core/units';
import { useChangeColdPlanMutation, useColdPlanQuery } from '../../entities/batches/api';
import type { LaneTime } from '../../entities/batches/Lane';
import { useCold } from '../../entities/batches/useCold';
import { useClock, useSession } from '../../entities/people/session';
import { failureOf } from '../../platform/api';
import { useAppDispatch } from '../../platform/store';
import { toastShown } from '../../platform/toasts';
import type { PlannedHere } from './usePlanned';

const HOUR_MS = 3_600_000;
/** A touch that moves less is no drag, px. */
const LEAST_PX = 5;

/** Keeps the plan with one batch moved by hand: it stays there when all else is planned again. */
function useMove(b: PlannedHere, now: EpochMs) {
  const { site } = useSession();
  const clock = useClock();
  const { data } = useColdPlanQuery();
  const { standing } = useCold();
  const [change] = useChangeColdPlanMutation();
  const dispatch = useAppDispatch();
  const say = (text: string) => void dispatch(toastShown({ text }));
  return async (wish: EpochMs): Promise<void> => {
    if (!data || !site.hours) return;
    const { demand, batches, places, rev } = data.plan;
    const held = [
      ...batches.map((p) => ({
        ...{ id: p.id, vesselId: p.vesselId, name: 'another planned batch' },
        from: epochMs(p.start),
        to: epochMs(p.until ?? p.lift),
      })),
      ...standing.map((s) => ({
        ...{ id: s.id, vesselId: s.vesselId, name: s.tea.name },
        from: epochMs(s.leafIn),
        // The plan counts on its vessel being empty when this one begins.
        to: epochMs(Math.min(s.kept.discardAt, b.start)),
      })),
    ];
    const batch = {
      ...{ id: b.id, vesselId: b.vesselId },
      start: epochMs(b.start),
      lift: epochMs(b.lift),
      until: b.until === null ? null : epochMs(b.until),
    };
    const moved = movedTo(batch, wish, { zone: clock.zone, week: site.hours }, held, now);
    if (moved.kind === 'nobodyThere') return say('Nobody is there in the next days.');
    if (moved.kind === 'vesselTaken')
      return say(
        `${b.vesselName}: ${moved.by.name} is in it until ${weekdayAndTime(clock, moved.by.to)}. Nothing was moved.`,
      );
    const { start, lift } = moved;
    const done = await change({
      ...{ demand, places, rev },
      batches: batches.map((p) => (p.id === b.id ? { ...p, start, lift, pinned: true } : p)),
    });
    say(
      done.error
        ? failureOf(done.error).message
        : `${b.vesselName}: leaf in ${weekdayAndTime(clock, start)}, lift ${weekdayAndTime(clock, lift)}. Plan again to fit the rest.`,
    );
  };
}

/** Dragging a planned batch along its hours: how far it is from its place, and the hands for it. */
export function useMovePlanned(b: PlannedHere, now: EpochMs, time: LaneTime) {
  const { role } = useSession();
  const move = useMove(b, now);
  const [drag, setDrag] = useState<{ readonly from: number; readonly by: number } | null>(null);
  if (role === 'trainee') return { by: 0, hands: {} };
  const hands = {
    onPointerDown: (e: PointerEvent<SVGElement>) => {
      e.currentTarget.setPointerCapture(e.pointerId);
      setDrag({ from: e.clientX, by: 0 });
    },
    onPointerMove: (e: PointerEvent<SVGElement>) =>
      setDrag((d) => d && { ...d, by: e.clientX - d.from }),
    onPointerCancel: () => setDrag(null),
    onPointerUp: (e: PointerEvent<SVGElement>) => {
      // From the event itself: the last move may not be drawn yet.
      const by = drag ? e.clientX - drag.from : 0;
      if (Math.abs(by) >= LEAST_PX) {
        const perPx = (time.hours * HOUR_MS) / time.width;
        void move(epochMs(b.start + by * perPx));
      }
      setDrag(null);
    },
  };
  return { by: drag?.by ?? 0, hands };
}
