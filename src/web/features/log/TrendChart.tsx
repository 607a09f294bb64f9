import { useMemo } from 'react';
import { tint } from '#core/colour';
import { thinned } from '#core/trends';
import type { Measure, TrendPoint, Trends } from '#contracts/log';
import { useBookQuery } from '../../entities/teas/api';
import { houseLiquorOf } from '../../entities/teas/liquor';
import { YTicks } from '../../ui/chart/Axes';
import { type At, Curve, Drawn, Level, Plot, type Span } from '../../ui/chart/Plot';
import { dayText } from '../../ui/days';
import { placeLabels } from './pointLabels';
import { Steps } from './TrendSteps';
import { BOLD, WIDTH, WORDS } from './trendWords';

const MARGIN = { left: 74, right: 36, top: 26, bottom: 50 };
const HEIGHT = 346;
/** More points than this hide each other: medians are drawn, and that is said. */
const MOST = 120;
/** More points than this are drawn smaller. */
const CROWDED = 70;

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
  const { chart, measure } = data;
  const words = WORDS[measure];
  const { points, by } = useMemo(() => thinned(data.points, (p) => p.value, MOST), [data.points]);
  const outside = new Set((chart?.outside ?? []).map((i) => data.points[i]?.id));
  const marked = at === null ? undefined : data.points[at];
  const index: Span = [0, Math.max(1, points.length - 1)];
  const chosen = marked && by === 1 ? at : null;
  return (
    <div>
      <h2>
        {words.head}
        <small>
          {words.above}
          {by > 1 ? `; ${by} brews a point, their median` : ''}
        </small>
      </h2>
      <Values
        data={data}
        points={points}
        index={index}
        outside={outside}
        chosen={chosen}
        run={by === 1 ? chart?.runs.at(-1) : undefined}
        onPoint={onPoint}
      />
      <Steps data={data} points={points} index={index} chosen={chosen} />
      <p className="small">{marked ? <Chosen point={marked} measure={measure} /> : limits(data)}</p>
    </div>
  );
}

function limits({ chart, measure }: Trends): string {
  if (measure === 'clarity') return 'One point a cup. How many were not clear, by tea: as a table.';
  if (!chart) return 'Limits are drawn from eight brews on.';
  const { unit } = WORDS[measure];
  return `Mean ${unit(chart.mean)}. Limits: the mean and 2.66 times the mean step (${unit(chart.step).replace('+', '')}). A framed point opens its brew; left and right walk along.`;
}
function Chosen({ point, measure }: { point: TrendPoint; measure: Measure }) {
  return (
    <>
      <b>{WORDS[measure].unit(point.value)}</b>, {point.tea}, {point.vessel}, {dayText(point.at)}.
      Enter opens it.
    </>
  );
}

/** A limit, and how far under its line its words stand, px. */
type Limit = { readonly value: number; readonly down: number };
/** So much room its words take, px. */
const LIMIT_WORDS = { wide: 84, high: 14 };
/** The brews in order against what they should be. */
function Values({
  data,
  points,
  index,
  outside,
  chosen,
  run,
  onPoint,
}: {
  data: Trends;
  points: readonly TrendPoint[];
  index: Span;
  outside: ReadonlySet<string | undefined>;
  chosen: number | null;
  run: NonNullable<Trends['chart']>['runs'][number] | undefined;
  onPoint: (p: TrendPoint) => void;
}) {
  const { chart, measure } = data;
  const { unit, line } = WORDS[measure];
  const values = points.map((p) => p.value);
  const high = Math.max(0, ...values, chart?.upper ?? 0);
  const low = Math.min(0, ...values, chart?.lower ?? 0);
  const span = Math.max(high - low, measure === 'pull' ? 40 : 2);
  const step = stepFor(span);
  const ticks = Array.from({ length: 21 }, (_, i) => (i - 10) * step).filter(
    (t) => t !== 0 && t <= high && t >= low,
  );
  const limitsDrawn = chart
    ? [chart.upper, chart.lower]
        .filter((l) => measure === 'pull' || measure === 'colour' || l > 0)
        .map((value): Limit => ({ value, down: value > chart.mean ? -6 : 16 }))
    : [];
  const said = chart
    ? `, mean ${unit(chart.mean)}, limits ${unit(chart.lower)} to ${unit(chart.upper)}, ${chart.outside.length} outside`
    : '';
  return (
    <Plot
      width={WIDTH}
      height={HEIGHT}
      margin={MARGIN}
      x={index}
      y={[high - span, high]}
      label={`${data.points.length} brews${said}`}
      interactive
      className="trend"
    >
      <YTicks ticks={ticks} text={unit} at={index[0] - 0.012 * (index[1] - index[0])} />
      <Level y={0} look="right" />
      {limitsDrawn.map(({ value }) => (
        <Level key={value} y={value} look="limit" />
      ))}
      {chart && <Level y={chart.mean} look="mean" />}
      {chosen !== null && <Level x={chosen} look="chosen" />}
      <Curve points={points.map((p, i): At => ({ x: i, y: p.value }))} look="join" />
      <Drawn>
        {({ x, y }) => (
          <>
            <text x={x(index[0]) - 18} y={y(0) + 5} {...BOLD} textAnchor="end">
              {line}
            </text>
            {limitsDrawn.map(({ value, down }) => (
              <text
                key={value}
                x={x(index[1])}
                y={y(value) + down}
                fontSize="13"
                textAnchor="end"
                fill="var(--ink)"
              >
                limit {unit(value)}
              </text>
            ))}
            {run && run.to < points.length && (
              <g>
                <path
                  d={`M${x(run.from)} ${HEIGHT - 38}v7H${x(run.to)}v-7`}
                  fill="none"
                  stroke="var(--ink)"
                  strokeWidth="2"
                />
                <text
                  x={Math.max(MARGIN.left + 190, x(run.to))}
                  y={HEIGHT - 14}
                  {...BOLD}
                  textAnchor="end"
                >
                  {run.to - run.from + 1} in a row {run.side === 'above' ? 'above' : 'below'} the
                  mean
                </text>
              </g>
            )}
          </>
        )}
      </Drawn>
      <Points limits={limitsDrawn} {...{ points, index, outside, unit, onPoint }} />
    </Plot>
  );
}

/** Each brew as its own cup; one outside the limits is framed, named, and within reach of the keys. */
function Points({
  points,
  limits,
  index,
  outside,
  unit,
  onPoint,
}: {
  points: readonly TrendPoint[];
  limits: readonly Limit[];
  index: Span;
  outside: ReadonlySet<string | undefined>;
  unit: (v: number) => string;
  onPoint: (p: TrendPoint) => void;
}) {
  const { data: book } = useBookQuery();
  const colours = useMemo(
    () =>
      new Map(
        (book?.teas ?? []).flatMap((t) =>
          t.house ? [[t.id, tint(houseLiquorOf(t, t.house.recipe))]] : [],
        ),
      ),
    [book],
  );
  const usual = points.length > CROWDED ? 4 : 5.5;
  return (
    <Drawn>
      {({ x, y }) => {
        const framed = points.flatMap((p, i) =>
          outside.has(p.id)
            ? [{ id: p.id, x: x(i), y: y(p.value), words: `${unit(p.value)}, ${p.vessel}` }]
            : [],
        );
        const places = placeLabels(
          framed,
          { left: MARGIN.left, right: WIDTH, top: 0, bottom: HEIGHT },
          limits.map(({ value, down }) => ({
            left: x(index[1]) - LIMIT_WORDS.wide,
            right: x(index[1]),
            top: y(value) + down - LIMIT_WORDS.high,
            bottom: y(value) + down,
          })),
        );
        return points.map((p, i) => {
          const at = framed.findIndex((f) => f.id === p.id);
          const [label, place] = [framed[at], places[at]];
          const [px, py] = [x(i), y(p.value)];
          return (
            <a
              key={p.id}
              href={`/log/${p.id}`}
              tabIndex={label ? 0 : -1}
              onClick={(e) => {
                e.preventDefault();
                onPoint(p);
              }}
              aria-label={`${unit(p.value)}, ${p.tea}, ${p.vessel}, ${dayText(p.at)}${label ? ', outside the limits' : ''}`}
            >
              <circle cx={px} cy={py} r="12" fill="transparent" />
              <circle
                cx={px}
                cy={py}
                r={label ? 8 : usual}
                fill={colours.get(p.teaId) ?? 'var(--paper)'}
                stroke="var(--ink)"
                strokeWidth="1.5"
              />
              {label && (
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
              {label && place && (
                <text x={place.x} y={place.y} {...BOLD} textAnchor={place.anchor}>
                  {label.words}
                </text>
              )}
            </a>
          );
        });
      }}
    </Drawn>
  );
}
