import { useMemo } from 'react';
import { type Liquor, tint } from '#core/colour';
import type { Window } from '#core/recipes';
import { minutesText, type Seconds, seconds } from '#core/units';
import { LevelMark } from '../../ui/LevelMark';
import { ticksTo } from '../../ui/ticks';

const STRIPS = 48;
const NARROW = 300;
type Props = {
  window: Window;
  width: number;
  height?: number;
  liquorAfter: (s: Seconds) => Liquor;
  now?: Seconds;
};

/** Time as a rule: the liquor at each moment, the window as a bracket, past latest hatched, the mark at best. */
export function SteepRule({ window: w, width, height = 20, liquorAfter, now }: Props) {
  const end = Math.ceil((w.latest * 1.3) / 30) * 30;
  const top = 34;
  const x = (t: number) => (t / end) * (width - 2) + 1;
  const colours = useMemo(
    () =>
      Array.from({ length: STRIPS }, (_, i) =>
        tint(liquorAfter(seconds(((i + 0.5) / STRIPS) * end))),
      ),
    [liquorAfter, end],
  );
  const step = tickEvery(end);
  const ticks = ticksTo(end, step);
  const big = (t: number) => t % (end <= 60 ? 30 : 60) === 0;
  // A narrow rule has room for the figures only, and for every other of its ticks' names.
  const narrow = width < NARROW;
  const named = ticks.filter(big).filter((t, i) => !narrow || (i % 2 === 0 && end - t > step));
  const tight = x(w.best) - x(w.earliest) < 100 || x(w.latest) - x(w.best) < 100;
  return (
    <svg
      width={width}
      height={top + height + 26}
      viewBox={`0 0 ${width} ${top + height + 26}`}
      style={{ maxWidth: '100%', height: 'auto' }}
      role="img"
      aria-label={`Steep: earliest ${minutesText(w.earliest)}, best ${minutesText(w.best)}, latest ${minutesText(w.latest)}`}
    >
      {colours.map((c, i) => (
        <rect
          key={i}
          x={x((i / STRIPS) * end)}
          y={top}
          width={width / STRIPS + 0.8}
          height={height}
          fill={c}
        />
      ))}
      <rect
        x="1"
        y={top}
        width={width - 2}
        height={height}
        fill="none"
        stroke="var(--ink)"
        strokeWidth="1.5"
      />
      <rect
        x={x(w.latest)}
        y={top - 9}
        width={x(end) - x(w.latest)}
        height="7"
        fill="url(#hatch)"
      />
      <path
        d={`M${x(w.earliest)} ${top - 1}v-9H${x(w.latest)}v9`}
        fill="none"
        stroke="var(--accent)"
        strokeWidth="3"
      />
      <LevelMark x={x(w.best)} y={top - 0.5} size={13} />
      {now !== undefined && (
        <path
          d={`M${x(Math.min(now, end))} ${top - 4}v${height + 8}`}
          stroke="var(--ink)"
          strokeWidth="2"
        />
      )}
      {ticks.map((t) => (
        <path
          key={t}
          d={`M${x(t)} ${top + height}v${big(t) ? 8 : 5}`}
          stroke="var(--ink)"
          strokeWidth={big(t) ? 1.5 : 1}
        />
      ))}
      {named.map((t) => (
        <text
          key={t}
          x={x(t)}
          y={top + height + 21}
          textAnchor={anchorOf(t, end)}
          fontSize="13"
          fill="var(--ink-2)"
        >
          {minutesText(t)}
        </text>
      ))}
      {(
        [
          [w.earliest, 'earliest', 'end', tight ? -2 : 60],
          [w.best, 'best', 'middle', 0],
          [w.latest, 'latest', 'start', tight ? 2 : -60],
        ] as const
      ).map(([t, word, anchor, shift]) => {
        const wide = x(w.latest) - x(w.earliest) > 90;
        const at = placeOf({ word, wide, x, w, narrow, t, shift });
        return (
          <text key={word} x={at} y={top - 15} textAnchor={anchor} fontSize="14" fill="var(--ink)">
            <tspan fontWeight="700">{minutesText(t)}</tspan>
            {narrow ? '' : ` ${word}`}
          </text>
        );
      })}
    </svg>
  );
}

/** Seconds from one tick to the next, so that they can be read. */
function tickEvery(end: number) {
  if (end <= 60) return 10;
  if (end <= 300) return 30;
  return 60;
}

/** On which side of its tick a time is written. */
function anchorOf(t: number, end: number) {
  if (t === 0) return 'start';
  if (t >= end) return 'end';
  return 'middle';
}

/** Where a word of the window stands: aside where there is no room, on its tick where the rule is narrow. */
function placeOf({
  word,
  wide,
  x,
  w,
  narrow,
  t,
  shift,
}: {
  word: 'earliest' | 'best' | 'latest';
  wide: boolean;
  x: (t: number) => number;
  w: Window;
  narrow: boolean;
  t: Seconds;
  shift: 0 | 2 | -2 | 60 | -60;
}) {
  if (word === 'earliest' && !wide) return x(w.best) - (narrow ? 22 : 44);
  if (word === 'latest' && !wide) return x(w.best) + (narrow ? 22 : 44);
  if (narrow && word !== 'best') return x(t);
  return x(t) + shift;
}
