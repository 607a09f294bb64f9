import { useMemo } from 'react';
import type { ColouredBrew } from '#core/colour';
import type { Proposal, Verdict } from '#core/corrections';
import { brewCup } from '#core/cup';
import { cupWords, differenceWords } from '#core/taste';
import { capital, type Seconds } from '#core/units';
import type { BarBrew } from '../../entities/brews/barBrews';
import { ProposalPanel } from '../../entities/brews/ProposalPanel';
import { predictionBasis } from '../../entities/teas/predictionBasis';
import { CupInHand } from './CupInHand';
import { RecipeSays } from './RecipeSays';

/** What to do at the next brew, and with this cup. */
export function Correction({
  brew,
  brewed,
  verdict,
  proposal,
  onKeep,
  onLeafBack,
}: {
  brew: BarBrew;
  brewed: ColouredBrew;
  verdict: Verdict;
  proposal: Proposal;
  onKeep: (accepted: boolean) => void;
  onLeafBack: (more: number) => void;
}) {
  const basis = predictionBasis({ fitted: brew.plan.fitted ?? null });
  return (
    <ProposalPanel
      title="Next brew"
      judged="this cup"
      expect={<Expect brewed={brewed} best={brew.plan.recipe.window.best} basis={basis} />}
      {...{ verdict, proposal, basis, onKeep }}
    >
      <h2>This cup</h2>
      <CupInHand key={proposal.cup.kind} brew={brew} cup={proposal.cup} onLeafBack={onLeafBack} />
      <RecipeSays teaId={brew.tea.id} method={brew.method} />
    </ProposalPanel>
  );
}

/** What this pull should have made of the cup, before it is tasted. */
function Expect({ brewed, best, basis }: { brewed: ColouredBrew; best: Seconds; basis: string }) {
  const [now, house] = useMemo(
    () => [brewCup(brewed).taste, brewCup({ ...brewed, time: best }).taste],
    [brewed, best],
  );
  const off = differenceWords(now, house);
  return (
    <>
      <p className="text-[19px] font-semibold">
        {off.length ? capital(`${off.join(', ')} than its house cup.`) : 'As the house cup.'}
      </p>
      <p>
        {capital(cupWords(now))}. <span className="small">{basis}.</span>
      </p>
    </>
  );
}
