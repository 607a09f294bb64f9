import { cupName, type CupState, isColdCup, scheduleFor, valueText } from '#core/tastings';
import { liquorOfCup } from '#core/tastings';
import { grams, millilitres, minutesText } from '#core/units';
import type { OpenTasting } from '#contracts/tastings';
import type { VesselFields } from '#contracts/vessels';
import { type Units, useUnits } from '../../../entities/people/session';
import { Cup } from '../../../entities/teas/Cup';
import { VesselDrawing } from '../../../entities/vessels/VesselDrawing';
import { LINE } from './places';

/** How large vessels are drawn, px a mm; and the poured cup, px. */
const SCALES = { cup: { far: 1.18, near: 0.8 }, pot: { far: 0.55, near: 0.4 } };
const POURED = { far: 84, near: 56 };
const scalesOf = ({ kind }: VesselFields) =>
  kind === 'tasting' || kind === 'lidded' ? SCALES.cup : SCALES.pot;

/** One cup: its code, what is said of it, the vessel or the poured cup. */
export function Rung({
  view,
  cup,
  state,
  t,
  code,
  isNext,
  place,
  isNear,
}: {
  view: OpenTasting;
  cup: number;
  state: CupState | undefined;
  /** Now, ms. */
  t: number;
  code: string;
  isNext: boolean;
  /** From the left, px. */
  place: number;
  /** Its neighbour stands close: drawn smaller. */
  isNear: boolean;
}) {
  const units = useUnits();
  const { vessel, exercise } = view;
  const plan = exercise.cups[cup]?.plan;
  if (!plan) return null;
  const size = isNear ? 'near' : 'far';
  const isPoured = state !== undefined && state.poured !== null;
  const steeped = isPoured ? ((state.pulled ?? t) - (state.poured ?? t)) / 1000 : 0;
  const liquor = isPoured
    ? liquorOfCup(
        { tea: view.tea, recipe: view.version.recipe, vessel },
        { ...plan, grams: state.grams, water: state.water },
        steeped,
      )
    : null;
  return (
    <div className={`rung ${state?.excluded ? 'out' : ''}`} style={{ left: place, height: LINE }}>
      <b>{code}</b>
      <span className={isNext ? 'font-bold' : ''}>
        {state?.excluded ??
          rungWords(view, cup, isPoured && state.pulled !== null ? steeped : null, units)}
      </span>
      <i>
        {liquor && isPoured && state.pulled !== null ? (
          <Cup liquor={liquor} size={POURED[size]} label={`${code}, poured off`} />
        ) : (
          <VesselDrawing
            vessel={vessel}
            scale={scalesOf(vessel)[size]}
            label={`${code}${liquor ? ', steeping' : ', dry'}`}
            fill={liquor ? millilitres(plan.water) : millilitres(0)}
            liquor={liquor}
            leaf={grams(plan.grams)}
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

/** What is said of a cup: after how long it was poured off, when it is to be, or what it is. */
function rungWords(
  { exercise }: OpenTasting,
  cup: number,
  pouredOff: number | null,
  units: Units,
): string {
  const plan = exercise.cups[cup]?.plan;
  if (!plan) return '';
  if (pouredOff !== null && !isColdCup(plan)) {
    const off = Math.round(pouredOff - plan.seconds);
    const sign = off > 0 ? '+' : '−';
    return `poured ${minutesText(pouredOff)}${off ? `, ${sign}${Math.abs(off)} s` : ''}`;
  }
  const when = minutesText(plan.seconds);
  if (isColdCup(plan)) return `from the fridge, ${when}`;
  if (scheduleFor(exercise).kind === 'oneClock') return `pour at ${when}`;
  return [cupName(plan) || differenceOf(exercise, cup, units), when].filter(Boolean).join(', ');
}

/** What sets a cup apart from the others, where it has no name; nothing where its time does. */
function differenceOf(e: OpenTasting['exercise'], cup: number, units: Units): string {
  const plan = e.cups[cup]?.plan;
  if (e.kind === 'dialIn') return cup === e.cups.length - 1 ? 'this round' : 'the round before';
  if (!plan || e.kind === 'calibration' || e.way === 'seconds') return '';
  return valueText(e.way, plan[e.way], units);
}
