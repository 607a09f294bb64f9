import { useMemo } from 'react';
import { predict } from '#core/corrections';
import type { FitScore } from '#core/fitting';
import { houseBrew, type Recipe } from '#core/recipes';
import type { KnownTea, Multipliers, StyleId } from '#core/styles';
import { MARK } from '#core/taste';
import { minutesText, seconds } from '#core/units';
import type { FitCup } from '#contracts/fits';
import { Angle, HouseMark, XTicks, YTicks } from '../../ui/chart/Axes';
import { type At, Curve, Drawn, Plot } from '../../ui/chart/Plot';
import { ticksTo } from '../../ui/ticks';

const WIDTH = 800;
const HEIGHT = 310;
const MARGIN = { left: 46, bottom: 30, top: 14, right: 16 };
const POINTS = 60;
/** What a prediction is good for, either way. */
const GOOD_FOR = 0.5;
/** Leaf or heat further off than this and a cup is not one of the drawn recipe: share, C. */
const OFF_DOSE = 0.08;
const OFF_HEAT = 3;
/** Two lines nearer than this need no names at their ends. */
const APART = 0.25;

export const offRecipe = (c: FitCup, r: Recipe): boolean =>
  Math.abs(c.grams / c.water / (r.dose / 100) - 1) > OFF_DOSE ||
  Math.abs(c.celsius - r.temperature) > OFF_HEAT;

type Props = {
  style: StyleId;
  recipe: Recipe;
  fitted: Multipliers | null;
  cups: readonly FitCup[];
  score: FitScore;
  right: number;
  label: string;
};
/**
 * Cups as open circles, the fit with what it is good for, the style before it as dots; a cup made otherwise shows as
 * a square, with where the fit expects it.
 */
export function FitChart({ style, recipe, fitted, cups, score, right, label }: Props) {
  const shown = cups.filter((c) => c.scores[score] !== undefined);
  const end = Math.max(recipe.window.latest * 1.25, ...shown.map((c) => c.seconds * 1.06));
  const curves = useMemo(() => {
    const along = (tea: KnownTea): At[] =>
      Array.from({ length: POINTS + 1 }, (_, i) => {
        const x = Math.max(2, (end * i) / POINTS);
        return { x, y: predict(houseBrew(tea, recipe, seconds(x)))[score] };
      });
    return { style: along({ style, fitted: null }), own: fitted ? along({ style, fitted }) : null };
  }, [style, recipe, fitted, score, end]);
  const step = end > 720 ? 120 : 60;
  const minutes = ticksTo(end, step);
  const { best } = recipe.window;
  const words = shown.map(
    (c) =>
      `${minutesText(c.seconds)} tasted ${c.scores[score]?.toFixed(1)}, style ${c.style[score].toFixed(1)}` +
      (c.fitted ? `, fit ${c.fitted[score].toFixed(1)}` : ''),
  );
  return (
    <div className="fit-chart" tabIndex={0} role="group" aria-label={`${label} of each cup`}>
      <Plot
        width={WIDTH}
        height={HEIGHT}
        margin={MARGIN}
        x={[0, end]}
        y={[0, 10]}
        label={`${label}: ${words.join('; ')}`}
      >
        <Angle left={0} right={end} top={10} bottom={0} />
        <YTicks ticks={[0, 2, 4, 6, 8, 10]} text={String} at={0} />
        <XTicks ticks={minutes} text={minutesText} at={0} except={{ at: best, px: 54 }} />
        <HouseMark x={best} y={0} text={`${minutesText(best)}, house`} />
        <Curve points={curves.style} look="before" />
        {curves.own && <Curve points={curves.own} look="now" />}
        {curves.own && <Curve points={moved(curves.own, GOOD_FOR)} look="band" />}
        {curves.own && <Curve points={moved(curves.own, -GOOD_FOR)} look="band" />}
        {shown.map((c) => (
          <CupPoint key={c.id} cup={c} score={score} right={right} off={offRecipe(c, recipe)} />
        ))}
        <CurveNames own={curves.own?.at(-1)} style={curves.style.at(-1)} />
      </Plot>
    </div>
  );
}

function moved(points: readonly At[], by: number): At[] {
  return points.map((p) => ({ x: p.x, y: Math.min(10, Math.max(0, p.y + by)) }));
}

/** One cup as it was tasted; an arrow where the mark lay at the end of its scale. */
function CupPoint({
  cup: c,
  score,
  right,
  off,
}: {
  cup: FitCup;
  score: FitScore;
  right: number;
  off: boolean;
}) {
  const value = c.scores[score] ?? 0;
  const expected = (c.fitted ?? c.style)[score];
  const beyond = Math.abs(value - right) >= MARK * 1.75 ? Math.sign(value - right) : 0;
  const pen = { fill: 'var(--paper)', stroke: 'var(--ink)', strokeWidth: 1.8 };
  return (
    <Drawn>
      {({ x, y }) => {
        const [cx, cy] = [x(c.seconds), y(value)];
        return (
          <g opacity={c.left ? 0.35 : 1}>
            {off && <path d={`M${cx} ${cy}V${y(expected)}`} stroke="var(--ink)" />}
            {off && (
              <path d={`M${cx - 7} ${y(expected)}h14`} stroke="var(--ink)" strokeWidth="2.5" />
            )}
            {beyond !== 0 && (
              <path
                d={`M${cx} ${cy - beyond * 5.5}v${-beyond * 14}m-4 ${beyond * 5}l4 ${-beyond * 5}l4 ${beyond * 5}`}
                {...pen}
                fill="none"
              />
            )}
            {off ? (
              <rect x={cx - 5} y={cy - 5} width="10" height="10" {...pen} />
            ) : (
              <circle cx={cx} cy={cy} r="5.5" {...pen} />
            )}
          </g>
        );
      }}
    </Drawn>
  );
}

/** Which line is which, at their ends, where they are apart. */
function CurveNames({ own, style }: { own: At | undefined; style: At | undefined }) {
  if (!own || !style || Math.abs(own.y - style.y) <= APART) return null;
  const above = style.y > own.y;
  return (
    <Drawn>
      {({ x, y }) => (
        <>
          <text
            x={x(style.x)}
            y={y(style.y) + (above ? -8 : 20)}
            fontSize="14"
            textAnchor="end"
            fill="var(--ink-2)"
          >
            before: its style
          </text>
          <text
            x={x(own.x)}
            y={y(own.y) + (above ? 30 : -18)}
            fontSize="14"
            fontWeight="700"
            textAnchor="end"
            fill="var(--ink)"
          >
            this tea here
          </text>
        </>
      )}
    </Drawn>
  );
}
