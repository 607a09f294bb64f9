import { glassWater, type JudgedBatch, proposeForBatch } from '#core/cold';
import type { Proposal, Verdict } from '#core/corrections';
import { seconds } from '#core/units';
import type { ColdBatch } from './standing';

/** Water in the cup that is judged beside the liquor that ran off: added to the batch, or in the glass of an extract. */
function waterAfter({ plan, now }: ColdBatch): number {
  const { diluted, yield: drawn } = now.ledger;
  const inBatch = drawn > 0 ? diluted / drawn : 0;
  return (1 + inBatch) * (1 + glassWater(plan)) - 1;
}
/** A drawn batch with its verdict, as the model takes it. */
export function judgedBatch(b: ColdBatch, verdict: Verdict): JudgedBatch {
  const { state, ledger } = b.now;
  return {
    verdict,
    style: b.tea.style,
    plan: b.plan,
    steeped: seconds(state.kind === 'drawn' ? (state.lifted - state.leafIn) / 1000 : 0),
    left: ledger.left,
    waterAfter: waterAfter(b),
  };
}
/** What is proposed for the next batch, and for this one. */
export const proposalForBatch = (b: ColdBatch, verdict: Verdict): Proposal =>
  proposeForBatch(judgedBatch(b, verdict));
