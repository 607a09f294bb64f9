import { glassWater, type JudgedBatch, tasteOfBatch } from '#core/cold';
import { isRight, type Proposal, type Verdict } from '#core/corrections';
import { differenceWords } from '#core/taste';
import { capital, type Millilitres, volumeText } from '#core/units';
import type { ColdBatch } from '../../entities/batches/standing';
import { ProposalMarks } from '../../entities/brews/ProposalMarks';
import { useUnits } from '../../entities/people/session';
import { predictionBasis } from '../../entities/teas/predictionBasis';
import { oneTap } from '../../ui/keys';

/** What its hours and its water should have made of it, against the batch lifted at its best. */
function expectWords(judged: JudgedBatch): string {
  const { plan } = judged;
  const best = { ...judged, steeped: plan.window.best, waterAfter: glassWater(plan) };
  const off = differenceWords(tasteOfBatch(judged), tasteOfBatch(best));
  return off.length > 0
    ? capital(`${off.join(', ')} than lifted at the best time.`)
    : 'As when lifted at the best time.';
}
/** What the model is based on: a batch keeps no fit of its own. */
const BASIS = predictionBasis({ fitted: null });

/** What to change at the next batch, by leaf or by hours, and what to do with this one. */
export function BatchCorrection({
  batch,
  judged,
  verdict,
  proposal,
  onKeep,
  onWater,
}: {
  batch: ColdBatch;
  judged: JudgedBatch;
  verdict: Verdict;
  proposal: Proposal;
  onKeep: (accepted: boolean) => void;
  onWater: (ml: Millilitres) => void;
}) {
  return (
    <section className="paper" aria-label="Correction">
      <h2>Next batch</h2>
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
          <div className="mt-3" data-testid="expect">
            <h2>To expect</h2>
            <p className="text-[19px] font-semibold">{expectWords(judged)}</p>
            <p className="small">{BASIS}.</p>
          </div>
          <p className="mt-4">
            Touch what is off, colour or taste, and one correction is said here.
          </p>
        </>
      ) : (
        <>
          <ProposalMarks verdict={verdict} proposal={proposal} />
          <p className="small">
            {proposal.expected
              ? `Solid: this batch. Outlined: what the change should give. ${BASIS}. `
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
          <ThisBatch batch={batch} proposal={proposal} onWater={onWater} />
        </>
      )}
    </section>
  );
}

/** Cold tea that is too strong takes water; one that is weak is served as it is, or not at all. */
function ThisBatch({
  batch,
  proposal: { cup },
  onWater,
}: {
  batch: ColdBatch;
  proposal: Proposal;
  onWater: (ml: Millilitres) => void;
}) {
  const units = useUnits();
  return (
    <>
      <h2>This batch</h2>
      {cup.water > 0 && (
        <p className="text-[19px] font-semibold" data-testid="rescue">
          Add {volumeText(cup.water, units.volume)} cold water to the{' '}
          {volumeText(batch.now.ledger.left, units.volume)} left
        </p>
      )}
      <p>{cup.text}</p>
      {cup.water > 0 && (
        <button type="button" className="btn mt-2" onClick={oneTap(() => onWater(cup.water))}>
          Water added
        </button>
      )}
    </>
  );
}
