import { ATTRIBUTES } from '#core/corrections';
import { FIT_SCORES } from '#core/fitting';
import type { Recipe } from '#core/recipes';
import { celsius, minutesText, numberText, temperatureText } from '#core/units';
import type { FitCup } from '#contracts/fits';
import { signedPercent } from '../../entities/brews/strength';
import { useUnits } from '../../entities/people/session';
import { dayText } from '../../ui/days';
import { offRecipe } from './FitChart';

export function Cups({
  cups,
  recipe,
  onLeave,
}: {
  cups: readonly FitCup[];
  recipe: Recipe;
  onLeave: (cup: string) => void;
}) {
  const units = useUnits();
  if (cups.length === 0) return null;
  return (
    <div className="wide-table" tabIndex={0} role="group" aria-label="Cups">
      <table className="grid-table plain fit-cups">
        <caption className="sr-only">Cups it is fitted to</caption>
        <thead>
          <tr>
            <th className="l">cup</th>
            <th>g/100 ml</th>
            <th>heat</th>
            <th>time</th>
            {FIT_SCORES.map((s) => (
              <th key={s}>{ATTRIBUTES[s].label.toLowerCase()}</th>
            ))}
            <th>measured</th>
            <th aria-label="Used" />
          </tr>
        </thead>
        <tbody>
          {cups.map((c) => (
            <tr key={c.id} className={c.left ? 'out' : ''}>
              <td className="l">
                {c.words}
                <span className="small">
                  {' '}
                  {dayText(c.at)}
                  {c.n > 1 ? `, ${c.n} tasters` : ''}
                </span>
              </td>
              <td className={offRecipe(c, recipe) ? 'font-bold' : ''}>
                {numberText((c.grams / c.water) * 100, 2)}
              </td>
              <td>{temperatureText(celsius(c.celsius), units.temperature)}</td>
              <td>{minutesText(c.seconds)}</td>
              {FIT_SCORES.map((s) => (
                <td key={s}>{c.scores[s] === undefined ? '' : numberText(c.scores[s])}</td>
              ))}
              <td>
                {[
                  c.solids === null ? null : `${numberText(c.solids / 10, 2)} %`,
                  c.colour === null ? null : `${signedPercent(c.colour)} colour`,
                ]
                  .filter(Boolean)
                  .join(', ')}
              </td>
              <td>
                <button
                  type="button"
                  className="btn slim quiet"
                  aria-pressed={c.left}
                  onClick={() => onLeave(c.id)}
                >
                  {c.left ? 'Use' : 'Leave out'}
                </button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
