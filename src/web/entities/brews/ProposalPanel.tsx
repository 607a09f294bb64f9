import type { ReactNode } from 'react';
import { ALL_CUPS, isRight, type Proposal, type Verdict } from '#core/corrections';
import { ProposalMarks } from './ProposalMarks';

const noPrediction = ({ rowId }: Proposal): string =>
  rowId === ALL_CUPS
    ? 'Solid: this cup. All judged cups of the tea count here, not this cup alone. '
    : 'Rule of the trade, not a prediction. ';

/** One correction for the next time, in words and drawn; or, while all is right, what was to be expected. */
export function ProposalPanel({
  title,
  verdict,
  proposal,
  basis,
  judged,
  expect,
  onKeep,
  children,
}: {
  title: string;
  verdict: Verdict;
  proposal: Proposal;
  /** What the prediction is based on. */
  basis: string;
  /** What was judged, as the drawing calls it: "this cup". */
  judged: string;
  expect: ReactNode;
  onKeep: (accepted: boolean) => void;
  /** What is done with the cup in hand. */
  children: ReactNode;
}) {
  return (
    <section className="paper" aria-label="Correction">
      <h2>{title}</h2>
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
            {expect}
          </div>
          {proposal.lever !== 'keep' && <Keeping proposal={proposal} onKeep={onKeep} />}
          <p className="mt-4">
            Touch what is off, colour or taste, and one correction is said here.
          </p>
        </>
      ) : (
        <>
          <ProposalMarks verdict={verdict} proposal={proposal} />
          <p className="small">
            {proposal.expected
              ? `Solid: ${judged}. Outlined: what the change should give. ${basis}. `
              : noPrediction(proposal)}
            {proposal.second
              ? `Nearly as good: ${proposal.second.headline} (${proposal.second.change}).`
              : ''}
          </p>
          <Keeping proposal={proposal} onKeep={onKeep} />
          <hr />
          {children}
        </>
      )}
    </section>
  );
}

/** Keeps the verdict, and whether the lead hears of the change. */
function Keeping({
  proposal,
  onKeep,
}: {
  proposal: Proposal;
  onKeep: (accepted: boolean) => void;
}) {
  return (
    <div className="foot" style={{ marginTop: 0 }}>
      {proposal.lever === 'keep' ? (
        <button type="button" className="btn go" onClick={() => onKeep(false)}>
          Keep
        </button>
      ) : (
        <>
          <button type="button" className="btn go" onClick={() => onKeep(true)}>
            Keep, tell the lead
          </button>
          <button type="button" className="btn" onClick={() => onKeep(false)}>
            Keep as it is
          </button>
        </>
      )}
    </div>
  );
}
