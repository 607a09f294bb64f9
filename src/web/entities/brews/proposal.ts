import { tastesWords } from '#core/brews';
import type { ColouredBrew } from '#core/colour';
import {
  ALL_RIGHT,
  foundTimeProposal,
  type Proposal,
  propose,
  type Verdict,
} from '#core/corrections';
import { seconds, secondsBetween } from '#core/units';
import type { Brew } from '#contracts/brews';
import { brewMade, madeOf } from './made';

const pouredOf = (brew: Brew): ColouredBrew => {
  const { state } = brew;
  const steeped = 'pulled' in state ? secondsBetween(state.waterOn, state.pulled) : seconds(0);
  return brewMade(brew, steeped);
};
/** What is proposed for a cup so judged. */
export const proposalFor = (
  brew: Brew,
  verdict: Verdict,
  brewed: ColouredBrew = pouredOf(brew),
): Proposal => {
  const { leafShare, heatOff, notWarmed, stirsLeftOut, kettleWait } = madeOf(brew);
  return propose({
    verdict,
    recipe: brew.plan.recipe,
    style: brew.tea.style,
    brew: brewed,
    warmed: brew.plan.warmed && !notWarmed,
    ...{ leafShare, heatOff, stirsLeftOut, kettleWait },
    crowding: brew.plan.crowding,
  });
};
/** For a cup that is right and found its time by tasting: that time for its recipe, where it is another. */
export function foundTimeOf({ plan, state, tastes = [] }: Brew): Proposal | null {
  if (!plan.explore || !('pulled' in state)) return null;
  const steeped = secondsBetween(state.waterOn, state.pulled);
  return foundTimeProposal(plan.explore.best, steeped, tastesWords(tastes) || 'one taste');
}
/** For a cup that is right in one touch. */
export const rightProposal = (brew: Brew): Proposal => proposalFor(brew, ALL_RIGHT);
