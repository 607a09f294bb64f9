import { type Attribute, ATTRIBUTE_NAMES, ATTRIBUTES } from '#core/corrections';
import { WITHIN } from '#core/tastings';
import { numberText } from '#core/units';

const WIDTH = 824;
const [LEFT, RIGHT] = [112, 40];
const LEVEL = 56;
const TOP = 10;
const BLOCK = 24;

type Props = {
  means: readonly Readonly<Record<Attribute, number | null>>[];
  names: readonly string[];
  /** One after another: a line leads from each to the next, and the newest is solid. */ joined?: boolean;
};
/**
 * Mean marks of rounds or cups, a row an attribute: too little, right between the dashes, too much; each a block with
 * its number.
 */
export function Means({ means, names, joined = false }: Props) {
  const x = (m: number) => LEFT + ((m + 2) / 4) * (WIDTH - LEFT - RIGHT);
  const y = (i: number) => TOP + i * LEVEL + LEVEL / 2;
  const high = TOP + ATTRIBUTE_NAMES.length * LEVEL + 26;
  const label = ATTRIBUTE_NAMES.map(
    (a) =>
      `${ATTRIBUTES[a].label}: ${means.map((m, i) => `${names[i]} ${m[a] === null ? 'not marked' : numberText(m[a] ?? 0)}`).join(', ')}`,
  ).join('; ');
  return (
    <div className="means-chart" tabIndex={0} role="group" aria-label="Mean marks">
      <svg
        style={{ maxWidth: '100%', height: 'auto' }}
        width={WIDTH}
        height={high}
        viewBox={`0 0 ${WIDTH} ${high}`}
        role="img"
        aria-label={label}
      >
        {[-WITHIN, WITHIN].map((m) => (
          <path
            key={m}
            d={`M${x(m)} ${TOP}V${high - 26}`}
            stroke="var(--ink-2)"
            strokeWidth="1.2"
            strokeDasharray="5 4"
          />
        ))}
        <path d={`M${x(0)} ${TOP}V${high - 26}`} stroke="var(--ink)" strokeWidth="2" />
        {(
          [
            [-2, 'too little'],
            [0, 'right'],
            [2, 'too much'],
          ] as const
        ).map(([m, words]) => (
          <text
            key={m}
            x={x(m)}
            y={high - 6}
            fontSize="14"
            textAnchor={m === -2 ? 'start' : m === 2 ? 'end' : 'middle'}
            fill="var(--ink-2)"
          >
            {words}
          </text>
        ))}
        {ATTRIBUTE_NAMES.map((a, i) => {
          const marked = means.flatMap((c, n) => (c[a] === null ? [] : [{ n, m: c[a] ?? 0 }]));
          const last = joined ? marked.at(-1) : undefined;
          // Blocks of one place stand side by side.
          const beside = (p: { m: number }) =>
            marked.filter((q) => Math.abs(x(q.m) - x(p.m)) < BLOCK);
          const shift = marked.map((p) => {
            const group = beside(p);
            return (group.indexOf(p) - (group.length - 1) / 2) * (BLOCK + 1);
          });
          return (
            <g key={a}>
              <path d={`M${LEFT} ${y(i)}H${WIDTH - RIGHT}`} stroke="var(--line)" />
              <text
                x={LEFT - 12}
                y={y(i) + 5}
                fontSize="16"
                textAnchor="end"
                fontWeight={last && Math.abs(last.m) > WITHIN ? 700 : 400}
                fill="var(--ink)"
              >
                {ATTRIBUTES[a].label}
              </text>
              {joined && (
                <path
                  d={marked.map((p, k) => `${k ? 'L' : 'M'}${x(p.m)} ${y(i)}`).join('')}
                  fill="none"
                  stroke="var(--ink)"
                  strokeWidth="2"
                />
              )}
              {marked.map((p, k) => {
                const newest = !joined || p === last;
                const at = x(p.m) + (shift[k] ?? 0);
                return (
                  <g key={p.n}>
                    <rect
                      x={at - BLOCK / 2}
                      y={y(i) - BLOCK / 2}
                      width={BLOCK}
                      height={BLOCK}
                      fill={newest ? 'var(--ink)' : 'var(--ground)'}
                      stroke="var(--ink)"
                      strokeWidth="1.6"
                    />
                    <text
                      x={at}
                      y={y(i) + 5.5}
                      fontSize="15"
                      fontWeight="700"
                      textAnchor="middle"
                      fill={newest ? 'var(--ground)' : 'var(--ink)'}
                    >
                      {p.n + 1}
                    </text>
                  </g>
                );
              })}
            </g>
          );
        })}
      </svg>
    </div>
  );
}
