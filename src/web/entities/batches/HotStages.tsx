import { useEffect } from 'react';
import { clockTime } from '#core/time';
import { grams, minutesText } from '#core/units';
import { useNow } from '../../platform/clock';
import { oneTap, useKeys } from '../../ui/keys';
import { useClock, useUnits } from '../people/session';
import { useVesselsQuery } from '../vessels/api';
import { VesselDrawing } from '../vessels/VesselDrawing';
import { coldWaterWords, hotMoments } from './hotStage';
import { liquorOfBatch } from './liquor';
import type { ColdBatch } from './standing';
import { useAct } from './useAct';
import { useCold } from './useCold';

const DRAWN_EVERY_MS = 500;
/** px per mm of a vessel that stands in the strip. */
const SCALE = 0.42;

/** A batch that was forgotten: more than an hour and a half is as late as can be, s. */
const LONGEST_SHOWN_S = 99 * 60;

/** On the bar: what of warm-then-cold stands under hot water, how long still, and what goes on then. */
export function HotStages({
  locked,
  onCount,
}: {
  locked: boolean;
  /** How many there are: the shelves leave them room. */
  onCount: (count: number) => void;
}) {
  const { standing } = useCold();
  const hot = standing.filter((b) => hotMoments(b) !== null);
  useEffect(() => {
    onCount(hot.length);
    return () => onCount(0);
  }, [hot.length, onCount]);
  if (hot.length === 0) return null;
  return (
    <section className="hot-stages" aria-label="Hot stage of cold tea">
      {hot.map((b, i) => (
        <HotStrip key={b.id} batch={b} locked={locked} isFirst={i === 0} />
      ))}
    </section>
  );
}

const LOOKS = { steeping: '', window: 'go', late: 'late' };
/** The word over the time, and the time: to the cold water, or since it was due. */
function plateOf(
  moments: { best: number; latest: number },
  now: number,
): { name: keyof typeof LOOKS; over: string; figure: string } {
  const left = (moments.best - now) / 1000;
  if (left > 0) return { name: 'steeping', over: 'Cold water in', figure: minutesText(left) };
  const name = now < moments.latest ? 'window' : 'late';
  const over = name === 'late' ? 'Late by' : 'Cold water';
  return { name, over, figure: minutesText(Math.min(-left, LONGEST_SHOWN_S)) };
}

function HotStrip({
  batch,
  locked,
  isFirst,
}: {
  batch: ColdBatch;
  locked: boolean;
  isFirst: boolean;
}) {
  const now = useNow(DRAWN_EVERY_MS);
  const units = useUnits();
  const clock = useClock();
  const { act, refusal } = useAct(batch, now);
  const { data } = useVesselsQuery();
  const vessel = data?.vessels.find((v) => v.id === batch.vesselId);
  const moments = hotMoments(batch) ?? { best: now, latest: now };
  const { name, over, figure } = plateOf(moments, now);
  const { pour, then } = coldWaterWords(batch, units);
  const pourNow = () => {
    if (!locked) act({ kind: 'coldOn' }, 'cold water on.');
  };
  useKeys(isFirst && !locked ? [{ key: 'p', does: 'Cold water on', run: pourNow }] : []);
  return (
    <div className={`hot-stage ${name}`}>
      {vessel && (
        <VesselDrawing
          vessel={vessel}
          scale={SCALE}
          fill={batch.plan.hotFirst?.water}
          liquor={liquorOfBatch(batch)}
          leaf={grams(batch.plan.leaf)}
          bowl={false}
          label=""
        />
      )}
      <div className="plate" role="timer" aria-label={`${batch.tea.name}: ${over} ${figure}`}>
        <span>{over}</span>
        <b>
          {name === 'late' && <i>+</i>}
          {figure}
        </b>
      </div>
      <p className="words">
        <span className="tea">{batch.tea.name}</span>, {batch.vesselName}: leave the lid off. Then
        pour {pour}.
        <span className="then">
          The tea is then at about {then}: lift the leaf from{' '}
          {clockTime(clock, batch.window.earliest)} to {clockTime(clock, batch.window.latest)}.
        </span>
        {refusal !== null && (
          <span className="fault" role="alert">
            {refusal}
          </span>
        )}
      </p>
      {locked ? (
        <p className="small">Type a PIN to pour</p>
      ) : (
        <button type="button" className={`btn ${LOOKS[name]}`} onClick={oneTap(pourNow)}>
          Cold water on {isFirst && <kbd>P</kbd>}
        </button>
      )}
    </div>
  );
}
