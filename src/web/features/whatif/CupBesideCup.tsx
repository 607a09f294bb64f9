import { useMemo } from 'react';
import { type ColouredBrew, colourOfBrew } from '#core/colour';
import { brewCup, outsideLimits } from '#core/cup';
import { caffeineWords, cupWords } from '#core/taste';
import {
  capital,
  type Celsius,
  celsius,
  minutesText,
  numberText,
  temperatureText,
} from '#core/units';
import type { Tea } from '#contracts/teas';
import { DifferenceBars, differenceSentence } from '../../entities/brews/DifferenceBars';
import { useSession, useUnits } from '../../entities/people/session';
import { Cup } from '../../entities/teas/Cup';
import { predictionBasis } from '../../entities/teas/predictionBasis';
import { Note } from '../../ui/Note';
import type { Trying } from './trying';

/** What cannot be reached, what the marks are, and what makes a comparison hard. */
export function WhatIsShown({
  tried,
  hottest,
  unlike,
}: {
  tried: Trying;
  hottest: Celsius;
  unlike: readonly string[];
}) {
  const { temperature } = useUnits();
  return (
    <p className="small">
      {tried.temperature > hottest + 0.5 ? (
        <b>
          Out of reach: at {Math.round(tried.altitudeM)} m, poured into the warmed vessel, water is{' '}
          {temperatureText(hottest, temperature)} on the leaf at most; the cup shown has that.{' '}
        </b>
      ) : null}
      Open mark: the house recipe. Bracket: its window.{' '}
      {unlike.length > 1
        ? `${unlike.length === 2 ? 'Two' : 'Several'} things differ (${unlike.join(', ')}): compare with care.`
        : ''}
    </p>
  );
}

/** One cup, drawn, with what makes it. */
export function CupTried({
  name,
  tried,
  brew,
}: {
  name: string;
  tried: Trying;
  brew: ColouredBrew;
}) {
  const { temperature } = useUnits();
  return (
    <figure>
      <Cup liquor={colourOfBrew(brew, brew.time)} size={112} />
      <figcaption>
        <b>{name}</b>
        {numberText(tried.leaf)} g, {temperatureText(celsius(tried.temperature), temperature)},{' '}
        {minutesText(tried.time)}
      </figcaption>
    </figure>
  );
}

/** How one cup differs from the held one, as far as the model reaches. */
export function CupBesideCup({
  brew,
  held,
  tea,
}: {
  brew: ColouredBrew;
  held: ColouredBrew;
  tea: Tea;
}) {
  const [cup, heldCup] = useMemo(() => [brewCup(brew), brewCup(held)], [brew, held]);
  const outside = outsideLimits(brew);
  if (outside)
    return (
      <Note>
        <b>Outside the model.</b> {outside} Taste instead.
      </Note>
    );
  return (
    <>
      <p className="text-[19px] font-semibold mt-2" data-testid="whatif-words" aria-live="polite">
        {differenceSentence(cup.taste, heldCup.taste)}
      </p>
      <DifferenceBars cup={cup.taste} held={heldCup.taste} />
      <p className="small">
        The line is the held cup; one step is a taster’s mark. {predictionBasis(tea)}, ±0.5.{' '}
        {capital(cupWords(cup.taste))}. {caffeineWords(cup.caffeineMg, cup.liquor)}
      </p>
    </>
  );
}

/** Hold the cup, or make a trial recipe of it. */
export function WhatIfFoot({
  differs,
  onHold,
  onKeep,
}: {
  /** Something is not as the house has it. */
  differs: boolean;
  onHold: () => void;
  onKeep: () => void;
}) {
  const { role } = useSession();
  return (
    <div className="foot">
      <button type="button" className="btn" onClick={onHold}>
        Hold this one <kbd>H</kbd>
      </button>
      {role === 'lead' && (
        <button type="button" className="btn go" disabled={!differs} onClick={onKeep}>
          Make this the trial recipe
        </button>
      )}
    </div>
  );
}
