import { glassWater, type JudgedBatch, tasteOfBatch } from '#core/cold';
import type { Proposal, Verdict } from '#core/corrections';
import { differenceWords } from '#core/taste';
import { capital, type Millilitres, volumeText } from '#core/units';
import type { ColdBatch } from '../../entities/batches/standing';
import { ProposalPanel } from '../../entities/brews/ProposalPanel';
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
    <ProposalPanel
      title="Next batch"
      judged="this batch"
      basis={BASIS}
      expect={
        <>
          <p className="text-[19px] font-semibold">{expectWords(judged)}</p>
          <p className="small">{BASIS}.</p>
        </>
      }
      {...{ verdict, proposal, onKeep }}
    >
      <ThisBatch batch={batch} proposal={proposal} onWater={onWater} />
    </ProposalPanel>
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
