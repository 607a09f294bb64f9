import { useState } from 'react';
import {
  inWaterUntil,
  TASTE_EVERY,
  TASTE_MARKS,
  type TasteMark,
  tasteMarkWords,
  tastesWords,
} from '#core/brews';
import { capital, minutesText } from '#core/units';
import type { BarBrew } from '../../entities/brews/barBrews';
import type { BrewCommands } from '../../entities/brews/commands';
import { now } from '../../platform/clock';

type Props = {
  brew: BarBrew;
  commands: Pick<BrewCommands, 'endByTaste' | 'leafIn' | 'taste'>;
  onClose: () => void;
};
/** How the liquor tastes in the middle of its steep, and what becomes of the leaf. */
export function Tasting({ brew, commands, onClose }: Props) {
  const [openedAt] = useState(now);
  const [mark, setMark] = useState<TasteMark | undefined>(undefined);
  const { state, tastes = [] } = brew;
  const isOut = state.kind === 'tasting';
  const steeped = minutesText(Math.floor(inWaterUntil(state, openedAt) ?? 0));
  const pick = (picked: TasteMark) => setMark(mark === picked ? undefined : picked);
  const goOn = () => {
    if (isOut) commands.leafIn(brew, mark);
    else commands.taste(brew, openedAt, mark);
    onClose();
  };
  const end = () => {
    commands.endByTaste(brew, mark);
    onClose();
  };
  return (
    <>
      <p>
        <b>{steeped} in the water.</b>{' '}
        {isOut
          ? 'The clock waits while the leaf is out; the liquor cools. Lay the hot leaf on a saucer.'
          : 'The clock runs on.'}{' '}
        Let the spoon cool before you taste.
      </p>
      {tastes.length > 0 && <p className="small">Tasted before: {tastesWords(tastes)}</p>}
      <div className="taste-picks" role="group" aria-label="How it tastes">
        {TASTE_MARKS.map((value) => (
          <button
            type="button"
            key={value}
            className="btn slim"
            aria-pressed={mark === value}
            onClick={() => pick(value)}
          >
            {capital(tasteMarkWords(value))}
          </button>
        ))}
      </div>
      <div className="flex flex-wrap gap-2 mt-4">
        <button type="button" className={`btn ${mark === 0 ? '' : 'go'}`} onClick={goOn}>
          {isOut ? 'Leaf in again' : 'Keep the taste, steep on'}
        </button>
        <button type="button" className={`btn ${mark === 0 ? 'go' : ''}`} onClick={end}>
          {isOut ? `The steep is over, at ${steeped}` : 'End the steep now'}
        </button>
      </div>
      {brew.plan.explore && (
        <p className="small mt-3">
          The clock asks for the next taste after {TASTE_EVERY} s more in the water.
        </p>
      )}
    </>
  );
}
