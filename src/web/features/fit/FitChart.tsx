import { useMemo } from 'react';
import { predict } from '#core/corrections';
import type { FitScore } from '#core/fitting';
import { houseBrew, type Recipe } from '#core/recipes';
import type { KnownTea, Multipliers, StyleId } from '#core/styles';
import { MARK } from '#core/taste';
import { minutesText, seconds } from '#core/units';
import type { FitCup } from '#contracts/fits';

const WIDTH = 800;
const HEIGHT = 310;
const AXIS = { left: 46, bottom: 30, top: 14, right: 16 };
const POINTS = 60;
/** What a prediction is good for, either way. */
const GOOD_FOR = 0.5;
/** Leaf or heat further off than this and a cup is not one of the drawn recipe: share, C. */
const OFF_DOSE = 0.08;
const OFF_HEAT = 3;

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
  const line = useMemo(() => {
    const along = (tea: KnownTea) =>
      Array.from({ length: POINTS + 1 }, (_, i) => {
        const s = Math.max(2, (end * i) / POINTS);
        return { s, v: predict(houseBrew(tea, recipe, seconds(s)))[score] };
      });
    return { style: along({ style, fitted: null }), own: fitted ? along({ style, fitted }) : null };
  }, [style, recipe, fitted, score, end]);
  const x = (s: number) => AXIS.left + (s / end) * (WIDTH - AXIS.left - AXIS.right);
  const y = (v: number) => AXIS.top + (1 - v / 10) * (HEIGHT - AXIS.top - AXIS.bottom);
  const path = (points: readonly { s: number; v: number }[], by = 0) =>
    points
      .map(
        (p, i) =>
          `${i ? 'L' : 'M'}${x(p.s).toFixed(1)} ${y(Math.min(10, Math.max(0, p.v + by))).toFixed(1)}`,
      )
      .join('');
  const [last, before] = [line.own?.at(-1), line.style.at(-1)];
  const apart = last && before ? Math.abs(last.v - before.v) > 0.25 : false;
  const step = end > 720 ? 120 : 60;
  return (
    <div className="fit-chart" tabIndex={0} role="group" aria-label={`${label} of each cup`}>
      <svg
        width={WIDTH}
        height={HEIGHT}
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        role="img"
        aria-label={`${label}: ${shown.map((c) => `${minutesText(c.seconds)} tasted ${c.scores[score]?.toFixed(1)}, style ${c.style[score].toFixed(1)}${c.fitted ? `, fit ${c.fitted[score].toFixed(1)}` : ''}`).join('; ')}`}
      >
        <path
          d={`M${AXIS.left} ${AXIS.top}V${y(0)}H${WIDTH - AXIS.right}`}
          fill="none"
          stroke="var(--ink)"
          strokeWidth="1.5"
        />
        {[0, 2, 4, 6, 8, 10].map((v) => (
          <g key={v}>
            <path d={`M${AXIS.left} ${y(v)}h-5`} stroke="var(--ink)" />
            <text x={AXIS.left - 9} y={y(v) + 5} fontSize="14" textAnchor="end" fill="var(--ink-2)">
              {v}
            </text>
          </g>
        ))}
        {Array.from({ length: Math.floor(end / step) + 1 }, (_, i) => i * step).map((s) => (
          <g key={s}>
            <path d={`M${x(s)} ${y(0)}v5`} stroke="var(--ink)" />
            {Math.abs(x(s) - x(recipe.window.best)) > 54 && (
              <text x={x(s)} y={HEIGHT - 8} fontSize="14" textAnchor="middle" fill="var(--ink-2)">
                {minutesText(s)}
              </text>
            )}
          </g>
        ))}
        <path d={`M${x(recipe.window.best)} ${y(0)}l-7 -11h14z`} fill="var(--ink)" />
        <text
          x={x(recipe.window.best)}
          y={HEIGHT - 8}
          fontSize="14"
          fontWeight="700"
          textAnchor="middle"
          fill="var(--ink)"
        >
          {minutesText(recipe.window.best)}, house
        </text>
        <path
          d={path(line.style)}
          fill="none"
          stroke="var(--ink-2)"
          strokeWidth="1.8"
          strokeDasharray="1.5 5"
        />
        {line.own && (
          <>
            <path d={path(line.own)} fill="none" stroke="var(--ink)" strokeWidth="2.5" />
            {[GOOD_FOR, -GOOD_FOR].map((by) => (
              <path
                key={by}
                d={path(line.own ?? [], by)}
                fill="none"
                stroke="var(--ink)"
                strokeWidth="1"
                strokeDasharray="5 4"
              />
            ))}
          </>
        )}
        {shown.map((c) => {
          const [cx, cy, off] = [x(c.seconds), y(c.scores[score] ?? 0), offRecipe(c, recipe)];
          const to = c.fitted ?? c.style;
          const m = (c.scores[score] ?? 0) - right;
          const end = Math.abs(m) >= MARK * 1.75 ? Math.sign(m) : 0;
          return (
            <g key={c.id} opacity={c.left ? 0.35 : 1}>
              {off && (
                <path d={`M${cx} ${cy}V${y(to[score])}`} stroke="var(--ink)" strokeWidth="1" />
              )}
              {off && (
                <path d={`M${cx - 7} ${y(to[score])}h14`} stroke="var(--ink)" strokeWidth="2.5" />
              )}
              {end !== 0 && (
                <path
                  d={`M${cx} ${cy - end * 5.5}v${-end * 14}m-4 ${end * 5}l4 ${-end * 5}l4 ${end * 5}`}
                  fill="none"
                  stroke="var(--ink)"
                  strokeWidth="1.8"
                />
              )}
              {off ? (
                <rect
                  x={cx - 5}
                  y={cy - 5}
                  width="10"
                  height="10"
                  fill="var(--paper)"
                  stroke="var(--ink)"
                  strokeWidth="1.8"
                />
              ) : (
                <circle
                  cx={cx}
                  cy={cy}
                  r="5.5"
                  fill="var(--paper)"
                  stroke="var(--ink)"
                  strokeWidth="1.8"
                />
              )}
            </g>
          );
        })}
        {apart && last && before && (
          <>
            <text
              x={WIDTH - AXIS.right}
              y={y(before.v) + (before.v > last.v ? -8 : 20)}
              fontSize="14"
              textAnchor="end"
              fill="var(--ink-2)"
            >
              before: its style
            </text>
            <text
              x={WIDTH - AXIS.right}
              y={y(last.v) + (before.v > last.v ? 30 : -18)}
              fontSize="14"
              fontWeight="700"
              textAnchor="end"
              fill="var(--ink)"
            >
              this tea here
            </text>
          </>
        )}
      </svg>
    </div>
  );
}
