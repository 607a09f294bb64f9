import { useMemo } from 'react';
import type { RescueTask } from '#core/corrections';
import {
  liquorOfMade,
  liquorRescued,
  RESCUE_LIVE,
  rescueCups,
  type RescueGiven,
  rescueInCup,
} from '#core/training';
import { Cup } from '../../../entities/teas/Cup';

const [LARGE, SMALL] = [150, 104];
const liquorOf = (brew: RescueTask['brew']) => liquorOfMade({ brew, leftMinutes: 0 });

/** The cup in hand and the house cup; at the level where one tastes as one goes, how the cup is by now. */
export function RescueScene({ given, value }: { given: RescueGiven; value: number | null }) {
  const task = useMemo(() => rescueCups(given), [given]);
  const isLive = given.ask === 'amount' && given.level === RESCUE_LIVE && value !== null;
  const inHand = useMemo(
    () => (isLive ? liquorRescued(given, value) : liquorOf(task.brew)),
    [given, isLive, task, value],
  );
  return (
    <>
      <div className="porcelain three">
        <figure>
          <Cup liquor={inHand} size={LARGE} label="The cup in hand" />
          <figcaption>{isLive ? 'in hand, by now' : 'in hand'}</figcaption>
        </figure>
        {task.weak && (
          <figure>
            <Cup liquor={liquorOf(task.weak)} size={SMALL} label="The weak cup" />
            <figcaption>weak cup</figcaption>
          </figure>
        )}
        <figure>
          <Cup liquor={liquorOf(task.house)} size={SMALL} label="The house cup" />
          <figcaption>house cup</figcaption>
        </figure>
      </div>
      {isLive && (
        <p className="mt-2" role="status">
          {rescueInCup(given, value)}
        </p>
      )}
    </>
  );
}
