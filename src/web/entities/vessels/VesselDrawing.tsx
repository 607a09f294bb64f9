import { type ReactNode, useId, useMemo } from 'react';
import { type Liquor, tint } from '#core/colour';
import { type Grams, type Millilitres, millilitres } from '#core/units';
import {
  bowlPath,
  extent,
  lidPaths,
  partPaths,
  penFor,
  profilePath,
  type SolvedVessel,
  solveVessel,
  spoutPath,
} from '#core/vessels';
import type { VesselFields } from '#contracts/vessels';
import { LevelMark } from '../../ui/LevelMark';
import { LeafAndBasket } from './LeafAndBasket';

/** Wall thickness as drawn, mm. */
const WALL: Record<VesselFields['material'], number> = {
  porcelain: 3.4,
  stoneware: 4,
  glass: 2.6,
  plastic: 2.6,
  castiron: 6,
  stainless: 2.2,
  none: 2,
};

export type VesselDrawingProps = {
  vessel: Pick<VesselFields, 'kind' | 'brim' | 'mark' | 'basket' | 'infuser' | 'material'>;
  scale: number;
  label: string;
  fill?: Millilitres;
  liquor?: Liquor | null;
  /** Plain water, shown in its own grey. */
  water?: boolean;
  leaf?: Grams;
  wet?: boolean;
  lid?: boolean;
  bowl?: boolean;
  /** Show fill tick. */
  mark?: boolean;
  /** Show the level mark on the waterline. */
  level?: boolean;
  pad?: number;
  extra?: (drawn: { solved: SolvedVessel; scale: number }) => ReactNode;
};

/** A vessel in section, true to its measurements: the level is solved from the volume, in the spout as in the pot. */
export function VesselDrawing({
  vessel,
  scale,
  label,
  fill = millilitres(0),
  liquor = null,
  water = false,
  leaf,
  wet = true,
  lid = false,
  bowl = true,
  mark = true,
  level = false,
  pad = 3,
  extra,
}: VesselDrawingProps) {
  const id = useId();
  const { kind, brim, material } = vessel;
  const solved = useMemo(() => solveVessel(kind, brim), [kind, brim]);
  const wall = WALL[material];
  const pen = penFor(scale);
  const { x, y, px } = pen;
  const { radius: R } = solved;
  const surface = solved.levelOf(fill);
  const half = solved.radiusAt(surface);
  const full = fill > 0 && (liquor !== null || water);
  const box = extent(solved, wall, lid, bowl && kind === 'tasting');
  const stroke = Math.max(1.6, wall * scale);
  const shades = liquor
    ? [tint(liquor, 1.2), tint(liquor, 3.5), tint(liquor, 5)]
    : ['var(--water)', 'var(--water)', 'var(--water)'];
  // What does not move is worked out once: a bar draws its vessels again every second.
  const { inside, outside, spout, parts } = useMemo(() => {
    const p = penFor(scale);
    return {
      inside: profilePath(p, solved, 0, true),
      outside: profilePath(p, solved, wall / 2, false),
      spout: kind === 'pot' ? spoutPath(p, solved, wall) : null,
      parts: partPaths(p, solved, wall),
    };
  }, [kind, solved, scale, wall]);
  const [w, h] = [px(box.left + box.right) + 2 * pad, px(box.top + box.bottom) + pad];
  const markLevel = solved.levelOf(vessel.mark);
  const markAt = solved.radiusAt(markLevel) + wall;
  const lidLine = Math.max(1.2, Math.min(2, scale * 1.7));
  return (
    <svg
      className="vessel"
      width={w}
      height={h}
      viewBox={`${-px(box.left) - pad} ${-px(box.top) - pad} ${w} ${h}`}
      role={label ? 'img' : undefined}
      aria-label={label || undefined}
      aria-hidden={label ? undefined : true}
    >
      <LiquorClips id={id} inside={inside} spout={spout} shades={shades} />
      {spout && <path className="part" d={spout} />}
      {spout && full && (
        <g clipPath={`url(#${id}s)`}>
          <rect x="0" y={y(surface)} width={px(R * 2)} height={px(surface)} fill={shades[1]} />
        </g>
      )}
      {spout && <path className="spout-line" d={spout} />}
      {parts.map((d) => (
        <path className="part" d={d} key={d} />
      ))}
      <path className="air" d={inside} />
      {full && (
        <g clipPath={`url(#${id}i)`}>
          <rect
            x={x(-R * 1.1)}
            y={y(surface)}
            width={px(R * 2.2)}
            height={px(surface)}
            fill={`url(#${id}g)`}
          />
        </g>
      )}
      <LeafAndBasket
        vessel={vessel}
        solved={solved}
        scale={scale}
        leaf={leaf}
        wet={wet}
        clip={`${id}i`}
      />
      <path
        className="wall"
        d={outside}
        strokeWidth={material === 'glass' ? Math.max(3, stroke) : stroke}
      />
      {material === 'glass' && (
        <path className="wall-in" d={outside} strokeWidth={Math.max(1, stroke - 2)} />
      )}
      {kind === 'tasting' && <TastingRim solved={solved} scale={scale} wall={wall} bowl={bowl} />}
      {lid &&
        lidPaths(pen, solved).map((d) => (
          <path className="lid" d={d} key={d} strokeWidth={lidLine} />
        ))}
      {full && <path className="water" d={`M${x(-half)} ${y(surface)}H${x(half)}`} />}
      {mark && (
        <path
          className="fill-mark"
          d={`M${x(markAt - wall - 5)} ${y(markLevel)}H${x(markAt + 6)}`}
        />
      )}
      {level && full && (
        <LevelMark
          x={-px(half) * 0.55}
          y={-px(surface)}
          size={Math.max(8, Math.min(14, scale * 12))}
        />
      )}
      {extra?.({ solved, scale })}
    </svg>
  );
}

/** Where liquor can be, and how it deepens downwards. */
function LiquorClips({
  id,
  inside,
  spout,
  shades,
}: {
  id: string;
  inside: string;
  spout: string | null;
  shades: string[];
}) {
  return (
    <defs>
      <clipPath id={`${id}i`}>
        <path d={inside} />
      </clipPath>
      {spout && (
        <clipPath id={`${id}s`}>
          <path d={`${spout}Z`} />
        </clipPath>
      )}
      <linearGradient id={`${id}g`} x1="0" y1="0" x2="0" y2="1">
        <stop offset="0" stopColor={shades[0]} />
        <stop offset=".18" stopColor={shades[1]} />
        <stop offset="1" stopColor={shades[2]} />
      </linearGradient>
    </defs>
  );
}

/** The notches of a tasting cup's rim, and its bowl beside it. */
function TastingRim({
  solved,
  scale,
  wall,
  bowl,
}: {
  solved: SolvedVessel;
  scale: number;
  wall: number;
  bowl: boolean;
}) {
  const pen = penFor(scale);
  const { x, y, px } = pen;
  const notches = [1, 4, 7].map((d) => `M${x(solved.mouth - d)} ${y(solved.height)}v${px(4)}`);
  const { d, centre, radius } = bowlPath(pen, solved);
  const foot = radius / 2;
  return (
    <>
      <path className="spout-line" d={notches.join('')} />
      {bowl && <path className="wall" d={d} strokeWidth={Math.max(1.4, 2 * scale)} />}
      {bowl && (
        <path
          className="part"
          d={`M${x(centre - foot)} ${y(-1)}V${y(-wall - 2)}H${x(centre + foot)}V${y(-1)}`}
        />
      )}
    </>
  );
}
