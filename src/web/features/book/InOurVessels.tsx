import { Link } from 'react-router';
import { cardOf, toCardInput } from '#core/brews';
import {
  bagsText,
  type Card,
  cardFaultWords,
  densityOf,
  gramsPerSpoon,
  matchedCup,
  quartersText,
} from '#core/recipes';
import { type KnownPour, leafFor, SCHOOL_REASON, SCHOOL_WORDS, taperExponent } from '#core/scaling';
import { measureOf } from '#core/teas';
import {
  type Grams,
  type Millilitres,
  minutesText,
  numberText,
  type Spoon,
  temperatureText,
  volumeText,
} from '#core/units';
import type { Version } from '#contracts/recipes';
import type { Lot, Tea } from '#contracts/teas';
import type { Vessel } from '#contracts/vessels';
import { type Units, useSession, useUnits } from '../../entities/people/session';
import { houseLiquorOf } from '../../entities/teas/liquor';
import { predictionBasis } from '../../entities/teas/predictionBasis';
import { useVesselsQuery } from '../../entities/vessels/api';
import { Nothing } from '../../ui/Note';
import { RefusedVessel, VesselCells } from './VesselCells';

/** A school is told apart where its leaf differs by this share, or its time by so many seconds. */
const LEAF_APART = 0.03;
const TIME_APART = 5;

/** The scaling table: every vessel of the site to its mark, or what keeps it from being brewed there. */
export function InOurVessels({ tea, house }: { tea: Tea; house: Version }) {
  const { data } = useVesselsQuery();
  const { site } = useSession();
  const vessels = (data?.vessels ?? []).filter(
    (v) => v.siteId === site.id && !v.retired && v.kind !== 'pitcher',
  );
  const { spoon, weighing } = measureOf(tea);
  const { scaling } = house.recipe;
  const known = knownOf(house, vessels) ?? { pour: null, words: '' };
  const otherSchools = (v: Vessel, leaf: Grams): string => {
    const others: string[] = [];
    const asked = toCardInput({
      tea,
      version: house,
      vessel: v,
      site,
      water: v.mark,
      warmed: house.recipe.warm,
    });
    const plain = leafFor(v.mark, house.recipe.dose, { school: 'linear' });
    if (scaling.school !== 'linear' && Math.abs(plain / leaf - 1) > LEAF_APART)
      others.push(`linear ${numberText(plain)} g`);
    const matched = known.pour && matchedCup(asked, known.pour);
    if (
      matched &&
      (Math.abs(matched.leaf / leaf - 1) > LEAF_APART ||
        Math.abs(matched.time - house.recipe.window.best) > TIME_APART)
    )
      others.push(`matched ${numberText(matched.leaf)} g, ${minutesText(matched.time)}`);
    return others.join('; ');
  };
  return (
    <>
      <TableHead weighing={weighing} spoon={spoon} scaling={scaling} tea={tea} />
      {vessels.length === 0 ? (
        <Nothing>No vessel at {site.name} yet.</Nothing>
      ) : (
        <table className="grid-table">
          <thead>
            <tr>
              <th colSpan={2} className="l">
                vessel
              </th>
              <th>water</th>
              <th>leaf</th>
              <th>spoons</th>
              <th className="opt">kettle</th>
              <th>best</th>
              <th className="opt l">other schools</th>
            </tr>
          </thead>
          <tbody>
            {vessels.map((v) => {
              const card = cardOf({
                tea,
                version: house,
                vessel: v,
                site,
                water: v.mark,
                warmed: house.recipe.warm,
              });
              if (card.kind !== 'card')
                return (
                  <RefusedVessel key={v.id} vessel={v} why={cardFaultWords(card)} columns={5} />
                );
              return (
                <VesselRow
                  key={v.id}
                  vessel={v}
                  card={card}
                  tea={tea}
                  house={house}
                  schools={otherSchools(v, card.leaf)}
                />
              );
            })}
          </tbody>
        </table>
      )}
      {vessels.length > 0 && (
        <p className="small mt-1">
          Matched: leaf and time that give {known.words} in that vessel’s own heat, by the model (
          {predictionBasis(tea).toLowerCase()}).{' '}
          {vessels.some((v) => v.infuser === 'free')
            ? `${SCHOOL_REASON.lifted} ${SCHOOL_REASON.leftIn}`
            : SCHOOL_REASON.lifted}
        </p>
      )}
    </>
  );
}

/** What the table says, by which spoon and which school. */
function TableHead({
  weighing,
  spoon,
  scaling,
  tea,
}: {
  weighing: NonNullable<Lot['weighing']> | null;
  spoon: Spoon;
  scaling:
    | { school: 'linear' }
    | {
        school: 'tapered';
        small: { water: Millilitres; leaf: Grams };
        large: { water: Millilitres; leaf: Grams };
      }
    | {
        school: 'match';
        known: {
          water: Millilitres;
          leaf: Grams;
          infuser: 'free' | 'deep' | 'shallow' | 'ball' | 'flatbag' | 'tetra';
          basket: Millilitres | null;
          material:
            'glass' | 'porcelain' | 'stoneware' | 'plastic' | 'castiron' | 'stainless' | 'none';
          lid: boolean;
        };
      };
  tea: Tea;
}) {
  return (
    <div className="flex items-end gap-3 mt-3">
      <h2 className="flex-1">
        In our vessels
        <small>
          to the fill mark
          {weighing
            ? `; ${spoon.heaped ? 'heaped' : 'level'} ${spoon.plural} of ${numberText(gramsPerSpoon(densityOf(weighing), spoon))} g`
            : ''}
          {scaling.school === 'tapered'
            ? `; tapered, water to the power ${numberText(taperExponent(scaling.small, scaling.large), 2)}`
            : `; leaf ${SCHOOL_WORDS[scaling.school]}`}
        </small>
      </h2>
      <Link className="btn slim" to={`/book/${tea.id}/board`}>
        For a service <kbd>B</kbd>
      </Link>
    </div>
  );
}

/** What this tea takes in one vessel. */
function VesselRow({
  vessel,
  card,
  tea,
  house,
  schools,
}: {
  vessel: Vessel;
  card: Card;
  tea: Tea;
  house: Version;
  /** What other schools of scaling say. */
  schools: string;
}) {
  const units = useUnits();
  return (
    <tr>
      <VesselCells
        vessel={vessel}
        liquor={houseLiquorOf(tea, house.recipe)}
        note={(card.crowding ?? 0) > 1 ? 'crowded' : undefined}
      />
      <td>{volumeText(vessel.mark, units.volume)}</td>
      <td>
        <b>{numberText(card.leaf)}</b> g
      </td>
      <td>
        {spoonWords(card)}
        {card.spoons && Math.abs(card.spoons.error) >= 0.03 ? (
          <span className="small">
            {' '}
            {card.spoons.error > 0 ? '+' : '−'}
            {numberText(Math.abs(card.spoons.error) * 100, 0)} %
          </span>
        ) : null}
      </td>
      <td className="opt">{kettleWords(card, units)}</td>
      <td>{minutesText(house.recipe.window.best)}</td>
      <td className="opt l schools">{schools}</td>
    </tr>
  );
}

/** Bags or spoons for so much leaf. */
function spoonWords(card: Card) {
  if (card.bags) return bagsText(card.bags);
  if (card.spoons) return quartersText(card.spoons.quarters);
  return '–';
}

/** What the kettle is set to, or what it takes to be hot enough. */
function kettleWords(card: Card, units: Units) {
  if (card.heat.kind === 'reachable')
    return temperatureText(card.heat.kettleSetting, units.temperature);
  if (card.prewarmNeeded) return 'warm it first';
  return 'off the boil';
}
/** The cup that a match starts from: the recipe's own known one, or its plain dose in a pot of about half a litre. */
function knownOf(
  { recipe }: Version,
  vessels: readonly Vessel[],
): { pour: KnownPour; words: string } | null {
  if (recipe.scaling.school === 'match')
    return {
      pour: recipe.scaling.known,
      words: `the known cup of ${numberText(recipe.scaling.known.leaf)} g in ${Math.round(recipe.scaling.known.water)} ml`,
    };
  const near = [...vessels].sort((a, b) => Math.abs(a.mark - 500) - Math.abs(b.mark - 500))[0];
  if (!near) return null;
  const plain = recipe.scaling;
  return {
    pour: {
      infuser: near.infuser,
      basket: near.basket,
      material: near.material,
      lid: near.lid,
      water: near.mark,
      leaf: leafFor(near.mark, recipe.dose, plain),
    },
    words: `the cup of the ${near.name}`,
  };
}
