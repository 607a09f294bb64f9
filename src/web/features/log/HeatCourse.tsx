import { plannedHeatAt } from '#core/brews';
import {
  type Celsius,
  celsius,
  degrees,
  minutesText,
  readingText,
  seconds,
  secondsBetween,
} from '#core/units';
import type { Brew } from '#contracts/brews';
import { useUnits } from '../../entities/people/session';
import { YTicks } from '../../ui/chart/Axes';
import { type At, Curve, Drawn, Level, Plot } from '../../ui/chart/Plot';
import { AXIS_WIDTH, marksOf, onOf, spanOf } from './timeLineMarks';

const HEIGHT = 150;

/** What a thermometer should have shown so long after the water went on; null before. */
export function plannedHeat(brew: Brew, s: number): Celsius | null {
  if (s < 0) return null;
  return plannedHeatAt(brew.plan, brew.tea.style, seconds(s));
}

/** Planned heat dashed, readings as open circles joined: on the same axis of time as what was done. */
export function HeatCourse({ brew }: { brew: Brew }) {
  const units = useUnits();
  const on = onOf(brew);
  if (on === null || brew.readings.length === 0) return null;
  const { x: place, first, last } = spanOf(brew, marksOf(brew, units).real);
  const readings: At[] = brew.readings
    .map((r) => ({ x: secondsBetween(on, r.at), y: r.celsius as number }))
    .filter((r) => r.x <= last)
    .sort((a, b) => a.x - b.x);
  const planned: At[] = Array.from({ length: 41 }, (_, i) => (i / 40) * last).flatMap((s) => {
    const t = plannedHeat(brew, s);
    return t === null ? [] : [{ x: s, y: t }];
  });
  const all = [...readings, ...planned].map((p) => p.y);
  const high = Math.ceil((Math.max(...all) + 2) / 10) * 10;
  const low = Math.floor((Math.min(...all) - 2) / 10) * 10;
  const tens = Array.from({ length: (high - low) / 10 + 1 }, (_, i) => low + i * 10);
  const words = readings.map(
    (r) => `${readingText(celsius(r.y), units.temperature)} after ${minutesText(r.x)}`,
  );
  return (
    <Plot
      width={AXIS_WIDTH}
      height={HEIGHT}
      margin={{ top: 16, bottom: 14, left: place(first), right: AXIS_WIDTH - place(last) }}
      x={[first, last]}
      y={[low, high]}
      label={`Heat: ${words.join(', ')}`}
      className="heat-course"
    >
      {tens.map((t) => (
        <Level key={t} y={t} look="fine" />
      ))}
      <YTicks ticks={tens} text={(t) => `${degrees(celsius(t), units.temperature)}°`} at={first} />
      <Curve points={planned} look="band" />
      <Curve points={readings} look="now" />
      <Drawn>
        {({ x, y }) => (
          <>
            {readings.map((r) => (
              <circle
                key={r.x}
                cx={x(r.x)}
                cy={y(r.y)}
                r="5.5"
                fill="var(--ground)"
                stroke="var(--ink)"
                strokeWidth="2"
              />
            ))}
            <text
              x={x(last) + 8}
              y={y(planned.at(-1)?.y ?? low) + 4}
              fontSize="14"
              fill="var(--ink-2)"
            >
              planned
            </text>
          </>
        )}
      </Drawn>
    </Plot>
  );
}
