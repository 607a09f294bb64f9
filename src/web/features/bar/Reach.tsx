import { useMemo } from 'react';
import { CUP, newCup, quickCup } from '#core/quick';
import { tasteWord } from '#core/taste';
import { type EpochMs, type Seconds, seconds } from '#core/units';
import { type BarBrew } from '../../entities/brews/barBrews';
import { steepedBy } from '../../entities/brews/liquor';
import { brewMade } from '../../entities/brews/made';
import { LevelMark } from '../../ui/LevelMark';

const cup = newCup();
/** Predicted strength of a brew, so many seconds on. */
function strengthAt(brew: BarBrew, time: Seconds): number {
  quickCup(brewMade(brew, time), cup);
  return cup[CUP.strength] as number;
}
const WIDTH = 186;
const [LEFT, RIGHT, LINE] = [30, 154, 13];
/** The line ends this far past the strength at latest. */
const BEYOND = 1.12;

/** Where the cup stands between thin and over, by the model: a quiet line, the window its bracket. */
export function Reach({ brew, now }: { brew: BarBrew; now: EpochMs }) {
  const { window } = brew.plan.recipe;
  const [from, to] = useMemo(
    () => [strengthAt(brew, window.earliest), strengthAt(brew, window.latest)],
    [brew, window],
  );
  const steeped = steepedBy(brew, now);
  if (steeped === null || !(to > 0)) return null;
  const strength = strengthAt(brew, seconds(Math.floor(steeped)));
  const x = (s: number) => LEFT + (RIGHT - LEFT) * Math.min(1, s / (to * BEYOND));
  return (
    <svg
      className="reach"
      width={WIDTH}
      height="18"
      viewBox={`0 0 ${WIDTH} 18`}
      role="img"
      aria-label={`The cup now: ${tasteWord('strength', strength)}`}
    >
      <path d={`M${LEFT} ${LINE}H${RIGHT}`} stroke="var(--line-2)" strokeWidth="1.5" />
      <path
        d={`M${x(from)} ${LINE - 1}v-5H${x(to)}v5`}
        fill="none"
        stroke="var(--accent)"
        strokeWidth="2"
      />
      <LevelMark x={x(strength)} y={LINE - 0.5} size={10} />
      <text x="0" y={LINE + 3} fontSize="12" fill="var(--ink-2)">
        thin
      </text>
      <text x={WIDTH} y={LINE + 3} fontSize="12" textAnchor="end" fill="var(--ink-2)">
        over
      </text>
    </svg>
  );
}
