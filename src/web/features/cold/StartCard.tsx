import type { BatchPlanned } from '#core/cold';
import { spoonsText, warmStartWords } from '#core/recipes';
import { weekdayAndTime } from '#core/time';
import {
  type Celsius,
  epochMs,
  minutesText,
  numberText,
  readingText,
  temperatureText,
  volumeText,
} from '#core/units';
import { waterAdvice } from '#core/water';
import type { Version } from '#contracts/recipes';
import type { Tea } from '#contracts/teas';
import type { Vessel } from '#contracts/vessels';
import { lengthWords } from '../../entities/batches/words';
import { useClock, useSession, useUnits } from '../../entities/people/session';
import { useNow } from '../../platform/clock';
import { Fact } from '../../ui/Fact';
import { oneTap } from '../../ui/keys';
import { Note } from '../../ui/Note';

const DRAWN_EVERY_MS = 20_000;
/** A window that moves by less than this is the recipe's own, s. */
const SAME_WINDOW_S = 10 * 60;

/** What to weigh, pour and do for one batch, when it is right, and until when it keeps. */
export function StartCard({
  tea,
  version,
  vessel,
  planned,
  fridge,
  canStart,
  onStart,
}: {
  tea: Tea;
  version: Version;
  vessel: Vessel;
  planned: BatchPlanned;
  fridge: Celsius;
  canStart: boolean;
  onStart: () => void;
}) {
  const units = useUnits();
  const now = useNow(DRAWN_EVERY_MS);
  const clock = useClock();
  const { site } = useSession();
  const { plan, card } = planned;
  const best = epochMs(now + plan.window.best * 1000);
  const isCounter = plan.place === 'counter';
  const out = epochMs(
    isCounter
      ? now + plan.keeping.counterHours * 3_600_000
      : best + plan.keeping.keepHours * 3_600_000,
  );
  const water = plan.water - plan.ice - (plan.hotFirst?.water ?? 0);
  return (
    <section className="paper" aria-label="Card">
      <p className="small">
        {vessel.name}, house recipe {version.number}
      </p>
      <h2 className="tea text-[26px]">{tea.name}</h2>
      <div className="facts">
        <Fact label="leaf" unit="g">
          {numberText(plan.leaf)}
        </Fact>
        {plan.hotFirst && (
          <Fact
            label="hot water first"
            unit={`at ${temperatureText(plan.hotFirst.temperature, units.temperature)}`}
          >
            {volumeText(plan.hotFirst.water, units.volume)}
          </Fact>
        )}
        <Fact label="cold water" unit={`at ${temperatureText(plan.waterAt, units.temperature)}`}>
          {volumeText(water as typeof plan.water, units.volume)}
        </Fact>
        {plan.ice > 0 && (
          <Fact label="ice" unit="g, in place of water">
            {numberText(plan.ice, 0)}
          </Fact>
        )}
      </div>
      {card.spoons && <p className="small">{spoonsText(card.spoons)}</p>}
      <p className="mt-2">
        Lift the leaf at <b>{weekdayAndTime(clock, best)}</b>, after {minutesText(plan.window.best)}{' '}
        (from {minutesText(plan.window.earliest)} to {minutesText(plan.window.latest)}).{' '}
        <WindowMoved planned={planned} fridge={fridge} />
      </p>
      <p className="mt-1">
        Yield: {volumeText(plan.liquor, units.volume)}. Throw out by{' '}
        <b>{weekdayAndTime(clock, out)}</b>.
      </p>
      {isCounter ? (
        <Note bad>
          <b>At room temperature:</b> {numberText(plan.keeping.counterHours)} hours from leaf in,
          then throw out what is left. The fridge does not lengthen this time.
        </Note>
      ) : (
        <ChillWords planned={planned} />
      )}
      <p className="small mt-2">
        {[
          warmStartWords(version.recipe, units.temperature),
          ...(site.water.filtered ? ['Use filtered water.'] : waterAdvice(site.water)),
          version.recipe.lid ? 'Close the lid tightly.' : 'Leave the lid off.',
          isCounter
            ? 'Cover the pitcher and keep it out of the sun.'
            : 'Put the pitcher at the back of the fridge, not in the door.',
          version.recipe.note,
        ]
          .filter(Boolean)
          .join(' ')}
      </p>
      <p className="small mt-2">
        <b>Allergens:</b> {tea.allergens || 'none named'}. Use a clean, sanitised pitcher. When in
        doubt, throw the batch out. The local food code decides.
      </p>
      <div className="foot">
        <button type="button" className="btn go" disabled={!canStart} onClick={oneTap(onStart)}>
          Leaf in: start <kbd>Enter</kbd>
        </button>
      </div>
    </section>
  );
}

/** By how much this fridge and water move the recipe's hours. */
function WindowMoved({ planned, fridge }: { planned: BatchPlanned; fridge: Celsius }) {
  const units = useUnits();
  const by = planned.plan.window.best - planned.recipeWindow.best;
  if (Math.abs(by) < SAME_WINDOW_S) return null;
  return (
    <span className="small">
      {planned.plan.place === 'counter'
        ? `With water at ${temperatureText(planned.plan.waterAt, units.temperature)}`
        : `This fridge has ${readingText(fridge, units.temperature)}`}
      : ready {lengthWords(Math.abs(by) / 60)} {by < 0 ? 'sooner' : 'later'} than the recipe says (
      {minutesText(planned.recipeWindow.best)}).
    </span>
  );
}

/** Whether it is cold soon enough, and what would make it so. */
function ChillWords({ planned: { plan, chill } }: { planned: BatchPlanned }) {
  const units = useUnits();
  const limit = temperatureText(plan.keeping.limit, units.temperature);
  if (chill.inTime) return null;
  if (chill.waterAtMost === null || chill.coldAfter === null)
    return (
      <Note bad>
        The fridge is warmer than {limit}, so no batch gets cold enough. Set the fridge colder
        first.
      </Note>
    );
  return (
    <p className="mt-2">
      Without ice the batch needs {minutesText(chill.coldAfter)} to reach {limit}. Add the ice, or
      use water at <b>{temperatureText(chill.waterAtMost, units.temperature)}</b>.
    </p>
  );
}
