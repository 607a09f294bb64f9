import {
  afterRefill,
  drunkToAFifth,
  leafStaysIn,
  refillOf,
  type StandingPot,
  standingPot,
} from '#core/brews';
import {
  millilitres,
  minutesText,
  ML_PER,
  numberText,
  seconds,
  secondsBetween,
  volumeText,
} from '#core/units';
import type { BarBrew } from '../../entities/brews/barBrews';
import type { BrewCommands } from '../../entities/brews/commands';
import { madeOf } from '../../entities/brews/made';
import { useUnits } from '../../entities/people/session';
import { useNow } from '../../platform/clock';
import { oneTap } from '../../ui/keys';

/** Less than this left is no cup, ml. */
const LAST = 20;
/** What hot water again gives is said for so long after, s. */
const WAITS = [60, 180, 300] as const;

/** Cups out of a pot whose leaf stays in, each with its strength; what is left now, and what hot water again gives. */
export function CupByCup({
  brew,
  commands,
}: {
  brew: BarBrew;
  commands: Pick<BrewCommands, 'pour' | 'fillGlass'>;
}) {
  const units = useUnits();
  const now = useNow(1000);
  const { state, plan, tea, pours = [] } = brew;
  if (state.kind !== 'pulled') return <p>Nothing is poured yet.</p>;
  const stood = standingPot(
    madeOf(brew).plan,
    tea.style,
    pours,
    secondsBetween(state.waterOn, now),
  );
  const ml = (v: number) => volumeText(millilitres(v), units.volume);
  const isGlass = leafStaysIn(plan.vessel) === 'glass';
  const drunk = drunkToAFifth(stood);
  const cup = Math.min(plan.cups?.each ?? ML_PER.teacup, stood.left);
  return (
    <>
      <table className="plain">
        <thead>
          <tr>
            <th>cup</th>
            <th>after</th>
            <th>liquor</th>
            <th>strength of 10</th>
          </tr>
        </thead>
        <tbody>
          {stood.cups.map((c, i) => (
            <tr key={i}>
              <td>{i + 1}</td>
              <td>{minutesText(Math.round(c.after))}</td>
              <td>{ml(c.ml)}</td>
              <td>{numberText(c.cup.taste.strength)}</td>
            </tr>
          ))}
          <tr>
            <td>
              <b>now</b>
            </td>
            <td>{minutesText(Math.floor(stood.pot.after))}</td>
            <td>{ml(stood.left)} left</td>
            <td>
              <b>{numberText(stood.strength)}</b>
            </td>
          </tr>
        </tbody>
      </table>
      <AfterHotWater stood={stood} water={isGlass ? drunk : refillOf(stood)} />
      <div className="flex flex-wrap gap-2 mt-4">
        {!isGlass && stood.left >= LAST && (
          <button
            type="button"
            className="btn go"
            onClick={oneTap(() => commands.pour(brew, 'cup', millilitres(Math.round(cup))))}
          >
            Next cup, {ml(cup)}
          </button>
        )}
        {isGlass && drunk >= LAST && (
          <button
            type="button"
            className="btn go"
            onClick={oneTap(() => commands.fillGlass(brew, drunk))}
          >
            A fifth is left: fill the glass up, {ml(drunk)}
          </button>
        )}
        {!isGlass && refillOf(stood) >= LAST && (
          <button
            type="button"
            className={`btn ${stood.left < LAST ? 'go' : ''}`}
            onClick={oneTap(() => commands.pour(brew, 'refill', refillOf(stood)))}
          >
            Fill the pot up, {ml(refillOf(stood))}
          </button>
        )}
      </div>
      <p className="small mt-3">
        By the model, ±0.5: the rest goes on drawing from the leaf, in less and less water. Judge
        the first cup once the pot is empty: a judged brew leaves the bar.
      </p>
    </>
  );
}

/** What hot water on the same leaf would give from now on. */
function AfterHotWater({ stood, water }: { stood: StandingPot; water: number }) {
  if (water < LAST) return null;
  return (
    <p className="mt-3">
      <b>Hot water again now:</b>{' '}
      {WAITS.map((s) => {
        const strength = afterRefill(stood, millilitres(water), seconds(s));
        return `${numberText(strength)} after ${minutesText(s)}`;
      }).join(', ')}
      .
    </p>
  );
}
