import { leafShareOf, toModelInput } from '#core/brews';
import type { ColouredBrew } from '#core/colour';
import { ALL_RIGHT, type Proposal, propose, type Verdict } from '#core/corrections';
import { seconds, secondsBetween } from '#core/units';
import type { Brew } from '#contracts/brews';

const pouredOf = ({ plan, tea, state }: Brew): ColouredBrew =>
  toModelInput(
    plan,
    tea.style,
    'pulled' in state ? secondsBetween(state.waterOn, state.pulled) : seconds(0),
  );
/** What is proposed for a cup so judged. */
export const proposalFor = (
  brew: Brew,
  verdict: Verdict,
  brewed: ColouredBrew = pouredOf(brew),
): Proposal =>
  propose({
    verdict,
    recipe: brew.plan.recipe,
    style: brew.tea.style,
    brew: brewed,
    warmed: brew.plan.warmed,
    leafShare: leafShareOf(brew.plan, brew.marks),
    crowding: brew.plan.crowding,
  });
/** For a cup that is right in one touch. */
export const rightProposal = (brew: Brew): Proposal => proposalFor(brew, ALL_RIGHT);
