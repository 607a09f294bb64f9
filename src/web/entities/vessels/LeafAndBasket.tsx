import { type Grams, millilitres, millimetres } from '#core/units';
import { basketShape, penFor, type SolvedVessel } from '#core/vessels';
import type { VesselFields } from '#contracts/vessels';

/** ml a gram of leaf takes up, dry and opened: from memory. */
const BED = { dry: 2.6, wet: 5 };

/** The leaf as it lies in the liquor, dry or opened; the basket around it, or the plate of a release. */
export function LeafAndBasket({
  vessel,
  solved,
  scale,
  leaf,
  wet,
  clip,
}: {
  vessel: Pick<VesselFields, 'infuser' | 'basket'>;
  solved: SolvedVessel;
  scale: number;
  leaf: Grams | undefined;
  wet: boolean;
  /** The id of the vessel's inside: leaf that lies free is cut by it. */
  clip: string;
}) {
  const { x, y, px } = penFor(scale);
  const bed = (leaf ?? 0) * (wet ? BED.wet : BED.dry);
  const dash = `${Math.max(2, scale * 3)} ${Math.max(1.6, scale * 2)}`;
  if (vessel.infuser === 'free' || vessel.basket === null) {
    if (!leaf) return null;
    const top = solved.levelOf(millilitres(bed));
    return (
      <g clipPath={`url(#${clip})`}>
        <rect
          x={x(-solved.radius)}
          y={y(top)}
          width={px(2 * solved.radius)}
          height={px(top)}
          fill="url(#leaf-pattern)"
        />
      </g>
    );
  }
  const { halfWidth: b, floor } = basketShape(solved, vessel.basket);
  const area = Math.PI * b * b;
  const height = Math.min((solved.height - floor) * 0.92, (bed * 1000) / area);
  const rim = solved.height + 1;
  return (
    <>
      {leaf ? (
        <g clipPath={`url(#${clip})`}>
          <rect
            x={x(-b + 1)}
            y={y(floor + height)}
            width={px(2 * b - 2)}
            height={px(height)}
            fill="url(#leaf-pattern)"
          />
        </g>
      ) : null}
      {solved.kind === 'release' ? (
        <path
          className="basket"
          d={`M${x(-solved.radiusAt(millimetres(floor)))} ${y(floor)}H${x(solved.radiusAt(millimetres(floor)))}`}
          strokeDasharray={dash}
        />
      ) : (
        <path
          className="basket"
          d={`M${x(-b - 3)} ${y(rim)}H${x(-b)}M${x(b + 3)} ${y(rim)}H${x(b)}M${x(-b)} ${y(rim)}V${y(floor)}H${x(b)}V${y(rim)}`}
          strokeDasharray={dash}
        />
      )}
    </>
  );
}
