import type { Dispatch } from 'react';
import {
  cupsOfShift,
  DRILLS,
  SHIFT_S,
  type ShiftCup,
  type ShiftGiven,
  type ShiftStand,
} from '#core/training';
import { minutesText, seconds } from '#core/units';
import { useBarLayout } from '../../../entities/brews/useBarLayout';
import { useGo } from '../../../platform/useGo';
import { useKeys } from '../../../ui/keys';
import { DrillHead } from '../DrillHead';
import type { Place } from '../Sitting';
import { handAt, type Shift, type ShiftAction, standOf, waitingOrders } from './model';
import { ShiftShelves } from './ShiftShelves';
import {
  handsWords,
  handWords,
  mishapNow,
  momentWords,
  REFUSAL_WORDS,
  vesselStatus,
} from './words';

/** Sentence and orders over the shelves, and the foot under them, px. */
const TAKEN = 90;

/** The bar of a shift: what waits, the vessels, the clock. */
export function RunningShift({
  given,
  shift,
  place,
  dispatch,
}: {
  given: ShiftGiven;
  shift: Extract<Shift, { now: number }>;
  place: Place;
  dispatch: Dispatch<ShiftAction>;
}) {
  const go = useGo();
  const { now, isStepped, isPaused, acts, picked, refused } = shift;
  const stand = standOf(given, shift);
  const cups = cupsOfShift(given);
  const layout = useBarLayout(cups.length, TAKEN);
  const goOn = () =>
    dispatch(isStepped ? { kind: 'nextMoment' } : { kind: 'pause', isPaused: !isPaused });
  useKeys([
    ...cups.map((cup, i) => ({
      key: String(i + 1),
      does: `Pick ${cup.vessel}`,
      run: () => dispatch({ kind: 'pick', cup: i }),
    })),
    {
      key: ' ',
      does: 'Next step at the picked vessel',
      run: () => dispatch({ kind: 'hand', cup: picked }),
    },
    {
      key: 'Enter',
      does: isStepped ? 'Next moment' : 'Stop the clock, or start the clock again',
      run: goOn,
    },
    { key: 'Escape', does: 'Leave: the shift comes again', run: () => go('/school') },
  ]);
  const mishap = mishapNow(given, stand, cups, now);
  const said = refused === null ? mishap : REFUSAL_WORDS[refused];
  return (
    <main className="page shift">
      <DrillHead
        title={DRILLS.shift.name}
        words={`${place.at} of ${place.of}, level ${given.level}`}
      />
      <div className="shift-orders">
        <p>
          <b>{waitingWords(given, stand, cups, now)}</b>
        </p>
        {isStepped && (
          <p className="visually-hidden" role="status">
            {momentWords(stand, cups, now)}
          </p>
        )}
        <p role="status" className={said ? 'text-[var(--warn)] font-semibold' : ''}>
          {said}
        </p>
      </div>
      <ShiftShelves
        {...{ stand, cups, layout, now, picked }}
        onHand={(cup) => dispatch({ kind: 'hand', cup })}
      />
      <div className="shift-foot">
        <p>
          <b>{minutesText(seconds(Math.floor(now)))}</b> of {minutesText(SHIFT_S)}.{' '}
          {handsWords(stand, acts.at(-1), now)}
        </p>
        <p className="small picked-words">
          <kbd>Space</kbd> {pickedWords(stand, cups[picked], picked, now)}
        </p>
        <span className="gap" />
        <button type="button" className="btn" onClick={goOn}>
          {goOnWords(isStepped, isPaused)} <kbd>Enter</kbd>
        </button>
      </div>
    </main>
  );
}
function goOnWords(isStepped: boolean, isPaused: boolean): string {
  if (isStepped) return 'Next moment';
  return isPaused ? 'Start the clock' : 'Stop the clock';
}
/** What Space does: the next step at the picked vessel. */
function pickedWords(
  stand: ShiftStand,
  cup: ShiftCup | undefined,
  picked: number,
  now: number,
): string {
  const next = handAt(stand, picked);
  if (!cup) return '';
  if (!next) return `${cup.vessel}: nothing to do`;
  const status = vesselStatus(cup, stand.orders[next.order] ?? null, now);
  return `${cup.vessel}: ${handWords(next.hand, status)}`;
}
/** What waits to be poured, the oldest order first. */
function waitingWords(
  given: ShiftGiven,
  stand: ShiftStand,
  cups: readonly ShiftCup[],
  now: number,
): string {
  const waiting = waitingOrders(stand).map(({ order, stand: o }) => {
    const cup = cups[o.cup];
    const waits = minutesText(seconds(Math.floor(now - o.orderedS)));
    return `${order + 1} ${cup?.tea ?? ''}, ${cup?.vessel ?? ''}, ${waits}`;
  });
  const left = given.orders.length - stand.orders.length;
  if (waiting.length === 0)
    return left > 0 ? 'No order waits.' : 'No order waits. No more orders come.';
  return `Orders that wait: ${waiting.join(' · ')}`;
}
