import { bagsText, type Card, spoonsText } from '#core/recipes';
import {
  type Millilitres,
  minutesText,
  numberText,
  type Seconds,
  temperatureText,
  volumeText,
} from '#core/units';
import type { BrewedVessel } from '#contracts/vesselFacts';
import { useUnits } from '../../entities/people/session';

/** Whether the vessel is warmed first, where the recipe wants it or the heat needs it. */
export function Warming({
  asked,
  needed,
  warmed,
  onWarmed,
}: {
  asked: boolean;
  needed: boolean;
  warmed: boolean;
  onWarmed: (warmed: boolean) => void;
}) {
  if (!asked && !warmed && !needed) return <span />;
  return (
    <label className="check">
      <input type="checkbox" checked={warmed} onChange={(e) => onWarmed(e.target.checked)} />
      {asked || warmed ? 'Vessel warmed first' : 'Warm the vessel: cold, it cannot reach the heat'}
    </label>
  );
}

/** What else can be done with this card. */
export function CardTools({
  off,
  onScale,
  onWorking,
}: {
  off: boolean;
  onScale: () => void;
  onWorking: () => void;
}) {
  const tools = [
    ['On the scale', onScale],
    ['The working', onWorking],
  ] as const;
  return (
    <span className="tools">
      {tools.map(([name, act]) => (
        <button key={name} type="button" className="btn quiet slim" disabled={off} onClick={act}>
          {name}
        </button>
      ))}
    </span>
  );
}

/** Another brew would be due at the same moment. */
export function Meets({
  meets,
  onStart,
}: {
  meets: { wait: number; name: string; place: number; at: string };
  onStart: () => void;
}) {
  return (
    <p className="meets" role="status">
      Poured now, it meets <span className="tea">{meets.name}</span>, place {meets.place}, at{' '}
      {meets.at}.{' '}
      {meets.wait > 0 ? (
        <button type="button" className="btn slim" onClick={onStart}>
          Get it ready, pour in {minutesText(meets.wait)}
        </button>
      ) : (
        'Another hand then.'
      )}
    </p>
  );
}

function spoonsOf(card: Card): string {
  if (card.bags) return bagsText(card.bags);
  return card.spoons ? spoonsText(card.spoons) : '';
}
/** The act itself, always in reach. */
export function StartFoot({
  card,
  water,
  best,
  vessel,
  warmed,
  off,
  onStart,
}: {
  /** Null: this pour cannot be brewed. */
  card: Card | null;
  water: Millilitres;
  best: Seconds;
  vessel: BrewedVessel;
  warmed: boolean;
  off: boolean;
  onStart: (warming: boolean) => void;
}) {
  const units = useUnits();
  return (
    <div className="foot">
      {card && (
        <p className="in-reach">
          <b>{numberText(card.leaf)} g</b> {spoonsOf(card)} in {volumeText(water, units.volume)},{' '}
          {temperatureText(card.temperature, units.temperature)}, {minutesText(best)}
        </p>
      )}
      {warmed && (
        <button type="button" className="btn go" disabled={off} onClick={() => onStart(true)}>
          Warm the {vessel.kind === 'pot' ? 'pot' : 'vessel'} <kbd>Space</kbd>
        </button>
      )}
      <button
        type="button"
        className={`btn ${warmed ? '' : 'go'}`}
        disabled={off}
        onClick={() => onStart(false)}
      >
        Water on: start <kbd>Enter</kbd>
      </button>
    </div>
  );
}
