import type { Window } from '#core/recipes';
import { minutesText } from '#core/units';

/** Height of the shared time axis and where its pull line stands, px. */
export type Axis = { readonly height: number; readonly pull: number; readonly k: number };

/** px below the pull line for so many seconds left: linear within half a minute of the pull, squeezed far from it. */
export const below = (axis: Axis, left: number): number => axis.k * Math.asinh(left / 30);
const yOf = (axis: Axis, left: number) =>
  Math.max(12, Math.min(axis.height - 2, axis.pull + below(axis, left)));

type Props = {
  axis: Axis;
  window: Window;
  left: number | null;
  colour: string | null;
  x?: number;
  width?: number;
};

/** Levels move in steps of this, px: a steep far from its pull is then drawn anew every few seconds only. */
const LEVEL_STEP = 0.5;

/**
 * One steep as a level under the pull line; `left` null when the water is not on yet. The level with its liquor is
 * drawn once and moved: the tube cuts off what is below it.
 */
export function Tube({ axis, window: w, left, colour, x = 16, width = 16 }: Props) {
  const { height: h } = axis;
  const earliest = yOf(axis, w.best - w.earliest);
  const latest = yOf(axis, w.best - w.latest);
  const level = Math.round(yOf(axis, left ?? w.best) / LEVEL_STEP) * LEVEL_STEP;
  const top = 4;
  return (
    <>
      <rect x={x} y={top} width={width} height={h - top} fill="var(--paper)" />
      {left !== null && colour && (
        <svg x={x} y={0} width={width} height={h} style={{ overflow: 'hidden' }}>
          <g style={{ transform: `translateY(${level}px)` }}>
            <rect width={width} height={h} fill={colour} />
          </g>
        </svg>
      )}
      <path
        d={`M${x} ${top}V${h}M${x + width} ${top}V${h}`}
        stroke="var(--ink)"
        strokeWidth="1.5"
        fill="none"
      />
      <rect
        x={x + width + 2}
        y={top}
        width="8"
        height={Math.max(0, latest - top)}
        fill="url(#hatch)"
      />
      <path
        d={`M${x + width + 2} ${earliest}h9V${latest}h-9`}
        fill="none"
        stroke="var(--accent)"
        strokeWidth="3"
      />
      {left === null ? (
        <path
          d={`M${x - 4} ${level}h${width + 8}`}
          stroke="var(--ink)"
          strokeWidth="1.5"
          strokeDasharray="3 3"
        />
      ) : (
        <g style={{ transform: `translateY(${level}px)` }}>
          <path d={`M${x} 0h${width}`} stroke="var(--ink)" strokeWidth="2" />
          <path d={`M${x} 0l-11 -7v14z`} fill="var(--ink)" />
        </g>
      )}
    </>
  );
}

const TICKS: readonly (readonly [number, string])[] = [
  [-120, '+2'],
  [-60, '+1 min'],
  [-30, '+30 s'],
  [30, '30 s'],
  [60, '1 min'],
  [120, '2'],
  [240, '4'],
  [480, '8'],
];
/** The axis at the left of a shelf; a label nearer than 12 px to an edge or its neighbour is dropped. */
export function AxisLabels({ axis }: { axis: Axis }) {
  const shown: [number, string][] = [];
  for (const [left, word] of TICKS) {
    const y = axis.pull + below(axis, left);
    if (y < 12 || y > axis.height - 12 || Math.abs(y - axis.pull) < 14) continue;
    if (shown.some(([other]) => Math.abs(other - y) < 14)) continue;
    shown.push([y, word]);
  }
  return (
    <div
      className="axis field"
      style={{ height: axis.height, borderBottomColor: 'var(--ink)' }}
      aria-hidden="true"
    >
      {shown.map(([y, word]) => (
        <span key={word} style={{ top: y }}>
          {word}
        </span>
      ))}
      <span className="pull-name" style={{ top: axis.pull }}>
        pull
      </span>
    </div>
  );
}
export const leftWords = (left: number): string =>
  left < 0 ? `+${minutesText(left)}` : minutesText(left);
