import { useMemo } from 'react';
import { tint } from '#core/colour';
import { thinned } from '#core/trends';
import { numberText } from '#core/units';
import type { Measure, TrendPoint, Trends } from '#contracts/log';
import { useBookQuery } from '../../entities/teas/api';
import { houseLiquorOf } from '../../entities/teas/liquor';
import { dayText } from '../../ui/days';

const [W, LEFT, RIGHT] = [836, 64, 26];
const [TOP, BASE, STEPS] = [26, 296, 430];
const STEP_HIGH = 66;
/** More points than this hide each other: medians are drawn, and that is said. */
const MOST = 120;

const WORDS: Record<Measure, { line: string; above: string; unit: (v: number) => string }> = {
  pull: {
    line: 'best',
    above: 'above the line late, below early; each point is its cup',
    unit: (v) => `${v > 0 ? '+' : v < 0 ? '−' : ''}${numberText(Math.abs(v), 0)} s`,
  },
  colour: {
    line: 'as it should be',
    above: 'above the line darker, below lighter',
    unit: (v) => `${v > 0 ? '+' : v < 0 ? '−' : ''}${numberText(Math.abs(v), 1)}`,
  },
  verdict: { line: 'right', above: 'marks off, all together', unit: (v) => numberText(v, 1) },
};
/** Round steps for an axis, so that a few fit. */
function stepFor(span: number): number {
  const raw = span / 5;
  const ten = 10 ** Math.floor(Math.log10(Math.max(raw, 1e-6)));
  return ([1, 2, 5, 10].find((m) => m * ten >= raw) ?? 10) * ten;
}

/**
 * Individuals over moving ranges: the line is as it should be, limits dashed and named, a point outside opens its
 * brew.
 */
export function TrendChart({
  data,
  at,
  onPoint,
}: {
  data: Trends;
  at: number | null;
  onPoint: (p: TrendPoint) => void;
}) {
  const { data: book } = useBookQuery();
  const { chart, measure } = data;
  const words = WORDS[measure];
  const { points, by } = useMemo(() => thinned(data.points, (p) => p.value, MOST), [data.points]);
  const colours = useMemo(
    () =>
      new Map(
        (book?.teas ?? []).flatMap((t) =>
          t.house ? [[t.id, tint(houseLiquorOf(t, t.house.recipe))]] : [],
        ),
      ),
    [book],
  );
  const values = points.map((p) => p.value);
  const [high, low] = [
    Math.max(0, ...values, chart?.upper ?? 0),
    Math.min(0, ...values, chart?.lower ?? 0),
  ];
  const span = Math.max(high - low, measure === 'pull' ? 40 : 2);
  const y = (v: number) => TOP + ((high - v) / span) * (BASE - TOP);
  const x = (i: number) =>
    LEFT + 10 + (points.length > 1 ? (i / (points.length - 1)) * (W - LEFT - RIGHT - 20) : 0);
  const step = stepFor(span);
  const ticks = Array.from({ length: 21 }, (_, i) => (i - 10) * step).filter(
    (t) => t !== 0 && t <= high && t >= low,
  );
  const indexOf = new Map(data.points.map((p, i) => [p.id, i]));
  const outside = new Set((chart?.outside ?? []).map((i) => data.points[i]?.id));
  const steps = points.slice(1).map((p, i) => Math.abs(p.value - (points[i]?.value ?? 0)));
  const mostStep = Math.max(chart?.stepLimit ?? 0, ...steps, 1);
  const sy = (v: number) => STEPS - (v / mostStep) * STEP_HIGH;
  const first = points[0];
  const dates = points.flatMap((p, i) =>
    i === 0 || i === points.length - 1 || i === Math.floor(points.length / 2)
      ? [{ i, text: dayText(p.at) }]
      : [],
  );
  const run = by === 1 ? chart?.runs.at(-1) : undefined;
  const marked = at === null ? null : data.points[at];
  return (
    <div>
      <h2>
        {measure === 'pull' ? 'From best' : measure === 'colour' ? 'Colour mark' : 'Marks off'}
        <small>
          {words.above}
          {by > 1 ? `; ${by} brews a point, their median` : ''}
        </small>
      </h2>
      <svg
        viewBox={`0 0 ${W} 470`}
        className="trend"
        role="group"
        aria-label={`${data.points.length} brews${chart ? `, mean ${words.unit(chart.mean)}, limits ${words.unit(chart.lower)} to ${words.unit(chart.upper)}, ${chart.outside.length} outside` : ''}`}
      >
        {ticks.map((t) => (
          <g key={t}>
            <text x={LEFT - 14} y={y(t) + 4} fontSize="13" textAnchor="end" fill="var(--ink-2)">
              {words.unit(t)}
            </text>
            <path d={`M${LEFT - 8} ${y(t)}h6`} stroke="var(--ink)" strokeWidth="1.5" />
          </g>
        ))}
        <path d={`M${LEFT} ${y(0)}H${W - RIGHT}`} stroke="var(--ink)" strokeWidth="2" />
        <text
          x={LEFT - 8}
          y={y(0) + 5}
          fontSize="14"
          fontWeight="700"
          textAnchor="end"
          fill="var(--ink)"
        >
          {words.line}
        </text>
        {chart &&
          [chart.upper, chart.lower]
            .filter((l) => measure !== 'verdict' || l > 0)
            .map((l) => (
              <g key={l}>
                <path
                  d={`M${LEFT} ${y(l)}H${W - RIGHT}`}
                  stroke="var(--ink)"
                  strokeWidth="1.5"
                  strokeDasharray="6 4"
                />
                <text
                  x={W - RIGHT}
                  y={y(l) + (l > chart.mean ? -6 : 16)}
                  fontSize="13"
                  textAnchor="end"
                  fill="var(--ink)"
                >
                  limit {words.unit(l)}
                </text>
              </g>
            ))}
        {chart && (
          <path
            d={`M${LEFT} ${y(chart.mean)}H${W - RIGHT}`}
            stroke="var(--ink-2)"
            strokeDasharray="2 5"
          />
        )}
        <path
          d={points
            .map((p, i) => `${i === 0 ? 'M' : 'L'}${x(i).toFixed(1)} ${y(p.value).toFixed(1)}`)
            .join('')}
          fill="none"
          stroke="var(--line-2)"
        />
        {run && run.to < points.length && (
          <g>
            <path
              d={`M${x(run.from)} ${BASE + 18}v7H${x(run.to)}v-7`}
              fill="none"
              stroke="var(--ink)"
              strokeWidth="2"
            />
            <text
              x={Math.max(LEFT + 190, Math.min(x(run.to), W - RIGHT))}
              y={BASE + 42}
              fontSize="14"
              fontWeight="700"
              textAnchor="end"
              fill="var(--ink)"
            >
              {run.to - run.from + 1} in a row {run.side === 'above' ? 'above' : 'below'} the mean
            </text>
          </g>
        )}
        {points.map((p, i) => {
          const out = outside.has(p.id);
          const [px, py] = [x(i), y(p.value)];
          return (
            <a
              key={p.id}
              href={`/log/${p.id}`}
              tabIndex={out ? 0 : -1}
              onClick={(e) => {
                e.preventDefault();
                onPoint(p);
              }}
              aria-label={`${words.unit(p.value)}, ${p.tea}, ${p.vessel}, ${dayText(p.at)}${out ? ', outside the limits' : ''}`}
            >
              <circle cx={px} cy={py} r="12" fill="transparent" />
              <circle
                cx={px}
                cy={py}
                r={out ? 8 : points.length > 70 ? 4 : 5.5}
                fill={colours.get(p.teaId) ?? 'var(--paper)'}
                stroke="var(--ink)"
                strokeWidth="1.5"
              />
              {out && (
                <rect
                  x={px - 12}
                  y={py - 12}
                  width="24"
                  height="24"
                  fill="none"
                  stroke="var(--warn)"
                  strokeWidth="2.5"
                />
              )}
              {out && (
                <text
                  x={px + (px > W - 200 ? -18 : 18)}
                  y={py + 1}
                  fontSize="14"
                  fontWeight="700"
                  textAnchor={px > W - 200 ? 'end' : 'start'}
                  fill="var(--ink)"
                >
                  {words.unit(p.value)}, {p.vessel}
                </text>
              )}
            </a>
          );
        })}
        {marked && indexOf.get(marked.id) !== undefined && by === 1 && (
          <path d={`M${x(at ?? 0)} ${TOP - 8}V${STEPS}`} stroke="var(--accent)" strokeWidth="2" />
        )}
        <text x="0" y={STEPS - STEP_HIGH - 14} fontSize="14" fontWeight="700" fill="var(--ink)">
          step from one to the next
        </text>
        <path d={`M${LEFT} ${STEPS}H${W - RIGHT}`} stroke="var(--ink)" strokeWidth="2" />
        <text x={LEFT - 14} y={STEPS + 4} fontSize="13" textAnchor="end" fill="var(--ink-2)">
          0
        </text>
        {chart && (
          <g>
            <path
              d={`M${LEFT} ${sy(chart.stepLimit)}H${W - RIGHT}`}
              stroke="var(--ink)"
              strokeDasharray="6 4"
            />
            <text
              x={LEFT - 14}
              y={sy(chart.stepLimit) + 4}
              fontSize="13"
              textAnchor="end"
              fill="var(--ink-2)"
            >
              {words.unit(chart.stepLimit).replace('+', '')}
            </text>
          </g>
        )}
        {steps.map((s, i) => (
          <path
            key={i}
            d={`M${x(i + 1)} ${STEPS}V${sy(s)}`}
            stroke={chart && s > chart.stepLimit ? 'var(--warn)' : 'var(--ink)'}
            strokeWidth={chart && s > chart.stepLimit ? 3 : 1.5}
          />
        ))}
        {first &&
          dates.map(({ i, text }) => (
            <text
              key={i}
              x={x(i)}
              y={STEPS + 20}
              fontSize="13"
              textAnchor={i === 0 ? 'start' : i === points.length - 1 ? 'end' : 'middle'}
              fill="var(--ink-2)"
            >
              {text}
            </text>
          ))}
      </svg>
      <p className="small">
        {marked ? (
          <>
            <b>{words.unit(marked.value)}</b>, {marked.tea}, {marked.vessel}, {dayText(marked.at)}.
            Enter opens it.
          </>
        ) : chart ? (
          `Mean ${words.unit(chart.mean)}. Limits: the mean and 2.66 times the mean step (${words.unit(chart.step).replace('+', '')}). A framed point opens its brew; left and right walk along.`
        ) : (
          'Limits are drawn from eight brews on.'
        )}
      </p>
    </div>
  );
}
