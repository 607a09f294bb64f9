import { type Attribute, ATTRIBUTE_NAMES, ATTRIBUTES } from '#core/corrections';
import { WITHIN } from '#core/tastings';
import { numberText } from '#core/units';
import { type At, Curve, Drawn, Level, Plot } from '../../ui/chart/Plot';

const WIDTH = 824;
const MARGIN = { top: 10, right: 40, bottom: 26, left: 112 };
const ROW = 56;
const BLOCK = 24;
const ENDS = [
  { mark: -2, words: 'too little', anchor: 'start' },
  { mark: 0, words: 'right', anchor: 'middle' },
  { mark: 2, words: 'too much', anchor: 'end' },
] as const;

type Means = readonly Readonly<Record<Attribute, number | null>>[];
/** One marked round or cup on an attribute's row: its number, counted from 0, and its mean mark. */
type Marked = { readonly n: number; readonly mark: number };

/**
 * Mean marks of rounds or cups, a row an attribute: too little, right between the dashes, too much; each a block with
 * its number.
 */
export function Means({
  means,
  names,
  expected = [],
  joined = false,
}: {
  means: Means;
  /** What the model expects of each; null: nothing. */
  expected?: readonly (Readonly<Record<Attribute, number>> | null)[];
  names: readonly string[];
  /** One after another: a line leads from each to the next, and the newest is solid. */
  joined?: boolean;
}) {
  const rows = ATTRIBUTE_NAMES.length;
  const label = ATTRIBUTE_NAMES.map((a) => {
    const marks = means.map(
      (m, i) => `${names[i]} ${m[a] === null ? 'not marked' : numberText(m[a])}`,
    );
    return `${ATTRIBUTES[a].label}: ${marks.join(', ')}`;
  });
  return (
    <div className="means-chart" tabIndex={0} role="group" aria-label="Mean marks">
      <Plot
        width={WIDTH}
        height={MARGIN.top + rows * ROW + MARGIN.bottom}
        margin={MARGIN}
        x={[-2, 2]}
        y={[0, rows]}
        label={label.join('; ')}
      >
        <Level x={-WITHIN} look="band" />
        <Level x={WITHIN} look="band" />
        <Level x={0} look="right" />
        <Drawn>
          {({ x, y }) =>
            ENDS.map((e) => (
              <text
                key={e.mark}
                x={x(e.mark)}
                y={y(0) + 20}
                fontSize="14"
                textAnchor={e.anchor}
                fill="var(--ink-2)"
              >
                {e.words}
              </text>
            ))
          }
        </Drawn>
        {ATTRIBUTE_NAMES.map((a, i) => (
          <Row
            key={a}
            attribute={a}
            at={rows - i - 0.5}
            means={means}
            expected={expected}
            joined={joined}
          />
        ))}
      </Plot>
    </div>
  );
}

/** One attribute: its blocks along the line, side by side where they would cover each other. */
function Row({
  attribute,
  at,
  means,
  expected,
  joined,
}: {
  attribute: Attribute;
  at: number;
  means: Means;
  expected: readonly (Readonly<Record<Attribute, number>> | null)[];
  joined: boolean;
}) {
  const marked = means.flatMap((m, n): Marked[] => {
    const mark = m[attribute];
    return mark === null ? [] : [{ n, mark }];
  });
  const newest = joined ? marked.at(-1) : undefined;
  const isOff = newest !== undefined && Math.abs(newest.mark) > WITHIN;
  return (
    <>
      {joined && <Curve points={marked.map((p): At => ({ x: p.mark, y: at }))} look="now" />}
      <Drawn>
        {({ x, y }) => (
          <g>
            <path d={`M${x(-2)} ${y(at)}H${x(2)}`} stroke="var(--line)" />
            <text
              x={x(-2) - 12}
              y={y(at) + 5}
              fontSize="16"
              textAnchor="end"
              fontWeight={isOff ? 700 : 400}
              fill="var(--ink)"
            >
              {ATTRIBUTES[attribute].label}
            </text>
            {expected.map(
              (of, n) => of && <Expected key={n} x={x(of[attribute])} y={y(at)} number={n + 1} />,
            )}
            {marked.map((p) => (
              <Block
                key={p.n}
                x={x(p.mark) + asideOf(p, marked, x)}
                y={y(at)}
                number={p.n + 1}
                solid={!joined || p === newest}
              />
            ))}
          </g>
        )}
      </Drawn>
    </>
  );
}

/** Where the model expects a cup: an open triangle over the line, with the number of the cup. */
function Expected({ x, y, number }: { x: number; y: number; number: number }) {
  return (
    <g data-expected={number}>
      <path
        d={`M${x - 7} ${y - 24}h14l-7 11z`}
        fill="var(--ground)"
        stroke="var(--ink)"
        strokeWidth="1.6"
      />
      <text x={x + 9} y={y - 15} fontSize="12" fill="var(--ink-2)">
        {number}
      </text>
    </g>
  );
}

/** How far a block stands aside, px, so that all of one place are seen. */
function asideOf(p: Marked, all: readonly Marked[], x: (mark: number) => number): number {
  const group = all.filter((q) => Math.abs(x(q.mark) - x(p.mark)) < BLOCK);
  return (group.indexOf(p) - (group.length - 1) / 2) * (BLOCK + 1);
}

function Block({ x, y, number, solid }: { x: number; y: number; number: number; solid: boolean }) {
  return (
    <g>
      <rect
        x={x - BLOCK / 2}
        y={y - BLOCK / 2}
        width={BLOCK}
        height={BLOCK}
        fill={solid ? 'var(--ink)' : 'var(--ground)'}
        stroke="var(--ink)"
        strokeWidth="1.6"
      />
      <text
        x={x}
        y={y + 5.5}
        fontSize="15"
        fontWeight="700"
        textAnchor="middle"
        fill={solid ? 'var(--ground)' : 'var(--ink)'}
      >
        {number}
      </text>
    </g>
  );
}
