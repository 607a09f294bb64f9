import { numberText } from '#core/units';

const PX_PER_POINT = 15;
const MOST_PX = 44;
const LINE = 48;
const STEP = 66;

/** How far each index is from the house's, before and after: bars from a line. */
export function GapBars({
  labels,
  before,
  after,
}: {
  labels: readonly string[];
  before: readonly number[];
  after: readonly number[];
}) {
  const width = STEP * labels.length;
  const height = (gap: number) => Math.max(-MOST_PX, Math.min(MOST_PX, PX_PER_POINT * gap));
  const said = labels
    .map((l, i) => `${l} ${numberText(before[i] ?? 0)}, after ${numberText(after[i] ?? 0)}`)
    .join('; ');
  const bar = (x: number, gap: number, isSolid: boolean) => {
    const h = height(gap);
    return (
      <rect
        x={x}
        y={h > 0 ? LINE - h : LINE}
        width="18"
        height={Math.max(1.5, Math.abs(h))}
        fill={isSolid ? 'var(--ink)' : 'none'}
        stroke={isSolid ? 'none' : 'var(--accent)'}
        strokeWidth="2.5"
      />
    );
  };
  return (
    <svg
      width={width}
      height="118"
      viewBox={`0 0 ${width} 118`}
      className="my-2 max-w-full h-auto"
      role="img"
      aria-label={said}
    >
      <path d={`M0 ${LINE}H${width}`} stroke="var(--ink)" strokeWidth="2" />
      {labels.map((label, i) => (
        <g key={label}>
          {bar(i * STEP + 10, before[i] ?? 0, true)}
          {bar(i * STEP + 34, after[i] ?? 0, false)}
          <text x={i * STEP + 31} y="112" fontSize="14" textAnchor="middle" fill="var(--ink)">
            {label}
          </text>
        </g>
      ))}
    </svg>
  );
}
