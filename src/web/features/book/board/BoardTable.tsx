import {
  type BoardAsk,
  boardOf,
  type BoardVessel,
  type Card,
  cardFaultWords,
  quartersText,
} from '#core/recipes';
import { numberText, temperatureText, volumeText } from '#core/units';
import type { Version } from '#contracts/recipes';
import type { Tea } from '#contracts/teas';
import type { Vessel } from '#contracts/vessels';
import { type Units, useUnits } from '../../../entities/people/session';
import { houseLiquorOf } from '../../../entities/teas/liquor';
import { RefusedVessel, VesselCells } from '../VesselCells';
import type { Asked } from './BoardSentence';

/** Every vessel of the site with what it takes. */
export function BoardTable({
  ask,
  shelf,
  asked,
  tea,
  house,
  vesselOf,
}: {
  ask: BoardAsk;
  shelf: readonly BoardVessel[];
  asked: Asked;
  tea: Tea;
  house: Version;
  vesselOf: (b: BoardVessel) => Vessel;
}) {
  const units = useUnits();
  const liquor = houseLiquorOf(tea, house.recipe);
  return (
    <table className="grid-table plain">
      <thead>
        <tr>
          <th colSpan={2} className="l">
            one round of each
          </th>
          <th>water</th>
          <th>leaf</th>
          <th>spoons</th>
          <th>rounding</th>
          <th className="opt">pours</th>
          <th className="l">
            {asked.kind === 'leaf' ? `with ${numberText(asked.leaf)} g` : 'for this tea'}
          </th>
        </tr>
      </thead>
      <tbody>
        {boardOf(ask, shelf).map(({ vessel, card }) => {
          const v = vesselOf(vessel);
          if (card.kind !== 'card')
            return <RefusedVessel key={v.id} vessel={v} why={cardFaultWords(card)} columns={5} />;
          const words = wordsOf(asked, card, units);
          return (
            <tr key={v.id}>
              <VesselCells vessel={v} liquor={liquor} />
              <td>{volumeText(v.mark, units.volume)}</td>
              <td>
                <b>{numberText(card.leaf)}</b> g
              </td>
              <td>{card.spoons ? quartersText(card.spoons.quarters) : '–'}</td>
              <td>
                {card.spoons
                  ? `${card.spoons.error >= 0 ? '+' : '−'}${Math.abs(Math.round(card.spoons.error * 100))} %`
                  : '–'}
              </td>
              <td className="opt">{volumeText(card.liquor, units.volume)}</td>
              <td className={`l ${words === 'good' ? '' : 'font-semibold'}`}>{words}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

/** What stands beside a vessel: how far the leaf goes, or what to know of it. */
function wordsOf(asked: Asked, card: Card, units: Units) {
  if (asked.kind === 'leaf') return withLeaf(asked.leaf, card.leaf, card.water, card.liquor);
  if ((card.crowding ?? 0) > 1) return 'crowded: slower and paler';
  if (card.heat.kind !== 'outOfReach') return 'good';
  return card.prewarmNeeded
    ? 'warm it first'
    : `at most ${temperatureText(card.onLeaf, units.temperature)} on the leaf`;
}

/** What so much leaf does for a vessel that wants `wanted`. */
function withLeaf(leaf: number, wanted: number, water: number, liquor: number): string {
  if (leaf >= wanted * 2) return `${Math.floor(leaf / wanted)} times full`;
  if (leaf >= wanted - 0.05) return `once full, ${numberText(leaf - wanted)} g left`;
  return `to ${Math.round((water * leaf) / wanted / 5) * 5} ml: ${Math.round((liquor * leaf) / wanted)} ml pour`;
}
