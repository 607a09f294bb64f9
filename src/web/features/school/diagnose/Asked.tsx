import { cupSentence, factsWords, houseCupOf, liquorOfMade, madeWith } from '#core/training';
import {
  celsius,
  millilitres,
  minutesText,
  numberText,
  temperatureText,
  volumeText,
} from '#core/units';
import { useUnits } from '../../../entities/people/session';
import { Cup } from '../../../entities/teas/Cup';
import { unbroken } from '../../../ui/unbroken';
import type { CupAsked } from '../drill.worker';

/** The question on porcelain: this cup, the house cup, what a taster says, what is known. */
export function Asked({ question: { given, diagnosis } }: { question: CupAsked }) {
  const units = useUnits();
  const { cup } = given;
  const house = liquorOfMade(madeWith(houseCupOf(cup), []));
  const facts = factsWords(given.known, cup, diagnosis);
  return (
    <div className="porcelain">
      <figure>
        <Cup liquor={liquorOfMade(diagnosis.made)} size={190} label="This cup" />
        <figcaption>this cup</figcaption>
      </figure>
      <figure>
        <Cup liquor={house} size={104} label="The house cup" />
        <figcaption>house cup</figcaption>
      </figure>
      <div>
        <p className="text-[24px] leading-[1.3]">{cupSentence(diagnosis)}</p>
        <p className="mt-3">
          <b className="tea">{cup.tea}</b>, {cup.vessel},{' '}
          {unbroken(volumeText(millilitres(cup.waterMl), units.volume))}. House:{' '}
          {unbroken(
            `${numberText(cup.leafGrams, 1)} g, ` +
              `${temperatureText(celsius(cup.temperatureC), units.temperature)}, ` +
              `${minutesText(cup.seconds)}.`,
          )}
        </p>
        <p>
          {facts.length > 0 ? unbroken(`Known: ${facts.join('; ')}.`) : 'Nothing else is known.'}
        </p>
      </div>
    </div>
  );
}
