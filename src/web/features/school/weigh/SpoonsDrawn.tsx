import type { Grams } from '#core/units';

const EVERY = 132;
const WIDE = 120;
const TOP = 16;
const BASE = 236;
/** The mean stands at this height: the heaviest spoon that is drawn whole weighs half as much again. */
const MEAN_Y = BASE - (BASE - TOP) / 1.5;
/** Even spoons lie within this share of the mean, more or less. */
const BAND = 0.1;

/** Each spoon as a heap on one base, the mean as a line and a tenth about it; nothing is drawn of one alone. */
export function SpoonsDrawn({ weights }: { weights: readonly (Grams | null)[] }) {
  const known = weights.filter((w) => w !== null);
  const mean = known.reduce((sum, w) => sum + w, 0) / known.length;
  const y = (weight: number) => Math.max(TOP, BASE - (weight / mean) * (BASE - MEAN_Y));
  const width = EVERY * weights.length - (EVERY - WIDE);
  const hasMean = known.length > 1;
  return (
    <svg
      width={width}
      height={BASE + 4}
      viewBox={`0 0 ${width} ${BASE + 4}`}
      className="mt-6 max-w-full h-auto"
      aria-hidden="true"
    >
      {hasMean && (
        <rect
          x={0}
          y={y((1 + BAND) * mean)}
          width={width}
          height={y((1 - BAND) * mean) - y((1 + BAND) * mean)}
          fill="var(--line)"
        />
      )}
      {hasMean &&
        weights.map(
          (weight, i) =>
            weight !== null && (
              <path
                key={i}
                d={`M${i * EVERY + 12} ${BASE}Q${i * EVERY + WIDE / 2} ${2 * y(weight) - BASE} ${i * EVERY + WIDE - 12} ${BASE}`}
                fill="var(--paper)"
                stroke="var(--ink)"
                strokeWidth="2"
              />
            ),
        )}
      {hasMean && (
        <path
          d={`M0 ${MEAN_Y}H${width}`}
          stroke="var(--ink)"
          strokeDasharray="6 4"
          strokeWidth="2"
        />
      )}
      <path d={`M0 ${BASE}H${width}`} stroke="var(--ink)" strokeWidth="2" />
    </svg>
  );
}
