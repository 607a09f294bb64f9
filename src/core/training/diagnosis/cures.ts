import { celsius, grams, seconds } from '#core/units';
import {
  type CureLever,
  type Fault,
  FAULTS,
  hottestHere,
  type HouseCup,
  type MadeCup,
  madeWith,
  type VesselAct,
} from './faults';
import { type Six, tasteOfMade } from './tasted';

// What turning one lever does to a cup that is not as it should be, and how far it has to be turned.

/** Levers that are turned by so much; the vessel is done or not. */
export const SIZED_LEVERS = ['leaf', 'heat', 'time', 'water'] as const;
export type SizedLever = (typeof SIZED_LEVERS)[number];
export const isSized = (lever: CureLever): lever is SizedLever => lever !== 'vessel';

const steps = (from: number, to: number, by: number): number[] => {
  const first = Math.ceil(from / by - 1e-9);
  const last = Math.floor(to / by + 1e-9);
  const all = Array.from({ length: Math.max(0, last - first + 1) }, (_, i) => (first + i) * by);
  return all.filter((size) => size !== 0);
};
const COLDEST = 45;
const SHORTEST = 10;
/** How far a lever goes on this cup, and in which steps: leaf %, °C, s, water in % of the liquor. */
export function sizesOfLever(house: HouseCup, { brew }: MadeCup, lever: SizedLever): number[] {
  switch (lever) {
    case 'leaf':
      return steps(-80, 250, 5);
    case 'heat':
      return steps(
        Math.max(-30, COLDEST - brew.temperature),
        Math.min(30, hottestHere(house) - brew.temperature),
        1,
      );
    case 'time':
      return steps(Math.max(SHORTEST - brew.time, -brew.time), 600, 5);
    case 'water':
      return steps(5, 100, 5);
  }
}
/** The cup brewed again with a lever turned. */
export function turnedBy(made: MadeCup, lever: SizedLever, size: number): MadeCup {
  const { brew } = made;
  switch (lever) {
    case 'leaf':
      return { ...made, brew: { ...brew, leaf: grams(brew.leaf * (1 + size / 100)) } };
    case 'heat':
      return { ...made, brew: { ...brew, temperature: celsius(brew.temperature + size) } };
    case 'time':
      return { ...made, brew: { ...brew, time: seconds(brew.time + size) } };
    case 'water':
      return { ...made, brew: { ...brew, waterAfter: size / 100 } };
  }
}

/** One turn of a lever: by how much, or what is done to the vessel. */
export type Turn =
  | { readonly lever: SizedLever; readonly size: number }
  | { readonly lever: 'vessel'; readonly act: VesselAct };
/** The cup brewed again with all of those turns. */
export function afterTurns(
  house: HouseCup,
  faults: readonly Fault[],
  turns: readonly Turn[],
): MadeCup {
  const acts = turns.flatMap((t) => (t.lever === 'vessel' ? [t.act] : []));
  const left = faults.filter(({ id }) => !acts.some((act) => FAULTS[id].act === act));
  return turns.reduce(
    (made, t) => (t.lever === 'vessel' ? made : turnedBy(made, t.lever, t.size)),
    madeWith(house, left),
  );
}

/** The run of sizes about the best that bring every index near the house's. */
export type Bracket = {
  readonly lever: SizedLever;
  readonly low: number;
  readonly high: number;
  readonly best: number;
  /** The largest gap that is left at the best, indices. */
  readonly worst: number;
  /** Within half a step of the words, or within one. */
  readonly within: 'half' | 'step';
};
/** Half a step of the words, and one. */
export const HALF_STEP = 0.4;
export const WHOLE_STEP = 0.8;

export const worstGap = (house: Six, made: MadeCup): number =>
  tasteOfMade(made).reduce((most, x, i) => Math.max(most, Math.abs(x - (house[i] ?? 0))), 0);

/** What a lever can do for a cup; null: it does not bring it within a step. `wide`: a step is enough to be in it. */
export function bracketOf(
  house: HouseCup,
  taste: Six,
  made: MadeCup,
  lever: SizedLever,
  wide: boolean,
): Bracket | null {
  const tried = sizesOfLever(house, made, lever).map((size) => ({
    size,
    worst: worstGap(taste, turnedBy(made, lever, size)),
  }));
  const best = tried.reduce((a, b) => (b.worst < a.worst ? b : a), {
    size: 0,
    worst: Infinity,
  });
  if (best.worst > WHOLE_STEP) return null;
  const within = best.worst <= HALF_STEP ? 'half' : 'step';
  const most = wide || within === 'step' ? WHOLE_STEP : HALF_STEP;
  const at = tried.indexOf(best);
  let [low, high] = [at, at];
  while ((tried[low - 1]?.worst ?? Infinity) <= most) low -= 1;
  while ((tried[high + 1]?.worst ?? Infinity) <= most) high += 1;
  return {
    lever,
    low: tried[low]?.size ?? best.size,
    high: tried[high]?.size ?? best.size,
    best: best.size,
    worst: best.worst,
    within,
  };
}
