import {
  cardFaultWords,
  glassWords,
  handlingWords,
  leewayWords,
  quartersText,
  warmStartWords,
  workOutCold,
} from '#core/recipes';
import { measureOf } from '#core/teas';
import { degrees, minutesText, numberText, temperatureText, volumeText } from '#core/units';
import type { Version } from '#contracts/recipes';
import type { Tea } from '#contracts/teas';
import { useSession, useUnits } from '../../entities/people/session';
import { useVesselsQuery } from '../../entities/vessels/api';
import { Fact } from '../../ui/Fact';
import { Nothing } from '../../ui/Note';
import { LeafFact } from './tea/LeafFact';
import { RefusedVessel, VesselCells } from './VesselCells';

/** A cold recipe: hours instead of minutes, no heat to make, cautions that always stand with it. */
export function ColdRecipe({ tea, house }: { tea: Tea; house: Version }) {
  const units = useUnits();
  const { recipe } = house;
  const { earliest, best, latest } = recipe.window;
  return (
    <>
      <div className="facts">
        <LeafFact tea={tea} recipe={recipe} />
        <Fact label="water goes on at" unit={`°${units.temperature}`}>
          {degrees(recipe.temperature, units.temperature)}
        </Fact>
        <Fact label="best after">{minutesText(best)}</Fact>
        <Fact label="from and to">
          {minutesText(earliest)} <span>to</span> {minutesText(latest)}
        </Fact>
      </div>
      <p className="small mt-1">
        {[
          warmStartWords(recipe, units.temperature),
          recipe.lid ? 'Tight lid.' : 'Lid off.',
          ...handlingWords(recipe),
          recipe.note,
          leewayWords(recipe),
        ]
          .filter(Boolean)
          .join(' ')}
      </p>
      {recipe.glasses.length > 0 && (
        <ul className="small">
          {recipe.glasses.map((g) => (
            <li key={g.style}>{glassWords(g, units.volume)}</li>
          ))}
        </ul>
      )}
      <ColdVessels tea={tea} house={house} />
      <p className="small mt-2">
        <b>Cold brew:</b> clean, sanitised vessels; keep it at or below{' '}
        {temperatureText(5 as never, units.temperature)}; no more time at room temperature than the
        local food code allows; label it with made, ready and discard times. When in doubt, throw it
        out. The local food code and the site’s own plan decide.
      </p>
    </>
  );
}

function ColdVessels({ tea, house }: { tea: Tea; house: Version }) {
  const { data } = useVesselsQuery();
  const { site } = useSession();
  const units = useUnits();
  const pitchers = (data?.vessels ?? []).filter(
    (v) => v.siteId === site.id && !v.retired && v.kind === 'pitcher',
  );
  if (pitchers.length === 0)
    return (
      <Nothing>No pitcher at {site.name} yet. The shelf takes one of the kind “pitcher”.</Nothing>
    );
  return (
    <>
      <h2 className="mt-3">
        In our pitchers<small>to the fill mark</small>
      </h2>
      <table className="grid-table">
        <thead>
          <tr>
            <th colSpan={2} className="l">
              vessel
            </th>
            <th>water</th>
            <th>leaf</th>
            <th>spoons</th>
            <th>hot first</th>
            <th>pours</th>
          </tr>
        </thead>
        <tbody>
          {pitchers.map((v) => {
            const card = workOutCold(
              { style: tea.style, fitted: tea.fitted, ...measureOf(tea) },
              house.recipe,
              v,
              v.mark,
            );
            if (card.kind !== 'coldCard')
              return <RefusedVessel key={v.id} vessel={v} why={cardFaultWords(card)} columns={4} />;
            return (
              <tr key={v.id}>
                <VesselCells vessel={v} liquor={null} />
                <td>{volumeText(card.water, units.volume)}</td>
                <td>
                  <b>{numberText(card.leaf)}</b> g
                </td>
                <td>{card.spoons ? quartersText(card.spoons.quarters) : '–'}</td>
                <td>
                  {card.hotFirst
                    ? `${volumeText(card.hotFirst.water, units.volume)} at ${temperatureText(card.hotFirst.temperature, units.temperature)}`
                    : 'none'}
                </td>
                <td>{volumeText(card.liquor, units.volume)}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </>
  );
}
