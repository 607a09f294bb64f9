import { useMemo } from 'react';
import { type ColouredBrew, colourOfBrew, tint } from '#core/colour';
import { CUP, newCup, quickCup } from '#core/quick';
import { BITE_BEGINS, BITE_INTENSE } from '#core/taste';
import { minutesText, seconds } from '#core/units';
import { type At, Curve, Drawn, Level, type Look, Plot } from '../../ui/chart/Plot';
import { ticksTo } from '../../ui/ticks';
import { COURSE_HEIGHT, COURSE_WIDTH } from './courseSize';

type Props = { brew: ColouredBrew; house: number; window: readonly [number, number]; end: number };
const POINTS = 72;
const STRIPS = 40;
/** Room for the names at the right, and for the liquor under the curves. */
const MARGIN = { top: 20, right: 166, bottom: 46, left: 0 };
const MOST = 8;
/** Names at the ends of curves stand at least so far apart, px. */
const NAME_GAP = 17;
/** Two moments nearer than this are named once, px. */
const ONE_MOMENT = 4;

const CURVES: readonly { name: string; place: number; look: Look; weight: number }[] = [
  { name: 'strength', place: CUP.strength, look: 'strong', weight: 700 },
  { name: 'drying', place: CUP.astringency, look: 'dashed', weight: 500 },
  { name: 'bitter', place: CUP.bitterness, look: 'dotted', weight: 500 },
  { name: 'sweet', place: CUP.sweetness, look: 'thin', weight: 500 },
];

/** The whole time course: four indices by weight and dash, the liquor's colour as the axis. */
export function Course({ brew, house, window: [earliest, latest], end }: Props) {
  const curves = useMemo(() => coursesOf(brew, end), [brew, end]);
  return (
    <Plot
      width={COURSE_WIDTH}
      height={COURSE_HEIGHT}
      margin={MARGIN}
      x={[0, end]}
      y={[0, MOST]}
      label={`Course of the steep: strength, drying, bitter and sweet, 0 to 10, over ${minutesText(end)}. Now ${minutesText(brew.time)}, house ${minutesText(house)}.`}
      className="course"
    >
      <Level y={BITE_BEGINS} look="hint" />
      <Level y={BITE_INTENSE} look="hint" />
      <Level x={house} look="house" />
      <Level x={brew.time} look="moment" />
      {CURVES.map((c, i) => (
        <Curve key={c.name} points={curves[i] ?? []} look={c.look} />
      ))}
      <Names ends={curves.map((points) => points.at(-1))} />
      <Moments house={house} now={brew.time} />
      <LiquorAxis brew={brew} end={end} earliest={earliest} latest={latest} />
    </Plot>
  );
}
function coursesOf(brew: ColouredBrew, end: number): At[][] {
  const out = newCup();
  const courses: At[][] = CURVES.map(() => []);
  for (let i = 0; i <= POINTS; i += 1) {
    const t = (end * i) / POINTS;
    quickCup({ ...brew, time: seconds(t) }, out);
    CURVES.forEach((c, k) => courses[k]?.push({ x: t, y: out[c.place] ?? 0 }));
  }
  return courses;
}

/** Each curve's name at its end, none over another; what bite means at its two levels. */
function Names({ ends }: { ends: readonly (At | undefined)[] }) {
  return (
    <Drawn>
      {({ x, y }) => {
        const names = CURVES.map((c, i) => ({ ...c, at: y(ends[i]?.y ?? 0) }));
        names.sort((a, b) => a.at - b.at);
        names.forEach((n, i) => {
          const above = names[i - 1];
          if (above) n.at = Math.max(n.at, above.at + NAME_GAP);
        });
        const right = x(ends[0]?.x ?? 0);
        return (
          <>
            {names.map((n) => (
              <text
                key={n.name}
                x={right + 8}
                y={n.at + 5}
                fontSize="15"
                fontWeight={n.weight}
                fill="var(--ink)"
              >
                {n.name}
              </text>
            ))}
            {(
              [
                [BITE_INTENSE, 'intense'],
                [BITE_BEGINS, 'a hint of bite'],
              ] as const
            ).map(([level, words]) => (
              <text
                key={words}
                x={COURSE_WIDTH}
                y={y(level) - 5}
                fontSize="13"
                textAnchor="end"
                fill="var(--ink-2)"
              >
                {words}
              </text>
            ))}
          </>
        );
      }}
    </Drawn>
  );
}

/** The time tried and the house's, each on its own side of its line. */
function Moments({ house, now }: { house: number; now: number }) {
  const after = house < now;
  return (
    <Drawn>
      {({ x }) => (
        <>
          {Math.abs(x(house) - x(now)) > ONE_MOMENT && (
            <text
              className="at"
              x={x(house) + (after ? -6 : 6)}
              y="14"
              fontSize="14"
              textAnchor={after ? 'end' : 'start'}
              fill="var(--ink-2)"
            >
              house {minutesText(house)}
            </text>
          )}
          <text
            className="at"
            x={x(now) + (after ? 6 : -6)}
            y="14"
            fontSize="15"
            fontWeight="700"
            textAnchor={after ? 'start' : 'end'}
            fill="var(--ink)"
          >
            {minutesText(now)}
          </text>
        </>
      )}
    </Drawn>
  );
}

/** The axis is the liquor as it deepens; under it the recipe's window, and the minutes. */
function LiquorAxis({
  brew,
  end,
  earliest,
  latest,
}: {
  brew: ColouredBrew;
  end: number;
  earliest: number;
  latest: number;
}) {
  const strip = useMemo(
    () =>
      Array.from({ length: STRIPS }, (_, i) =>
        tint(colourOfBrew(brew, seconds((end * (i + 0.5)) / STRIPS))),
      ),
    [brew, end],
  );
  const step = end > 600 ? 120 : 60;
  return (
    <Drawn>
      {({ x, y }) => {
        const base = y(0) + 2;
        return (
          <>
            {strip.map((colour, i) => (
              <rect
                key={i}
                x={x((end * i) / STRIPS)}
                y={base}
                width={x(end / STRIPS) - x(0) + 0.6}
                height="13"
                fill={colour}
              />
            ))}
            <rect
              x={x(0) + 0.5}
              y={base + 0.5}
              width={x(end) - x(0) - 1}
              height="13"
              fill="none"
              stroke="var(--ink)"
              strokeWidth="1.3"
            />
            <path
              d={`M${x(earliest)} ${base + 17}v4H${x(latest)}v-4`}
              fill="none"
              stroke="var(--accent)"
              strokeWidth="3"
            />
            {ticksTo(end, step).map((t) => (
              <text
                key={t}
                x={x(t)}
                y={base + 38}
                fontSize="13"
                textAnchor={t === 0 ? 'start' : 'middle'}
                fill="var(--ink-2)"
              >
                {minutesText(t)}
              </text>
            ))}
          </>
        );
      }}
    </Drawn>
  );
}
