import {
  type BrewPlan,
  type DonePlan,
  planAsDone,
  toModelInput,
  withOuts,
  withStirs,
} from '#core/brews';
import type { ColouredBrew } from '#core/colour';
import { type Seconds, seconds } from '#core/units';
import type { Brew } from '#contracts/brews';

const NOTHING_RECORDED = {
  ...{ leafShare: null, heatOff: null, kettleWait: null },
  ...{ notWarmed: false, stirsLeftOut: 0 },
};
const known = new WeakMap<Brew, DonePlan>();
/** The plan of a brew with what was recorded in its place so far: leaf weighed, heat read, a vessel not warmed, stirs left out, water that waited. */
export function madeOf(brew: Brew): DonePlan {
  const found = known.get(brew) ?? workOut(brew);
  known.set(brew, found);
  return found;
}
function workOut({ plan, state, tea, marks, readings, outs }: Brew): DonePlan {
  const all: BrewPlan = plan;
  if (!('waterOn' in state)) return { plan: all, ...NOTHING_RECORDED };
  // Any reading while the leaf was in counts: of a brew that runs there is none that is later.
  const steeped = 'pulled' in state ? (state.pulled - state.waterOn) / 1000 : Infinity;
  return planAsDone(all, tea.style, {
    ...{ steeped: seconds(steeped), waterOn: state.waterOn, marks, readings, outs },
  });
}
/** A brew as the models need it, as it was made so far, so many seconds on the leaf. */
export function brewMade(brew: Brew, time: Seconds): ColouredBrew {
  const { plan, stirsLeftOut } = madeOf(brew);
  return withStirs(withOuts(toModelInput(plan, brew.tea.style, time), brew.outs), stirsLeftOut);
}
