import { useMemo } from 'react';
import { tint } from '#core/colour';
import { scheduleFor, type Tasting } from '#core/tastings';
import { liquorOfCup } from '#core/tastings';
import type { OpenTasting } from '#contracts/tastings';
import { ClockHand, LiquorStrip, Pours } from './rungs/OneClock';
import { apart, LEFT, LINE, NEAR, RIGHT, STRIPS, WIDTH } from './rungs/places';
import { Rung } from './rungs/Rung';

/** The cups of a table: on the time axis at their pours where one clock runs, else side by side. */
export function Rungs({
  view,
  now,
  t,
  next,
  codeOf,
}: {
  view: OpenTasting;
  now: Tasting;
  t: number;
  next: number | null;
  codeOf: (cup: number) => string;
}) {
  const { exercise: e, vessel } = view;
  const of = useMemo(
    () => ({ tea: view.tea, recipe: view.version.recipe, vessel }),
    [view.tea, view.version.recipe, vessel],
  );
  const schedule = scheduleFor(e);
  const onClock = schedule.kind === 'oneClock';
  const end = Math.max(60, ...e.cups.map((c) => c.plan.seconds)) * 1.1;
  const x = (s: number) => LEFT + (s / end) * (WIDTH - LEFT - RIGHT);
  const places = apart(
    e.cups.map((c, i) =>
      onClock ? x(c.plan.seconds) : LEFT + ((i + 0.5) / e.cups.length) * (WIDTH - LEFT - RIGHT),
    ),
  );
  const sorted = [...places].sort((a, b) => a - b);
  const gap = Math.min(...sorted.slice(1).map((p, i) => p - (sorted[i] ?? 0)), WIDTH);
  const strip = useMemo(
    () =>
      e.cups[0]
        ? Array.from({ length: STRIPS }, (_, i) =>
            tint(
              liquorOfCup(
                of,
                e.cups[0]?.plan ?? { grams: 1, water: 100, celsius: 90, seconds: 60 },
                (end * (i + 0.5)) / STRIPS,
              ),
            ),
          )
        : [],
    [of, e.cups, end],
  );
  const since = now.started === null ? null : (t - now.started) / 1000;
  return (
    <div
      className="rung-field"
      tabIndex={0}
      role="group"
      aria-label="The cups"
      style={{ height: onClock ? 288 : 250 }}
    >
      {e.cups.map((_, cup) => (
        <Rung
          key={cup}
          view={view}
          cup={cup}
          state={now.cups[cup]}
          t={t}
          code={codeOf(cup)}
          isNext={next === cup}
          place={places[cup] ?? 0}
          isNear={gap < NEAR}
        />
      ))}
      <svg
        width={WIDTH}
        height={onClock ? 96 : 8}
        viewBox={`0 0 ${WIDTH} ${onClock ? 96 : 8}`}
        style={{ position: 'absolute', left: 0, top: LINE }}
        aria-hidden="true"
      >
        <path d={`M0 1.5H${WIDTH}`} stroke="var(--ink)" strokeWidth="3" />
        {onClock && (
          <>
            <LiquorStrip strip={strip} x={x} end={end} />
            <Pours e={e} now={now} x={x} end={end} />
            <ClockHand since={since} end={end} x={x} />
          </>
        )}
      </svg>
    </div>
  );
}
