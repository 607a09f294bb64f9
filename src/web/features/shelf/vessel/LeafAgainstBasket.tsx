import { cardOf } from '#core/brews';
import type { Card, CardFault } from '#core/recipes';
import { basketVolume } from '#core/vessels';
import type { Tea } from '#contracts/teas';
import type { Vessel } from '#contracts/vessels';
import { useSession } from '../../../entities/people/session';
import { useBookQuery } from '../../../entities/teas/api';

/** A usual pot of leaf: 1.2 g per 100 ml, each gram taking up 5 ml as it opens. */
export const USUAL_DOSE = 1.2;

export const USUAL_SWELL = 5;

/** Where a full basket is drawn, px from the top. */
const FULL = 52;
const COLUMN = { width: 46, height: 100, step: 84 };

/** One column a tea, the fullest of each kind: over the line the leaf cannot open. */
export function LeafAgainstBasket({ vessel }: { vessel: Vessel }) {
  const { data } = useBookQuery();
  const { site } = useSession();
  if (basketVolume(vessel) === null)
    return <p className="small mt-3">Leaf lies free in it: it always has room.</p>;
  const all = (data?.teas ?? [])
    .flatMap((tea) => {
      if (!tea.house || tea.retired) return [];
      const card = cardOf({
        tea,
        version: tea.house,
        vessel,
        site,
        water: vessel.mark,
        warmed: true,
      });
      const share = basketShare(card);
      return share === null ? [] : [{ tea, share }];
    })
    .sort((a, b) => b.share - a.share);
  const shown = all
    .filter((x, i) => all.findIndex((y) => y.tea.style === x.tea.style) === i)
    .slice(0, 8);
  return (
    <>
      <h2 className="mt-4">
        Leaf against the basket
        <small>
          opened leaf at the mark, each tea’s house recipe. Over the line it cannot open
        </small>
      </h2>
      {shown.length === 0 ? (
        <p className="small">No recipe to hold against it yet.</p>
      ) : (
        <BasketColumns shown={shown} />
      )}
    </>
  );
}

/** How full the opened leaf makes the basket; null where nothing can be said. */
function basketShare(card: Card | CardFault) {
  if (card.kind === 'card') return card.crowding;
  if (card.kind === 'basketTooSmall') return card.crowding;
  return null;
}

/** One column a tea; what stands over the line cannot open. */
function BasketColumns({ shown }: { shown: readonly { tea: Tea; share: number }[] }) {
  return (
    <svg
      viewBox={`0 0 760 ${FULL + COLUMN.height + 50}`}
      style={{ width: '100%', maxWidth: 760, height: 'auto' }}
      role="img"
      aria-label={shown
        .map((s) => `${s.tea.name} ${s.share.toFixed(1)} times the basket`)
        .join(', ')}
    >
      {shown.map(({ tea, share }, i) => {
        const x = 92 + i * COLUMN.step;
        const h = Math.min(1, share) * COLUMN.height;
        const over = Math.min(FULL - 20, Math.max(0, share - 1) * COLUMN.height);
        const [first = '', ...rest] = tea.name.split(' ');
        return (
          <g key={tea.id}>
            <path
              d={`M${x} ${FULL}v${COLUMN.height}h${COLUMN.width}v${-COLUMN.height}`}
              fill="none"
              stroke="var(--ink)"
              strokeWidth="1.5"
              strokeDasharray="4 3"
            />
            <rect
              x={x + 1}
              y={FULL + COLUMN.height - h}
              width={COLUMN.width - 2}
              height={h}
              fill="url(#leaf-pattern)"
            />
            {h < COLUMN.height && (
              <path
                d={`M${x} ${FULL + COLUMN.height - h}h${COLUMN.width}`}
                stroke="var(--ink)"
                strokeWidth="1.2"
              />
            )}
            {over > 0 && (
              <rect
                x={x}
                y={FULL - over}
                width={COLUMN.width}
                height={over}
                fill="url(#hatch)"
                stroke="var(--warn)"
                strokeWidth="1.5"
              />
            )}
            <text
              x={x + COLUMN.width / 2}
              y={(over > 0 ? FULL - over : Math.max(FULL + 16, FULL + COLUMN.height - h)) - 5}
              textAnchor="middle"
              fontSize="15"
              fontWeight="700"
              fill={over > 0 ? 'var(--warn)' : 'var(--ink)'}
            >
              {share.toFixed(1)} ×
            </text>
            <text
              className="tea"
              x={x + COLUMN.width / 2}
              y={FULL + COLUMN.height + 18}
              textAnchor="middle"
              fontSize="14"
              fill="var(--ink)"
            >
              {first}
            </text>
            <text
              className="tea"
              x={x + COLUMN.width / 2}
              y={FULL + COLUMN.height + 34}
              textAnchor="middle"
              fontSize="14"
              fill="var(--ink)"
            >
              {rest.join(' ')}
            </text>
          </g>
        );
      })}
      <path d={`M0 ${FULL}H760`} stroke="var(--ink)" strokeWidth="1.5" />
      <text x="0" y={FULL - 6} fontSize="14" fontWeight="700" fill="var(--ink)">
        full basket
      </text>
    </svg>
  );
}
