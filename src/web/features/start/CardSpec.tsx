import { brewingOf, type Card } from '#core/recipes';
import { degrees, type Millilitres, numberText } from '#core/units';
import type { Lot, Tea, Version } from '#contracts/teas';
import type { Vessel } from '#contracts/vessels';
import { CupForecast } from '../../entities/brews/CupForecast';
import { SteepRule } from '../../entities/brews/SteepRule';
import { useSession, useUnits } from '../../entities/people/session';
import { liquorAfter } from '../../entities/teas/liquor';
import { predictionBasis } from '../../entities/teas/predictionBasis';
import { Spoons, WaterLine } from './CardParts';
import { handsWords, HeatWords } from './HeatWords';

/** Leaf, water, heat and time of the pour, and what its cup should taste of. */
export function CardSpec({
  tea,
  lot,
  version,
  vessel,
  water,
  card,
}: {
  tea: Tea;
  lot: Lot | null;
  version: Version;
  vessel: Vessel;
  water: Millilitres;
  card: Card;
}) {
  const units = useUnits();
  const { site } = useSession();
  const { recipe } = version;
  const brew = brewingOf({
    tea,
    recipe,
    vessel,
    leaf: card.leaf,
    water,
    onLeaf: card.onLeaf,
    time: recipe.window.best,
    ambient: site.ambient,
  });
  return (
    <dl className="spec">
      <dt>Leaf</dt>
      <dd>
        <span className="big" data-testid="leaf">
          {numberText(card.leaf)}
          <span className="u">g</span>
        </span>
        <Spoons card={card} tea={tea} lot={lot} />
      </dd>
      <dt>Water</dt>
      <dd>
        <WaterLine water={water} card={card} vessel={vessel} />
      </dd>
      <dt>Heat</dt>
      <dd>
        <span className="mid">
          {degrees(card.temperature, units.temperature)}
          <span className="u">°{units.temperature}</span>
        </span>
        <HeatWords card={card} />
      </dd>
      <dd className="full">
        <SteepRule
          window={recipe.window}
          width={420}
          liquorAfter={(s) => liquorAfter(tea, recipe, s)}
        />
        <p>{handsWords(recipe, vessel)}</p>
        <CupForecast brew={brew} standing={predictionBasis(tea)} />
      </dd>
    </dl>
  );
}
