import type { ReactNode } from 'react';
import {
  ComposedChart,
  Line,
  ReferenceLine,
  useXAxisScale,
  useYAxisScale,
  XAxis,
  YAxis,
  ZIndexLayer,
} from 'recharts';
import { plotSize } from './plotSize';

/** The end of an axis, and its other end. */
export type Span = readonly [low: number, high: number];
export type Margin = {
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
  readonly left: number;
};

/**
 * One chart of two linear axes, drawn by the charting library in this look: no legend, no grid, no animation. What is
 * drawn is given as children, in the order of drawing: `Curve`, `Level`, `XTicks`, `YTicks`, or `Drawn` for shapes of
 * its own. It shrinks with the page and keeps its proportions.
 */
export function Plot({
  width,
  height,
  margin,
  x,
  y,
  label,
  interactive = false,
  className = '',
  children,
}: {
  width: number;
  height: number;
  margin: Margin;
  x: Span;
  y: Span;
  /** The whole chart in words, for whoever cannot see it. */
  label: string;
  /** It holds links: its parts are then read one by one, not as one picture. */
  interactive?: boolean;
  className?: string;
  children: ReactNode;
}) {
  return (
    <div className={`plot ${className}`} role={interactive ? 'group' : 'img'} aria-label={label}>
      <ComposedChart
        width={width}
        height={height}
        margin={margin}
        style={plotSize(width, height)}
        accessibilityLayer={false}
      >
        <XAxis dataKey="x" type="number" domain={[...x]} hide allowDataOverflow />
        <YAxis dataKey="y" type="number" domain={[...y]} hide allowDataOverflow />
        {children}
      </ComposedChart>
    </div>
  );
}

export type At = { readonly x: number; readonly y: number };

const LOOKS = {
  /** What holds now. */
  now: { stroke: 'var(--ink)', strokeWidth: 2.5 },
  /** How far it may be off. */
  band: { stroke: 'var(--ink)', strokeWidth: 1.1, strokeDasharray: '5 4' },
  /** What held before, or what is usual. */
  before: { stroke: 'var(--ink-2)', strokeWidth: 1.7, strokeDasharray: '1.5 5' },
  /** One of several that are told apart by weight and dash. */
  strong: { stroke: 'var(--ink)', strokeWidth: 3 },
  dashed: { stroke: 'var(--ink)', strokeWidth: 2.4, strokeDasharray: '9 4' },
  dotted: { stroke: 'var(--ink)', strokeWidth: 2.4, strokeDasharray: '2 3' },
  thin: { stroke: 'var(--ink)', strokeWidth: 1.3 },
  /** What joins one point to the next, and says nothing itself. */
  join: { stroke: 'var(--line-2)', strokeWidth: 1 },
} as const;
export type Look = keyof typeof LOOKS;

/** A line through points; what lies outside the axes is cut. */
export function Curve({ points, look }: { points: readonly At[]; look: Look }) {
  return (
    <Line
      data={points}
      dataKey="y"
      type="linear"
      dot={false}
      activeDot={false}
      isAnimationActive={false}
      {...LOOKS[look]}
    />
  );
}

const LEVELS = {
  right: { stroke: 'var(--ink)', strokeWidth: 2 },
  limit: { stroke: 'var(--ink)', strokeWidth: 1.5, strokeDasharray: '6 4' },
  mean: { stroke: 'var(--ink-2)', strokeDasharray: '2 5' },
  band: { stroke: 'var(--ink-2)', strokeWidth: 1.2, strokeDasharray: '5 4' },
  fine: { stroke: 'var(--line-2)' },
  axis: { stroke: 'var(--ink)', strokeWidth: 1.5 },
  moment: { stroke: 'var(--ink)', strokeWidth: 2 },
  hint: { stroke: 'var(--line-2)', strokeDasharray: '1.5 4' },
  chosen: { stroke: 'var(--accent)', strokeWidth: 2 },
  house: { stroke: 'var(--ink)', strokeWidth: 1.5, strokeDasharray: '3 3' },
} as const;
/** One value over the whole chart: a level (`y`) or a moment (`x`). */
export function Level({ look, ...at }: { look: keyof typeof LEVELS; x?: number; y?: number }) {
  return <ReferenceLine {...at} {...LEVELS[look]} ifOverflow="visible" />;
}

export type Scales = { readonly x: (v: number) => number; readonly y: (v: number) => number };
/** The chart's own scales, px; null before the library has measured itself. */
function useScales(): Scales | null {
  const x = useXAxisScale();
  const y = useYAxisScale();
  if (!x || !y) return null;
  return { x: (v) => x(v) ?? 0, y: (v) => y(v) ?? 0 };
}

/** The library draws lines over what it does not know; this lies over its lines, under nothing. */
const OVER_LINES = 650;
/** Shapes that are this house's own, drawn in the chart's scales, over its lines. */
export function Drawn({ children }: { children: (scales: Scales) => ReactNode }) {
  const scales = useScales();
  return scales ? <ZIndexLayer zIndex={OVER_LINES}>{children(scales)}</ZIndexLayer> : null;
}
