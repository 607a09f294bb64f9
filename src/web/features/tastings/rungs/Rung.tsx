import type { Liquor } from '#core/colour';
import { cupName, type CupState, valueText } from '#core/tastings';
import { grams, millilitres, minutesText } from '#core/units';
import type { OpenTasting } from '#contracts/tastings';
import type { VesselFields } from '#contracts/vessels';
import type { Units } from '../../../entities/people/session';
import { Cup } from '../../../entities/teas/Cup';
import { VesselDrawing } from '../../../entities/vessels/VesselDrawing';
import { LINE, NEAR } from './places';

/** One cup: its code, what is said of it, the vessel or the poured cup. */
export function Rung({
  i,
  s,
  places,
  codeOf,
  next,
  steeped,
  off,
  onClock,
  c,
  e,
  units,
  liquor,
  gap,
  vessel,
  small,
}: {
  i: number;
  s: CupState | undefined;
  places: number[];
  codeOf: (cup: number) => string;
  next: number | null;
  steeped: number;
  off: number;
  onClock: boolean;
  c: OpenTasting['exercise']['cups'][number];
  e: OpenTasting['exercise'];
  units: Units;
  liquor: Liquor | null;
  gap: number;
  vessel: VesselFields;
  small: 0.8 | 1.18 | 0.4 | 0.55;
}) {
  return (
    <div className={`rung ${s?.excluded ? 'out' : ''}`} style={{ left: places[i], height: LINE }}>
      <b>{codeOf(i)}</b>
      <span className={next === i ? 'font-bold' : ''}>
        {rungWords({ s, steeped, off, onClock, c, e, i, units })}
      </span>
      <i>
        {s?.pulled !== null && liquor ? (
          <Cup liquor={liquor} size={gap >= NEAR ? 84 : 56} label={`${codeOf(i)}, poured off`} />
        ) : (
          <VesselDrawing
            vessel={vessel}
            scale={small}
            label={`${codeOf(i)}${liquor ? ', steeping' : ', dry'}`}
            fill={liquor ? millilitres(c.plan.water) : millilitres(0)}
            liquor={liquor}
            leaf={grams(c.plan.grams)}
            wet={liquor !== null}
            lid={liquor !== null && vessel.lid}
            bowl={false}
            mark={false}
          />
        )}
      </i>
    </div>
  );
}

/** What is said of a cup: poured, to be poured, or what it is. */
function rungWords({
  s,
  steeped,
  off,
  onClock,
  c,
  e,
  i,
  units,
}: {
  s: CupState | undefined;
  steeped: number;
  off: number;
  onClock: boolean;
  c: OpenTasting['exercise']['cups'][number];
  e: OpenTasting['exercise'];
  i: number;
  units: Units;
}) {
  if (s?.excluded) return s.excluded;
  if (s?.pulled !== null)
    return `poured ${minutesText(steeped)}${off ? `, ${off > 0 ? '+' : '−'}${Math.abs(off)} s` : ''}`;
  if (onClock) return `pour at ${minutesText(c.plan.seconds)}`;
  return [cupName(c.plan) || cupWords({ e, i, c, units }), minutesText(c.plan.seconds)]
    .filter(Boolean)
    .join(', ');
}

/** What a cup is called where it is not on the clock. */
function cupWords({
  e,
  i,
  c,
  units,
}: {
  e: OpenTasting['exercise'];
  i: number;
  c: OpenTasting['exercise']['cups'][number];
  units: Units;
}) {
  if (e.kind === 'dialIn') {
    if (i === e.cups.length - 1) return 'this round';
    return 'the round before';
  }
  if (e.kind === 'calibration' || e.way === 'seconds') return '';
  return valueText(e.way, c.plan[e.way], units);
}
