import type { Brewing } from '#core/cup';
import { CUP, newCup, quickCup } from '#core/quick';
import { MARK } from '#core/taste';
import { JUDGED, type JudgedIndex } from '../search';
import { turnBy, type Turning } from './units';

// How a cup is judged, in marks, and how its marks move with leaf, heat and time.

const PLACES = JUDGED.map((index) => CUP[index]);
export const SENSED = JUDGED.length;
/** Where each judged index stands among the six. */
export const placeOf = (index: JudgedIndex): number => JUDGED.indexOf(index);

const cup = newCup();
/** The six judged indices in marks, in the order of `JUDGED`. */
function senseInto(brew: Brewing, into: Float64Array, at = 0): void {
  quickCup(brew, cup);
  for (let i = 0; i < SENSED; i++) into[at + i] = (cup[PLACES[i] as number] as number) / MARK;
}
export function sensed(brew: Brewing): Float64Array {
  const marks = new Float64Array(SENSED);
  senseInto(brew, marks);
  return marks;
}

/** One lever turned, the two others as they are. */
const turnOne = (into: Turning, brew: Brewing, lever: number, by: number): void =>
  turnBy(into, brew, lever === 0 ? by : 0, lever === 1 ? by : 0, lever === 2 ? by : 0);

/** Half of the distance over which a slope is taken, effort units. */
const STEP = 0.25;
const [above, below] = [new Float64Array(SENSED), new Float64Array(SENSED)];
/**
 * How the six move with one unit of leaf, of heat and of time, marks: the slopes of each lever one after the other.
 * Central differences about the brew.
 */
export function slopesOf(brew: Brewing): Float64Array {
  const slopes = new Float64Array(3 * SENSED);
  const turning: Turning = { ...brew };
  for (let lever = 0; lever < 3; lever++) {
    turnOne(turning, brew, lever, STEP);
    senseInto(turning, above);
    turnOne(turning, brew, lever, -STEP);
    senseInto(turning, below);
    for (let i = 0; i < SENSED; i++)
      slopes[lever * SENSED + i] = ((above[i] as number) - (below[i] as number)) / (2 * STEP);
  }
  return slopes;
}
