import { useMemo } from 'react';
import { Line, LineChart, ReferenceLine, XAxis, YAxis } from 'recharts';
import { type ColouredBrew, colourOfBrew, tint } from '#core/colour';
import { CUP, newCup, quickCup } from '#core/quick';
import { BITE_BEGINS, BITE_INTENSE } from '#core/taste';
import { minutesText, seconds } from '#core/units';

type Props = { brew: ColouredBrew; house: number; window: readonly [number, number]; end: number };
const POINTS = 72;
const STRIPS = 40;
const HEIGHT = 214;
const WIDTH = 820;
const TOP = 20;
/** Room for the names at the right. */
const RIGHT = 166;
const CURVES = [
  {
    key: 'strength',
    name: 'strength',
    place: CUP.strength,
    width: 3,
    dash: undefined,
    weight: 700,
  },
  {
    key: 'astringency',
    name: 'drying',
    place: CUP.astringency,
    width: 2.4,
    dash: '9 4',
    weight: 500,
  },
  {
    key: 'bitterness',
    name: 'bitter',
    place: CUP.bitterness,
    width: 2.4,
    dash: '2 3',
    weight: 500,
  },
  {
    key: 'sweetness',
    name: 'sweet',
    place: CUP.sweetness,
    width: 1.3,
    dash: undefined,
    weight: 500,
  },
] as const;
const MOST = 8;

/** The whole time course: four indices by weight and dash, the liquor's colour as the axis. */
export function Course({ brew, house, window: w, end }: Props) {
  const data = useMemo(() => {
    const out = newCup();
    return Array.from({ length: POINTS + 1 }, (_, i) => {
      const t = (end * i) / POINTS;
      quickCup({ ...brew, time: seconds(t) }, out);
      return { t, ...Object.fromEntries(CURVES.map((c) => [c.key, out[c.place] as number])) } as {
        t: number;
      } & Record<(typeof CURVES)[number]['key'], number>;
    });
  }, [brew, end]);
  const strip = useMemo(
    () =>
      Array.from({ length: STRIPS }, (_, i) =>
        tint(colourOfBrew(brew, seconds((end * (i + 0.5)) / STRIPS))),
      ),
    [brew, end],
  );
  const plot = WIDTH - RIGHT;
  const y = (v: number) => TOP + (1 - v / MOST) * (HEIGHT - TOP - 2);
  const x = (t: number) => (t / end) * plot;
  // Names stand at the ends of their curves, at least 17 px apart.
  const names = CURVES.map((c) => ({ ...c, at: y(data[POINTS]?.[c.key] ?? 0) })).sort(
    (a, b) => a.at - b.at,
  );
  names.forEach((n, i) => {
    const above = names[i - 1];
    if (above && n.at < above.at + 17) n.at = above.at + 17;
  });
  const step = end > 600 ? 120 : 60;
  return (
    <div
      className="course"
      role="img"
      aria-label={`Course of the steep: strength, drying, bitter and sweet, 0 to 10, over ${minutesText(end)}. Now ${minutesText(brew.time)}, house ${minutesText(house)}.`}
      style={{ width: WIDTH, height: HEIGHT + 44 }}
    >
      <LineChart
        width={plot}
        height={HEIGHT}
        data={data}
        margin={{ top: TOP, right: 0, bottom: 2, left: 0 }}
        accessibilityLayer={false}
      >
        <XAxis dataKey="t" type="number" domain={[0, end]} hide />
        <YAxis domain={[0, MOST]} hide allowDataOverflow />
        <ReferenceLine y={BITE_BEGINS} stroke="var(--line-2)" strokeDasharray="1.5 4" />
        <ReferenceLine y={BITE_INTENSE} stroke="var(--line-2)" strokeDasharray="1.5 4" />
        <ReferenceLine x={house} stroke="var(--ink)" strokeDasharray="3 3" strokeWidth={1.5} />
        <ReferenceLine x={brew.time} stroke="var(--ink)" strokeWidth={2} />
        {CURVES.map((c) => (
          <Line
            key={c.key}
            dataKey={c.key}
            stroke="var(--ink)"
            strokeWidth={c.width}
            strokeDasharray={c.dash}
            dot={false}
            activeDot={false}
            isAnimationActive={false}
          />
        ))}
      </LineChart>
      {names.map((n) => (
        <span key={n.key} style={{ left: plot + 8, top: n.at - 9, fontWeight: n.weight }}>
          {n.name}
        </span>
      ))}
      <span className="bound" style={{ top: y(BITE_INTENSE) - 18 }}>
        intense
      </span>
      <span className="bound" style={{ top: y(BITE_BEGINS) - 18 }}>
        a hint of bite
      </span>
      {Math.abs(x(house) - x(brew.time)) > 4 && (
        <span
          className="at small"
          style={{
            left: x(house),
            top: 0,
            transform: house < brew.time ? 'translateX(calc(-100% - 6px))' : 'translateX(6px)',
          }}
        >
          house {minutesText(house)}
        </span>
      )}
      <span
        className="at"
        style={{
          left: x(brew.time),
          top: 0,
          fontWeight: 700,
          transform: house < brew.time ? 'translateX(6px)' : 'translateX(calc(-100% - 6px))',
        }}
      >
        {minutesText(brew.time)}
      </span>
      <svg
        width={WIDTH}
        height="44"
        viewBox={`0 0 ${WIDTH} 44`}
        style={{ position: 'absolute', left: 0, top: HEIGHT }}
        aria-hidden="true"
      >
        {strip.map((c, i) => (
          <rect
            key={i}
            x={(i / STRIPS) * plot}
            y="0"
            width={plot / STRIPS + 0.6}
            height="13"
            fill={c}
          />
        ))}
        <rect
          x="0.5"
          y="0.5"
          width={plot - 1}
          height="13"
          fill="none"
          stroke="var(--ink)"
          strokeWidth="1.3"
        />
        <path
          d={`M${x(w[0])} 17v4H${x(w[1])}v-4`}
          fill="none"
          stroke="var(--accent)"
          strokeWidth="3"
        />
        {Array.from({ length: Math.floor(end / step) + 1 }, (_, i) => i * step).map((t) => (
          <text
            key={t}
            x={x(t)}
            y="38"
            fontSize="13"
            textAnchor={t === 0 ? 'start' : 'middle'}
            fill="var(--ink-2)"
          >
            {minutesText(t)}
          </text>
        ))}
      </svg>
    </div>
  );
}
