import { useState } from 'react';
import { COOL_ENOUGH, type Cooling } from '#core/brews';
import { minutesText, readingText, secondsBetween } from '#core/units';
import type { BarBrew } from '../../entities/brews/barBrews';
import { useUnits } from '../../entities/people/session';
import { useNow } from '../../platform/clock';
import { heard } from '../../platform/sound';
import { useAppDispatch, useAppSelector } from '../../platform/store';
import { toastShown } from '../../platform/toasts';
import { dropBell, isBellSet, setBell } from './coolBell';

const EVERY_MS = 1000;

/** Until the cup is cool enough to taste: how long that is, and one touch to be called then. */
export function CoolEnough({ brew, cooling }: { brew: BarBrew; cooling: Cooling }) {
  const units = useUnits();
  const dispatch = useAppDispatch();
  const { sound, vibrate } = useAppSelector((state) => state.settings);
  const [isSet, setIsSet] = useState(() => isBellSet(brew.id));
  const at = useNow(EVERY_MS);
  const since = brew.state.kind === 'pulled' ? secondsBetween(brew.state.pulled, at) : 0;
  const left = cooling.wait - since;
  const name = brew.tea.name;
  const toggle = () => {
    if (isSet) dropBell(brew.id);
    else
      setBell(brew.id, left * 1000, () => {
        heard('tap', brew.place, { sound, vibrate });
        const link = { words: 'Judge', to: `/judge/${brew.id}` };
        dispatch(toastShown({ text: `${name} is cool enough to taste.`, link }));
      });
    setIsSet(!isSet);
  };
  if (left <= 0)
    return <>cool enough now: only what is off, above the line for more, below for less</>;
  return (
    <span className="cooling">
      hot: about {minutesText(Math.ceil(left))} until a tasting cup is at{' '}
      {readingText(COOL_ENOUGH, units.temperature)}
      <button type="button" className="btn quiet slim" aria-pressed={isSet} onClick={toggle}>
        {isSet ? 'Do not ring' : 'Ring then'}
      </button>
    </span>
  );
}
