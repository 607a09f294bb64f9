import type { ComponentProps, ReactNode } from 'react';
import { FIRST_TASTE, leafStaysIn, TASTE_EVERY } from '#core/brews';
import {
  brewingOf,
  type Card,
  type CupsAsked,
  MILK_SHARES,
  quartersText,
  type Recipe,
} from '#core/recipes';
import { degrees, type Millilitres, minutesText, numberText } from '#core/units';
import type { Lot, Tea } from '#contracts/teas';
import type { BrewedVessel } from '#contracts/vesselFacts';
import { CupForecast } from '../../entities/brews/CupForecast';
import { SteepRule } from '../../entities/brews/SteepRule';
import { useSession, useUnits } from '../../entities/people/session';
import { liquorAfter } from '../../entities/teas/liquor';
import { predictionBasis } from '../../entities/teas/predictionBasis';
import { Spoons, WaterLine } from './CardParts';
import { handsWords } from './HeatWords';
import { LineWithToggle } from './LineWithToggle';
import { OneByOne } from './OneByOne';
import { WishNote } from './Wish';

/** Leaf, water, heat and time of the pour, and what its cup should taste of. */
export function CardSpec({
  tea,
  lot,
  recipe,
  vessel,
  water,
  card,
  cups,
  heat,
  taper,
  explore,
  onExplore,
}: {
  tea: Tea;
  lot: Lot | null;
  recipe: Recipe;
  vessel: BrewedVessel;
  water: Millilitres;
  card: Card;
  cups: CupsAsked | null;
  /** How the water gets its heat. */
  heat: ReactNode;
  taper: ComponentProps<typeof OneByOne>['taper'];
  explore: boolean;
  onExplore: (explore: boolean) => void;
}) {
  const units = useUnits();
  const { site } = useSession();
  const poured = brewingOf({
    tea,
    recipe,
    vessel,
    leaf: card.leaf,
    water,
    onLeaf: card.onLeaf,
    time: recipe.window.best,
    ambient: site.ambient,
  });
  const share = card.wished ? MILK_SHARES[card.wished.wish.milk] : 0;
  const brew = share > 0 ? { ...poured, milk: share } : poured;
  return (
    <dl className="spec">
      <dt>Leaf</dt>
      <dd>
        <span className="big" data-testid="leaf">
          {card.countsSpoons && card.spoons
            ? quartersText(card.spoons.quarters)
            : numberText(card.leaf)}
          <span className="u">{leafUnit(card)}</span>
        </span>
        <Spoons card={card} tea={tea} lot={lot} />
      </dd>
      <dt>Water</dt>
      <dd>
        <WaterLine {...{ water, card, vessel, cups }} />
      </dd>
      <dt>Heat</dt>
      <dd>
        <span className="mid">
          {degrees(card.temperature, units.temperature)}
          <span className="u">°{units.temperature}</span>
        </span>
        {heat}
      </dd>
      <dd className="full">
        {card.wished && <WishNote wished={card.wished} milk={card.milk} />}
        <SteepRule
          window={recipe.window}
          width={420}
          liquorAfter={(s) => liquorAfter(tea, recipe, s)}
        />
        {leafStaysIn(vessel) === 'pot' && <OneByOne {...{ card, brew, taper }} />}
        <HandsLine {...{ recipe, vessel, explore, onExplore }} />
        <CupForecast brew={brew} standing={predictionBasis(tea)} />
      </dd>
    </dl>
  );
}

/** What the large figure of the leaf counts. */
function leafUnit({ countsSpoons, spoons }: Card) {
  if (!countsSpoons || !spoons) return 'g';
  return spoons.quarters > 4 ? 'spoons' : 'spoon';
}

/** What the hands do; and whether the clock asks for tastes, to find the time of a new tea, in place of its best. */
function HandsLine({
  recipe,
  vessel,
  explore,
  onExplore,
}: {
  recipe: Recipe;
  vessel: BrewedVessel;
  explore: boolean;
  onExplore: (explore: boolean) => void;
}) {
  return (
    <LineWithToggle toggle="Find by tasting" isOn={explore} onToggle={onExplore}>
      {explore && (
        <b>
          Taste at {minutesText(FIRST_TASTE)}, then every {TASTE_EVERY} s, until the taste is
          right.{' '}
        </b>
      )}
      {handsWords(recipe, vessel)}
    </LineWithToggle>
  );
}
