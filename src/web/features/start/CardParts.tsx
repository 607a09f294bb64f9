import { useState } from 'react';
import {
  bagsText,
  type Card,
  type CupsAsked,
  cupsWords,
  roundingWords,
  type SpoonCount,
  spoonName,
  spoonsText,
} from '#core/recipes';
import { lotAgeWords, measureOf } from '#core/teas';
import { siteDate } from '#core/time';
import {
  type Millilitres,
  numberText,
  type Spoon,
  SPOONS,
  volumeParts,
  volumeText,
} from '#core/units';
import { filterNow, filterWords, type SiteWater, waterAdvice } from '#core/water';
import type { Lot, Tea } from '#contracts/teas';
import type { BrewedVessel } from '#contracts/vesselFacts';
import { useSession, useUnits, useZone } from '../../entities/people/session';
import { now } from '../../platform/clock';

/** For whom it waits: a table, a name, or nothing. */
export function ForWhom({
  vessel,
  onAdd,
}: {
  /** Null: any vessel; a pot that is not on the shelf is not kept for it. */
  vessel: string | null;
  onAdd: (forWhom: string) => void;
}) {
  const [typed, setTyped] = useState('');
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        onAdd(typed.trim());
      }}
    >
      <p>It waits in the queue, for {vessel === null ? 'any vessel' : `the ${vessel}`}.</p>
      <div className="field-row mt-3">
        <label htmlFor="for-whom">For whom</label>
        <div className="with-unit">
          <input
            id="for-whom"
            className="box"
            maxLength={60}
            value={typed}
            placeholder="Window table, two"
            autoFocus
            onChange={(e) => setTyped(e.target.value)}
          />
          <button type="submit" className="btn go">
            Put it in the queue
          </button>
        </div>
      </div>
    </form>
  );
}

export function Spoons({ card, tea, lot }: { card: Card; tea: Tea; lot: Lot | null }) {
  if (card.bags)
    return (
      <p>
        {bagsText(card.bags)}
        <em>of {numberText(card.leaf / card.bags, 2)} g each</em>
      </p>
    );
  const { weighing } = measureOf(tea, lot);
  if (card.spoons && card.countsSpoons)
    return <CountedSpoons spoons={card.spoons} leaf={card.leaf} isWeighed={weighing !== null} />;
  if (!card.spoons || !weighing)
    return (
      <p>
        by the scale<em>no spoon of this tea weighed yet</em>
      </p>
    );
  const { total, perSpoon, error, spoon } = card.spoons;
  const other = notThatSpoon(spoon);
  return (
    <p>
      {spoonsText(card.spoons)}
      <em>
        of this tea, {numberText(perSpoon)} g each: {numberText(total)} g, {error >= 0 ? '+' : '−'}
        {numberText(Math.abs(error * 100), 0)} %, {roundingWords(error)}. {other}
      </em>
    </p>
  );
}

/** The spoons that a recipe counts, with what they hold. */
function CountedSpoons({
  spoons,
  leaf,
  isWeighed,
}: {
  spoons: SpoonCount;
  leaf: number;
  isWeighed: boolean;
}) {
  const { spoon, quarters, perSpoon } = spoons;
  return (
    <p>
      {spoonName(spoon, quarters)}
      <em>
        {isWeighed
          ? `of this tea, ${numberText(perSpoon)} g each: ${numberText(leaf)} g. `
          : `about ${numberText(leaf)} g: no spoon of this tea weighed yet. `}
        {notThatSpoon(spoon)}
      </em>
    </p>
  );
}

/** The spoon it is easily taken for. */
function notThatSpoon(spoon: Spoon) {
  if (spoon.id === SPOONS.metricTablespoon.id) return 'Tablespoon, not teaspoon.';
  if (spoon.id === SPOONS.metricTeaspoon.id) return 'Teaspoon, not tablespoon.';
  return '';
}

export function WaterLine({
  water,
  card,
  vessel,
  cups,
}: {
  water: Millilitres;
  card: Card;
  vessel: BrewedVessel;
  cups: CupsAsked | null;
}) {
  const units = useUnits();
  const v = volumeParts(water, units.volume);
  const where = whereText(water, vessel);
  return (
    <>
      <span className="mid">
        {v.figure}
        <span className="u">{v.unit}</span>
      </span>
      <p>
        {where}
        <em>
          {volumeText(card.liquor, units.volume)} pours off
          {cups && `, ${cupsWords(cups, volumeText(cups.each, units.volume))}`}; brim at{' '}
          {volumeText(vessel.brim, units.volume)}
        </em>
      </p>
    </>
  );
}

/** Where the water stands against the fill mark. */
function whereText(water: Millilitres, vessel: BrewedVessel) {
  if (Math.abs(water - vessel.mark) < 0.5) return 'to the mark';
  if (water > vessel.mark) return 'over the mark';
  return 'under the mark';
}

/** What is said of the water here: unfiltered, or its filter is due. */
function waterWords(water: SiteWater, today: string): string[] {
  const filter = filterWords(filterNow(water, today));
  return [...waterAdvice(water), ...(filter ? [filter] : [])];
}

/** A lot that is old, or near its best before. */
function LotAge({ lot }: { lot: Lot | null }) {
  const today = siteDate(useZone(), now());
  const words = lot && lotAgeWords(lot, today);
  if (!words) return null;
  return (
    <p>
      <b>Leaf:</b> {lot.name}, {words}.
    </p>
  );
}

export function Cautions({
  card,
  tea,
  lot,
  vessel,
}: {
  card: Card;
  tea: Tea;
  /** The lot that is brewed. */
  lot: Lot | null;
  vessel: BrewedVessel;
}) {
  const { site } = useSession();
  const zone = useZone();
  return (
    <div className="cautions">
      {(tea.allergens || card.milk > 0) && (
        <p>
          <b className="strong">Allergens:</b>{' '}
          {[tea.allergens, card.milk > 0 && 'milk, in the cup'].filter(Boolean).join('; ')}.
        </p>
      )}
      {card.cautions.includes('crowded') && (
        <p>
          <b>Crowded:</b> opened leaf fills {numberText(card.crowding ?? 0)} of the{' '}
          {vessel.infuser === 'ball' ? 'ball' : 'basket'}: slower and paler.
        </p>
      )}
      {card.cautions.includes('coolGlass') && (
        <p>
          <b>Glass:</b> cold glass can crack under boiling water. Warm it first, little by little.
        </p>
      )}
      <LotAge lot={lot} />
      {waterWords(site.water, siteDate(zone, now())).map((words) => (
        <p key={words}>
          <b>Water:</b> {words}
        </p>
      ))}
      <p>
        Boiling water and steam scald; a hot basket goes on a saucer. {tea.cautions} {tea.note}
      </p>
    </div>
  );
}
