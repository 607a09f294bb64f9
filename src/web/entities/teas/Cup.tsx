import { useId } from 'react';
import { CUP_DEPTH_CM, type Liquor, tint } from '#core/colour';

const RINGS = 10;
type Ring = { readonly r: number; readonly colour: string };
const known = new WeakMap<Liquor, readonly Ring[]>();
/** Colour from the middle to the rim; worked out once for a liquor. */
function ringsOf(liquor: Liquor): readonly Ring[] {
  const there = known.get(liquor);
  if (there) return there;
  const rings = Array.from({ length: RINGS + 1 }, (_, i) => {
    const r = i / RINGS;
    return {
      r,
      colour: tint(liquor, CUP_DEPTH_CM * Math.sqrt(Math.max(0.02, 1 - (0.96 * r) ** 4))),
    };
  });
  known.set(liquor, rings);
  return rings;
}
/** A cup from above: white porcelain, pale rim, deep middle. */
export function Cup({ liquor, size, label }: { liquor: Liquor; size: number; label?: string }) {
  const key = useId();
  const stops = ringsOf(liquor);
  const c = size / 2;
  return (
    <svg
      width={size}
      height={size}
      viewBox={`0 0 ${size} ${size}`}
      role={label ? 'img' : undefined}
      aria-label={label}
      aria-hidden={label ? undefined : true}
    >
      <defs>
        <radialGradient id={key}>
          {stops.map((s) => (
            <stop key={s.r} offset={s.r} stopColor={s.colour} />
          ))}
        </radialGradient>
      </defs>
      <circle className="cup-wall" cx={c} cy={c} r={c - 0.75} />
      <circle cx={c} cy={c} r={c - Math.max(1.4, size * 0.035) - 0.8} fill={`url(#${key})`} />
    </svg>
  );
}
