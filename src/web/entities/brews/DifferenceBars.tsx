import { differenceWords, MARK, type Taste } from '#core/taste';
import { capital } from '#core/units';

const STEP_PX = 34;
const SHOWN = [
  ['Strength', 'strength'],
  ['Bitter', 'bitterness'],
  ['Drying', 'astringency'],
  ['Sweet', 'sweetness'],
  ['Aroma', 'aroma'],
] as const;

/**
 * Outlined bars from the line that is the other cup, 34 px a mark; under an eighth of a mark it is a mark on the
 * line.
 */
export function DifferenceBars({
  cup,
  held,
  what = 'the held cup',
}: {
  cup: Taste;
  held: Taste;
  what?: string;
}) {
  return (
    <svg
      width="360"
      height="112"
      viewBox="0 0 360 112"
      style={{ maxWidth: '100%', height: 'auto' }}
      role="img"
      aria-label={`Against ${what}: ${differenceWords(cup, held).join(', ') || 'alike'}`}
    >
      <path d="M0 62H360" stroke="var(--ink)" strokeWidth="2" />
      {SHOWN.map(([name, of], i) => {
        const by = Math.max(-0.9, Math.min(1.6, (cup[of] - held[of]) / MARK));
        const at = 38 + i * 71;
        const h = Math.abs(by) * STEP_PX;
        return (
          <g key={of}>
            {h < 4 ? (
              <path d={`M${at - 10} 61.5h20`} stroke="var(--accent)" strokeWidth="4" />
            ) : (
              <rect
                x={at - 10}
                y={by > 0 ? 62 - h : 62}
                width="20"
                height={h}
                fill="none"
                stroke="var(--accent)"
                strokeWidth="2.5"
              />
            )}
            <text x={at} y="108" fontSize="14" textAnchor="middle" fill="var(--ink)">
              {name}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
/** How a cup differs, as a sentence. */
export function differenceSentence(cup: Taste, held: Taste): string {
  const words = differenceWords(cup, held).join(', ');
  return words ? `${capital(words)}.` : 'No difference that one would notice.';
}
