import { cooled } from '#core/heat';
import { type Celsius, celsius, type EpochMs, type Seconds, seconds } from '#core/units';
import type { BrewPlan } from './plan';
import type { StepRecord } from './steps';

// Water that is left to cool off the boil: how long it was to wait, and how long it did.

type WaitPlan = Pick<BrewPlan, 'ambient' | 'splash' | 'kettleUsed'>;
type Marks = readonly Pick<StepRecord, 'key' | 'outcome' | 'at'>[];

/** Water that stood longer than this was boiled again, whatever was touched, s (from memory). */
const FORGOTTEN = 1800;
const MS = 1000;

/** When the kettle boiled, where its water is to wait and nobody said that cold water went in instead; null: not known. */
function boiledAt({ kettleUsed, splash }: WaitPlan, marks: Marks): EpochMs | null {
  if (!kettleUsed?.wait || !kettleUsed.cools) return null;
  const isMixed = splash && marks.findLast((mark) => mark.key === 'wait')?.outcome === 'done';
  if (isMixed) return null;
  const boiled = marks.findLast((mark) => mark.key === 'heat');
  return boiled?.outcome === 'done' ? boiled.at : null;
}
/** When water that waits off the boil is as hot as the card wants it; null: none waits. */
export function waterRightAt(plan: WaitPlan, marks: Marks): EpochMs | null {
  const boiled = boiledAt(plan, marks);
  return boiled === null ? null : ((boiled + (plan.kettleUsed?.wait ?? 0) * MS) as EpochMs);
}

/** How long water waited off the boil, and what that comes to. */
export type KettleWait = {
  readonly waited: Seconds;
  readonly planned: Seconds;
  /** Heat on the leaf less the card's, °C, by how this kettle cools. */
  readonly off: Celsius;
};
/** The wait of a brew whose water went on at `waterOn`; null where none was recorded. */
export function kettleWaitOf(plan: WaitPlan, marks: Marks, waterOn: EpochMs): KettleWait | null {
  const boiled = boiledAt(plan, marks);
  const { wait = null, cools } = plan.kettleUsed ?? {};
  if (boiled === null || wait === null || !cools) return null;
  const waited = seconds((waterOn - boiled) / MS);
  if (waited < 0 || waited > FORGOTTEN) return null;
  const after = (time: Seconds) => cooled(cools.from, plan.ambient, cools, time);
  return {
    ...{ waited, planned: wait },
    off: celsius(cools.arrives * (after(waited) - after(wait))),
  };
}
