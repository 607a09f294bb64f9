import type { PouredTurn, TurnsGiven } from '#core/training';

const HIGH = 110;
const WIDE = 64;

/** The cups as they fill, each with its button. */
export function Cups({
  given: { cups, liquorMl },
  pours,
  held,
  isDone,
  isTapped,
  left,
  onTap,
  onHold,
}: {
  given: TurnsGiven;
  pours: readonly PouredTurn[];
  /** The cup that is being poured into. */
  held: number | null;
  isDone: boolean;
  isTapped: boolean;
  left: number;
  onTap: (cup: number) => void;
  onHold: (cup: number | null) => void;
}) {
  const share = liquorMl / cups;
  const filled = (cup: number) =>
    pours.filter((p) => p.cup === cup).reduce((sum, p) => sum + p.ml, 0);
  return (
    <>
      <p className="mt-3" role="status">
        {Math.round(left)} ml left in the vessel.
      </p>
      <ul className="flex flex-wrap gap-3 mt-3" aria-label="Cups">
        {Array.from({ length: cups }, (_, cup) => (
          <li key={cup} className="grid justify-items-center gap-2">
            <CupOfLiquor share={filled(cup) / (1.4 * share)} cup={cup + 1} ml={filled(cup)} />
            <button
              type="button"
              className={`btn ${held === cup ? 'chosen choice' : ''}`}
              disabled={isDone || left <= 0}
              {...(isTapped
                ? { onClick: () => onTap(cup) }
                : {
                    onPointerDown: () => onHold(cup),
                    onPointerUp: () => onHold(null),
                    onPointerLeave: () => onHold(null),
                    onPointerCancel: () => onHold(null),
                  })}
            >
              {isTapped ? 'Half a cup' : 'Hold'} <kbd>{cup + 1}</kbd>
            </button>
          </li>
        ))}
      </ul>
      {!isTapped && (
        <p className="small mt-3">
          Hold a button to pour. By keys: press a number to begin, and press the number again to
          stop.
        </p>
      )}
    </>
  );
}
/** A cup from the side, so full. No figure before the answer: the eye measures. */
function CupOfLiquor({ share, cup, ml }: { share: number; cup: number; ml: number }) {
  const high = Math.min(1, share) * (HIGH - 8);
  return (
    <svg
      width={WIDE}
      height={HIGH}
      viewBox={`0 0 ${WIDE} ${HIGH}`}
      role="img"
      aria-label={`Cup ${cup}: ${ml === 0 ? 'empty' : `${Math.round(100 * Math.min(1, share))} % full`}`}
    >
      <rect x="6" y={HIGH - 4 - high} width={WIDE - 12} height={high} fill="var(--water)" />
      <path
        d={`M3 4V${HIGH - 3}H${WIDE - 3}V4`}
        fill="none"
        stroke="var(--ink)"
        strokeWidth="3"
        strokeLinejoin="round"
      />
    </svg>
  );
}
