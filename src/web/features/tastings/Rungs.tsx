import { useMemo } from 'react';
import { tint } from '#core/colour';
import { scheduleFor, type Tasting } from '#core/tastings';
import type { OpenTasting } from '#contracts/tastings';
import type { VesselFields } from '#contracts/vessels';
import { useUnits } from '../../entities/people/session';
import { liquorOfCup } from './cups';
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
  const units = useUnits();
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
  const small = scaleOf(vessel, gap);
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
  const step = end > 420 ? 120 : 60;
  return (
    <div
      className="rung-field"
      tabIndex={0}
      role="group"
      aria-label="The cups"
      style={{ height: onClock ? 288 : 250 }}
    >
      {e.cups.map((c, i) => {
        const s = now.cups[i];
        const steeped = s && s.poured !== null ? ((s.pulled ?? t) - s.poured) / 1000 : 0;
        const off =
          s && s.poured !== null && s.pulled !== null ? Math.round(steeped - c.plan.seconds) : 0;
        const liquor =
          s && s.poured !== null
            ? liquorOfCup(of, { ...c.plan, grams: s.grams, water: s.water }, steeped)
            : null;
        return (
          <Rung
            key={i}
            i={i}
            s={s}
            places={places}
            codeOf={codeOf}
            next={next}
            steeped={steeped}
            off={off}
            onClock={onClock}
            c={c}
            e={e}
            units={units}
            liquor={liquor}
            gap={gap}
            vessel={vessel}
            small={small}
          />
        );
      })}
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
            <LiquorStrip strip={strip} x={x} end={end} step={step} />
            <Pours e={e} now={now} x={x} end={end} />
            <ClockHand since={since} end={end} x={x} />
          </>
        )}
      </svg>
    </div>
  );
}

/** How large vessels are drawn: smaller where they would touch. */
function scaleOf(vessel: VesselFields, gap: number) {
  if (vessel.kind === 'tasting' || vessel.kind === 'lidded') {
    if (gap >= NEAR) return 1.18;
    return 0.8;
  }
  if (gap >= NEAR) return 0.55;
  return 0.4;
}
