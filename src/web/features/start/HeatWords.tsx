import { type Card, handlingWords, leewayWords, type Recipe } from '#core/recipes';
import { celsius, minutesText, numberText, temperatureText, volumeText } from '#core/units';
import { leafActWords } from '#core/vessels';
import type { BrewedVessel } from '#contracts/vesselFacts';
import { useUnits } from '../../entities/people/session';

/** Less than this is no difference that anybody tastes, °C. */
const JUST = 0.5;

export function HeatWords({ card }: { card: Card }) {
  const units = useUnits();
  const { heat } = card;
  const t = (c: number) => temperatureText(celsius(c), units.temperature);
  if (heat.kind === 'outOfReach') {
    return card.prewarmNeeded ? (
      <p>
        <b>Warm the vessel first</b>
        <em>
          cold, it would take {t(heat.kettleSetting)}; water boils at {t(card.boiling)} here
        </em>
      </p>
    ) : (
      <p>
        <b>Straight off the boil</b>
        <em>
          {heat.short < JUST ? 'just enough here' : `${numberText(heat.short, 0)} °C short here`}:
          water boils at {t(card.boiling)}.{heat.short >= JUST && ' Give it longer'}
        </em>
      </p>
    );
  }
  const { splash, wait } = heat;
  const cold =
    splash && splash.cold > 4
      ? `or boiling onto ${volumeText(splash.cold as never, units.volume)} cold`
      : null;
  const off = wait && wait > 20 && wait < 3600 ? `${minutesText(wait)} off the boil` : null;
  return (
    <p>
      Kettle to {t(heat.kettleSetting)}, {card.warmed ? 'vessel warmed' : 'vessel cold'}
      <em>{[cold, off].filter(Boolean).join(', or ') || 'just boiled'}</em>
    </p>
  );
}

export function handsWords(recipe: Recipe, vessel: BrewedVessel): string {
  const pull = leafActWords(vessel, recipe.handling.root).sentence;
  const again = recipe.later.length
    ? `Then again: ${recipe.later.map((w) => minutesText(w.best)).join(', ')}.`
    : '';
  return [
    vessel.lid && (recipe.lid ? 'Lid on.' : 'Lid off.'),
    pull,
    ...handlingWords({ ...recipe, later: [] }),
    again,
    recipe.note,
    leewayWords(recipe),
  ]
    .filter(Boolean)
    .join(' ');
}
