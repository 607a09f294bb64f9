import { useMemo } from 'react';
import type { ColouredBrew } from '#core/colour';
import { isRight, type Proposal, type Verdict } from '#core/corrections';
import { brewCup } from '#core/cup';
import type { KnownTea } from '#core/styles';
import { cupWords, differenceWords } from '#core/taste';
import { capital, type Seconds } from '#core/units';
import type { BarBrew } from '../../entities/brews/barBrews';
import { ProposalMarks } from '../../entities/brews/ProposalMarks';
import { predictionBasis } from '../../entities/teas/predictionBasis';
import { CupInHand } from './CupInHand';

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
  return (
    <section className="paper" aria-label="Correction">
      <h2>Next brew</h2>
      <div className="change" data-testid="change">
        {proposal.headline}
      </div>
      <p className="text-[19px] font-semibold">{proposal.change}</p>
      {proposal.reason && (
        <p className="mt-1">
          {proposal.reason}
          {proposal.partly ? ' This answers only a part of the verdict.' : ''}
        </p>
      )}
      {isRight(verdict) ? (
        <>
          <Expect
            brewed={brewed}
            best={brew.plan.recipe.window.best}
            fitted={brew.plan.fitted ?? null}
          />
          <p className="mt-4">
            Touch what is off, colour or taste, and one correction is said here.
          </p>
        </>
      ) : (
        <>
          <ProposalMarks verdict={verdict} proposal={proposal} />
          <p className="small">
            {proposal.expected
              ? `Solid: this cup. Outlined: what the change should give. ${predictionBasis({ fitted: brew.plan.fitted ?? null })}. `
              : 'Rule of the trade, not a prediction. '}
            {proposal.second
              ? `Nearly as good: ${proposal.second.headline} (${proposal.second.change}).`
              : ''}
          </p>
          <div className="foot" style={{ marginTop: 0 }}>
            <button type="button" className="btn go" onClick={() => onKeep(true)}>
              Keep, tell the lead
            </button>
            <button type="button" className="btn" onClick={() => onKeep(false)}>
              Keep as it is
            </button>
          </div>
          <hr />
          <h2>This cup</h2>
          <CupInHand
            key={proposal.cup.kind}
            brew={brew}
            cup={proposal.cup}
            onLeafBack={onLeafBack}
          />
        </>
      )}
    </section>
  );
}

/** What this pull should have made of the cup, before it is tasted. */
function Expect({
  brewed,
  best,
  fitted,
}: {
  brewed: ColouredBrew;
  best: Seconds;
  fitted: KnownTea['fitted'];
}) {
  const [now, house] = useMemo(
    () => [brewCup(brewed).taste, brewCup({ ...brewed, time: best }).taste],
    [brewed, best],
  );
  const off = differenceWords(now, house);
  return (
    <div className="mt-3" data-testid="expect">
      <h2>To expect</h2>
      <p className="text-[19px] font-semibold">
        {off.length ? capital(`${off.join(', ')} than its house cup.`) : 'As the house cup.'}
      </p>
      <p>
        {capital(cupWords(now))}. <span className="small">{predictionBasis({ fitted })}.</span>
      </p>
    </div>
  );
}
