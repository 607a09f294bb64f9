import { useMemo } from 'react';
import type { ColouredBrew } from '#core/colour';
import { isRight, type Proposal, type Verdict } from '#core/corrections';
import { brewCup } from '#core/cup';
import { cupWords, differenceWords } from '#core/taste';
import { capital } from '#core/units';
import type { BarBrew } from '../../entities/brews/barBrews';
import { ProposalPanel } from '../../entities/brews/ProposalPanel';
import { predictionBasis } from '../../entities/teas/predictionBasis';
import { Loading } from '../../ui/Note';
import type { OtherCups } from './allCups';
import { AllCupsLink } from './AllCupsLink';
import { CupInHand } from './CupInHand';
import { WhatChanged } from './WhatChanged';

/** What to do at the next brew, and with this cup. */
export function Correction({
  brew,
  brewed,
  verdict,
  proposal,
  others,
  onKeep,
  onLeafBack,
}: {
  brew: BarBrew;
  brewed: ColouredBrew;
  verdict: Verdict;
  proposal: Proposal;
  others: OtherCups;
  onKeep: (accepted: boolean) => void;
  onLeafBack: (more: number) => void;
}) {
  // Advice of this cup alone would be another’s a moment later, under a finger.
  if (!others.isKnown && !isRight(verdict))
    return (
      <section className="paper" aria-label="Correction">
        <Loading what="the other cups" />
      </section>
    );
  const basis = predictionBasis({ fitted: brew.plan.fitted ?? null });
  return (
    <ProposalPanel
      title="Next brew"
      judged="this cup"
      expect={<Expect brewed={brewed} plan={brew.plan} basis={basis} />}
      {...{ verdict, proposal, basis, onKeep }}
    >
      {proposal.lever === 'checkLot' && <WhatChanged brew={brew} />}
      <h2>This cup</h2>
      <CupInHand key={proposal.cup.kind} brew={brew} cup={proposal.cup} onLeafBack={onLeafBack} />
      {others.isKnown && others.found && <AllCupsLink teaId={brew.tea.id} found={others.found} />}
    </ProposalPanel>
  );
}

/** What this pull should have made of the cup, before it is tasted. */
function Expect({
  brewed,
  plan,
  basis,
}: {
  brewed: ColouredBrew;
  plan: BarBrew['plan'];
  basis: string;
}) {
  // A brew that found its time by tasting has that as its own best; the house has another.
  const best = plan.explore?.best ?? plan.recipe.window.best;
  const cup = plan.wish ? 'the cup that was asked for' : 'the house cup';
  const [now, house] = useMemo(
    () => [brewCup(brewed).taste, brewCup({ ...brewed, time: best }).taste],
    [brewed, best],
  );
  const off = differenceWords(now, house);
  return (
    <>
      <p className="text-[19px] font-semibold">
        {off.length ? capital(`${off.join(', ')} than ${cup}.`) : capital(`as ${cup}.`)}
      </p>
      <p>
        {capital(cupWords(now))}. <span className="small">{basis}.</span>
      </p>
    </>
  );
}
