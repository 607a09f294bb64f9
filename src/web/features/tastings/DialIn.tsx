import { useMemo } from 'react';
import { ATTRIBUTE_NAMES, ATTRIBUTES } from '#core/corrections';
import {
  cupWords,
  dialledIn,
  marksWords,
  offIn,
  type Round,
  roundOf,
  type Tasting,
} from '#core/tastings';
import { liquorOfCup } from '#core/tastings';
import { capital, countWord } from '#core/units';
import type { OpenTasting } from '#contracts/tastings';
import { useUnits } from '../../entities/people/session';
import { Cup } from '../../entities/teas/Cup';
import { predictionBasis } from '../../entities/teas/predictionBasis';
import { Next } from './dialIn/Next';
import { Means } from './Means';

/**
 * A lot on its way to right: every round's marks along the steps, what to turn next, and in the end a version with
 * the story.
 */
export function DialIn({ view, now }: { view: OpenTasting; now: Tasting }) {
  const units = useUnits();
  const round = useMemo(() => roundOf(view.exercise, now), [view.exercise, now]);
  const rounds: readonly Round[] = [...view.rounds, round];
  const right = dialledIn(round);
  const off = offIn(round);
  const unmarked = ATTRIBUTE_NAMES.filter((a) => round.means[a] === null).map((a) =>
    ATTRIBUTES[a].label.toLowerCase(),
  );
  const of = { tea: view.tea, recipe: view.version.recipe, vessel: view.vessel };
  return (
    <>
      <section className="work">
        <p className="headline" data-testid="dial-in-words">
          {roundWords({ round, right, rounds, off, unmarked })}
        </p>
        <div className="porcelain-strip dial-strip">
          {rounds.map((r, i) => (
            <span key={i} style={{ left: `${((i + 0.5) / rounds.length) * 100}%` }}>
              <Cup size={50} liquor={liquorOfCup(of, r.cup, r.cup.seconds)} />
              <em>
                <b>{i + 1}</b> {cupWords(r.cup, units.temperature)}
              </em>
            </span>
          ))}
        </div>
        <Means
          means={rounds.map((r) => r.means)}
          names={rounds.map((_, i) => `round ${i + 1}`)}
          joined
        />
        <p className="small">
          Blocks: the mean mark of each round, by its number. Between the dashes is right: half a
          step either way. Colours: expected, {predictionBasis(view.tea).toLowerCase()}.
        </p>
      </section>
      <section className="paper" aria-label="What to do">
        <Next view={view} round={round} rounds={rounds} right={right} />
      </section>
    </>
  );
}

/** What this round showed, in a sentence. */
function roundWords({
  round,
  right,
  rounds,
  off,
  unmarked,
}: {
  round: Round;
  right: boolean;
  rounds: readonly Round[];
  off: readonly string[];
  unmarked: string[];
}) {
  if (round.lost)
    return (
      <>
        <b>The cup of this round was lost:</b> {round.lost}. Brew it again.
      </>
    );
  if (right)
    return (
      <>
        <b>Right: every mark within half a step,</b> after {countWord(rounds.length)}{' '}
        {rounds.length === 1 ? 'round' : 'rounds'}.
      </>
    );
  if (off.length === 0)
    return (
      <>
        <b>Nothing is off, but not all was marked:</b> {unmarked.join(', ')}{' '}
        {unmarked.length === 1 ? 'is' : 'are'} open.
      </>
    );
  return (
    <>
      <b>{capital(marksWords(round))}</b> in round {rounds.length}; all else is within half a step
      {unmarked.length > 0 ? `, ${unmarked.join(', ')} not marked` : ''}.
    </>
  );
}
