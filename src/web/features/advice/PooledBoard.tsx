import { type Attribute, ATTRIBUTE_NAMES, ATTRIBUTES, type PooledMark } from '#core/corrections';
import { numberText, signedText } from '#core/units';

const WIDTH = 760;
const HEIGHT = 300;
const LINE = 138;
/** Pixels of one mark. */
const MARK_PX = 58;
const MOST = 2.1;
/** 95 % of what is believed lies within so many standard deviations. */
const INTERVAL = 1.96;
/** Words of the levels stand at the left. */
const LEFT = 120;
const COLUMN = (WIDTH - LEFT) / ATTRIBUTE_NAMES.length;
const clamped = (mark: number): number => Math.max(-MOST, Math.min(MOST, mark));
const y = (mark: number): number => LINE - MARK_PX * clamped(mark);

type Pooled = Readonly<Record<Attribute, PooledMark>>;
const wordsOf = (pooled: Pooled): string =>
  ATTRIBUTE_NAMES.map((a) => {
    const { mean, sd } = pooled[a];
    return `${ATTRIBUTES[a].label} ${signedText(mean)}, give or take ${numberText(INTERVAL * sd, 1)}`;
  }).join('; ');

/** What all cups together mark: above the line too much, below too little; the bar is how far it may be off. */
export function PooledBoard({ pooled }: { pooled: Pooled }) {
  return (
    <div className="means-chart" tabIndex={0} role="group" aria-label="All cups together">
      <svg
        className="pooled-board"
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        role="img"
        aria-label={`Marks of all cups together: ${wordsOf(pooled)}`}
      >
        {([1, -1] as const).map((mark) => (
          <path key={mark} d={`M0 ${y(mark)}H${WIDTH}`} stroke="var(--line)" strokeWidth="1" />
        ))}
        <path d={`M0 ${LINE}H${WIDTH}`} stroke="var(--ink)" strokeWidth="2.5" />
        <text x="0" y={LINE - 6} fontSize="15" fontWeight="600" fill="var(--ink)">
          right
        </text>
        <text x="0" y={y(1) - 5} fontSize="14" fill="var(--ink-2)">
          a mark too much
        </text>
        <text x="0" y={y(-1) + 17} fontSize="14" fill="var(--ink-2)">
          a mark too little
        </text>
        {ATTRIBUTE_NAMES.map((attribute, i) => (
          <Column
            key={attribute}
            attribute={attribute}
            at={LEFT + (i + 0.5) * COLUMN}
            pooled={pooled[attribute]}
          />
        ))}
      </svg>
    </div>
  );
}
function Column({
  attribute,
  at,
  pooled: { mean, sd },
}: {
  attribute: Attribute;
  at: number;
  pooled: PooledMark;
}) {
  const [low, high] = [y(mean - INTERVAL * sd), y(mean + INTERVAL * sd)];
  return (
    <g>
      <path d={`M${at} ${high}V${low}`} stroke="var(--ink-2)" strokeWidth="3" />
      <path d={`M${at - 7} ${high}h14M${at - 7} ${low}h14`} stroke="var(--ink-2)" strokeWidth="2" />
      <rect x={at - 9} y={y(mean) - 9} width="18" height="18" fill="var(--accent)" />
      <text
        x={at + 16}
        y={y(mean) + 5}
        fontSize="16"
        fontWeight="600"
        fill="var(--ink)"
        stroke="var(--ground)"
        strokeWidth="4"
        paintOrder="stroke"
      >
        {signedText(mean)}
      </text>
      <text x={at} y={HEIGHT - 10} fontSize="16" textAnchor="middle" fill="var(--ink)">
        {ATTRIBUTES[attribute].label}
      </text>
    </g>
  );
}
