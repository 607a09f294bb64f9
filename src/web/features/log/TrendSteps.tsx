import type { TrendPoint, Trends } from '#contracts/log';
import { YTicks } from '../../ui/chart/Axes';
import { Drawn, Level, Plot, type Span } from '../../ui/chart/Plot';
import { dayText } from '../../ui/days';
import { BOLD, WIDTH, WORDS } from './trendWords';

/** The steps from one point to the next, in a chart of their own under the first. */
const STEPS_HEIGHT = 124;
const STEPS_MARGIN = { left: 74, right: 36, top: 28, bottom: 30 };

/** How far each brew was from the one before it, with the limit of that. */
export function Steps({
  data: { chart, measure },
  points,
  index,
  chosen,
}: {
  data: Trends;
  points: readonly TrendPoint[];
  index: Span;
  chosen: number | null;
}) {
  const { unit } = WORDS[measure];
  const steps = points.slice(1).map((p, i) => Math.abs(p.value - (points[i]?.value ?? 0)));
  const limit = chart?.stepLimit;
  const most = Math.max(limit ?? 0, ...steps, 1);
  const middle = Math.floor(points.length / 2);
  const dates = [...new Set([0, middle, points.length - 1])].filter((i) => points[i]);
  const anchorOf = (i: number) => {
    if (i === 0) return 'start';
    return i === points.length - 1 ? 'end' : 'middle';
  };
  return (
    <Plot
      width={WIDTH}
      height={STEPS_HEIGHT}
      margin={STEPS_MARGIN}
      x={index}
      y={[0, most]}
      label="Step from one to the next"
      className="trend"
    >
      <Level y={0} look="right" />
      {limit !== undefined && <Level y={limit} look="limit" />}
      {chosen !== null && <Level x={chosen} look="chosen" />}
      <YTicks
        ticks={limit === undefined ? [0] : [0, limit]}
        text={(v) => (v === 0 ? '0' : unit(v).replace('+', ''))}
        at={index[0] - 0.012 * (index[1] - index[0])}
      />
      <Drawn>
        {({ x, y }) => (
          <>
            <text x="0" y="14" {...BOLD}>
              step from one to the next
            </text>
            {steps.map((s, i) => {
              const over = limit !== undefined && s > limit;
              return (
                <path
                  key={points[i]?.id}
                  d={`M${x(i + 1)} ${y(0)}V${y(s)}`}
                  stroke={over ? 'var(--warn)' : 'var(--ink)'}
                  strokeWidth={over ? 3 : 1.5}
                />
              );
            })}
            {dates.map((i) => (
              <text
                key={i}
                x={x(i)}
                y={y(0) + 20}
                fontSize="13"
                textAnchor={anchorOf(i)}
                fill="var(--ink-2)"
              >
                {dayText(points[i]?.at ?? 0)}
              </text>
            ))}
          </>
        )}
      </Drawn>
    </Plot>
  );
}
