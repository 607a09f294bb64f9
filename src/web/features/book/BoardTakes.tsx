import { cardOf } from '#core/brews';
import {
  type BoardAsk,
  type BoardVessel,
  densityOf,
  type Serving,
  spoonsFor,
  spoonsText,
  waterForLeaf,
} from '#core/recipes';
import { measureOf } from '#core/teas';
import {
  celsius,
  grams,
  minutesText,
  numberText,
  parseWithin,
  temperatureText,
  volumeText,
} from '#core/units';
import type { Version } from '#contracts/recipes';
import type { Tea } from '#contracts/teas';
import type { Vessel } from '#contracts/vessels';
import { useSession, useUnits } from '../../entities/people/session';
import { now } from '../../platform/clock';
import { Note } from '../../ui/Note';
import { TypedPick } from '../../ui/TypedPick';

type Props = {
  serving: Serving;
  cup: number;
  cups: number;
  tea: Tea;
  house: Version;
  vesselOf: (b: BoardVessel) => Vessel;
  price: number | null;
  onPrice: (p: number) => void;
};

/** What a service takes: leaf, water, hands, cost, and what is wrong with it. */
export function Takes({ serving: s, cup, cups, tea, house, vesselOf, price, onPrice }: Props) {
  const { site } = useSession();
  const units = useUnits();
  if (s.kind === 'noVessel')
    return (
      <Note bad>
        <b>No vessel here brews this.</b> See the reasons in the table.
      </Note>
    );
  if (s.kind === 'tooMany')
    return (
      <Note bad>
        <b>{s.rounds} rounds:</b> more than a service. Fewer cups, or more vessels.
      </Note>
    );
  const pots = s.rounds.reduce((n, r) => n + r.pours.length, 0);
  const { weighing, spoon } = measureOf(tea);
  const spoons = weighing ? spoonsText(spoonsFor(s.leaf, densityOf(weighing), spoon)) : null;
  const first = s.rounds[0]?.pours[0];
  const card =
    first &&
    cardOf({
      tea,
      version: house,
      vessel: vesselOf(first.vessel),
      site,
      water: first.water,
      warmed: house.recipe.warm,
    });
  const late = now() - (s.rounds[0]?.pourFrom ?? now());
  return (
    <>
      <h2>
        {pots} {pots === 1 ? 'pour' : 'pours'} in {s.rounds.length}{' '}
        {s.rounds.length === 1 ? 'round' : 'rounds'}
        <small>
          {numberText(s.liquor / cup)} cups, {Math.max(0, Math.round(s.liquor - cups * cup))} ml
          over
        </small>
      </h2>
      <dl className="takes">
        <dt>Leaf</dt>
        <dd>
          <b>{numberText(s.leaf)} g</b>
          {spoons && <span className="small">{spoons} of this tea</span>}
        </dd>
        <dt>Water</dt>
        <dd>
          <b>
            {numberText(s.water / 1000, 2)} l
            {card?.kind === 'card' && card.heat.kind === 'reachable'
              ? ` at ${temperatureText(card.heat.kettleSetting, units.temperature)}`
              : ''}
          </b>
          <span className="small">
            the kettle {s.fillings === 1 ? 'once' : `${s.fillings} times`}
          </span>
        </dd>
        <dt>Hands</dt>
        <dd>
          <b>{pots > s.rounds.length ? 2 : 1}</b>
          <span className="small">
            {pots > s.rounds.length
              ? 'one pours, one lifts; 0:30 between pots'
              : 'one pot at a time'}
          </span>
        </dd>
        <dt>Cost</dt>
        <dd>
          <b>{price ? `${numberText(((s.leaf / 1000) * price) / cups, 2)} a cup` : '–'}</b>
          <span className="small">
            leaf at{' '}
            <TypedPick
              label="Price of a kilo"
              small
              text={price ? numberText(price, 2) : 'so much'}
              typed={price ? numberText(price, 2) : ''}
              read={(t) => parseWithin(t, 'A price', 'a kilo', 0.01, 100_000)}
              onValue={onPrice}
            />{' '}
            a kilo{price ? `: ${numberText((s.leaf / 1000) * price, 2)} in all` : ''}
          </span>
        </dd>
      </dl>
      <div className="grid gap-2 mt-3">
        {late > 0 && (
          <Note bad>
            <b>Too late by {minutesText(late / 1000)}.</b> Say a later time, or fewer cups.
          </Note>
        )}
        {s.rounds.length > 1 && (
          <Note>
            <b>First poured waits {Math.round(s.firstWaits / 60)} minutes.</b> In a lidded jug it is
            about {temperatureText(celsius(Math.round(s.firstAt)), units.temperature)} by then.
          </Note>
        )}
      </div>
      <p className="small mt-2">
        Boiling water and steam scald; full pots are heavy. By the house recipe, version{' '}
        {house.number}.
      </p>
    </>
  );
}

/** What so much leaf makes by the plain dose. */
export function LeafMakes({ ask, leaf }: { ask: BoardAsk; leaf: number }) {
  const units = useUnits();
  const { water, liquor } = waterForLeaf(ask, grams(leaf));
  return (
    <>
      <h2>{numberText(leaf)} g of leaf</h2>
      <dl className="takes">
        <dt>Water</dt>
        <dd>
          <b>{volumeText(water, units.volume)}</b>
          <span className="small">at {numberText(ask.recipe.dose, 2)} g per 100 ml</span>
        </dd>
        <dt>Pours</dt>
        <dd>
          <b>{volumeText(liquor, units.volume)}</b>
          <span className="small">
            about {Math.floor(liquor / 180)} cups of 180 ml; the rest stays in the leaf
          </span>
        </dd>
      </dl>
    </>
  );
}
