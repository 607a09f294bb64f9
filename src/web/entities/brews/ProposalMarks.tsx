import { type Proposal, type Verdict, verdictWords } from '#core/corrections';
import { JUST_NOTICEABLE, MARK } from '#core/taste';
import { LevelMark } from '../../ui/LevelMark';

/** One mark as drawn, px, and how far a block may go. */
const MARK_PX = 19;
const MOST = 2.3;

/** What was found, solid, and what the change should give, outlined, on and under the line that means right. */
export function ProposalMarks({ verdict, proposal }: { verdict: Verdict; proposal: Proposal }) {
  const { expected } = proposal;
  const all = [
    ['Colour', 'colour'],
    ['Strength', 'strength'],
    ['Bitter', 'bitterness'],
    ['Drying', 'astringency'],
    ['Sweet', 'sweetness'],
    ['Aroma', 'aroma'],
  ] as const;
  const block = (x: number, m: number, solid: boolean) => {
    const h = Math.min(MOST, Math.abs(m)) * MARK_PX;
    return h < 2.5 ? (
      <LevelMark x={x + 9} y={45} size={10} className={solid ? '' : 'hope'} />
    ) : (
      <rect
        x={x}
        y={m > 0 ? 46 - h : 46}
        width="18"
        height={h}
        fill={solid ? 'var(--ink)' : 'none'}
        stroke={solid ? 'none' : 'var(--accent)'}
        strokeWidth="2.5"
      />
    );
  };
  return (
    <svg
      width="392"
      height="112"
      viewBox="0 0 392 112"
      role="img"
      aria-label={`Found: ${verdictWords(verdict)}${
        expected
          ? `. Expected after the change: ${
              all
                .filter(
                  ([, k]) => Math.abs(expected.then[k] - expected.now[k]) >= JUST_NOTICEABLE / 2,
                )
                .map(
                  ([name, k]) =>
                    `${name.toLowerCase()} ${expected.then[k] > expected.now[k] ? 'more' : 'less'}`,
                )
                .join(', ') || 'no change'
            }`
          : ''
      }`}
      style={{ maxWidth: '100%', height: 'auto', marginTop: 4 }}
    >
      <path d="M0 46H392" stroke="var(--ink)" strokeWidth="1.5" />
      {all.map(([name, k], i) => {
        const x = 8 + i * 65;
        return (
          <g key={name}>
            {block(x + 2, verdict[k], true)}
            {expected &&
              block(x + 25, verdict[k] + (expected.then[k] - expected.now[k]) / MARK, false)}
            <text x={x + 22} y="108" fontSize="14" textAnchor="middle" fill="var(--ink)">
              {name}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
