import { useMemo } from 'react';
import type { ColouredBrew } from '#core/colour';
import { isRight, type Proposal, type Verdict, verdictWords } from '#core/corrections';
import { brewCup } from '#core/cup';
import type { KnownTea } from '#core/styles';
import { cupWords, differenceWords, JUST_NOTICEABLE, MARK } from '#core/taste';
import { capital, type Seconds } from '#core/units';
import type { BarBrew } from '../../entities/brews/barBrews';
import { predictionBasis } from '../../entities/teas/predictionBasis';
import { LevelMark } from '../../ui/LevelMark';
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
          <Marks verdict={verdict} proposal={proposal} />
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

/** One mark as drawn, px, and how far a block may go. */
const MARK_PX = 19;

const MOST = 2.3;

/** What was found, solid, and what the change should give, outlined, on and under the line that means right. */
function Marks({ verdict, proposal }: { verdict: Verdict; proposal: Proposal }) {
  const { expected } = proposal;
  const all = [
    ['Colour', 'colour'],
    ['Strength', 'strength'],
    ['Bitter', 'bitterness'],
    ['Drying', 'astringency'],
    ['Sweet', 'sweetness'],
    ['Aroma', 'aroma'],
  ] as const;
  const block = (x: number, m: number, solid: boolean) => {
    const h = Math.min(MOST, Math.abs(m)) * MARK_PX;
    return h < 2.5 ? (
      <LevelMark x={x + 9} y={45} size={10} className={solid ? '' : 'hope'} />
    ) : (
      <rect
        x={x}
        y={m > 0 ? 46 - h : 46}
        width="18"
        height={h}
        fill={solid ? 'var(--ink)' : 'none'}
        stroke={solid ? 'none' : 'var(--accent)'}
        strokeWidth="2.5"
      />
    );
  };
  return (
    <svg
      width="392"
      height="112"
      viewBox="0 0 392 112"
      role="img"
      aria-label={`Found: ${verdictWords(verdict)}${
        expected
          ? `. Expected after the change: ${
              all
                .filter(
                  ([, k]) => Math.abs(expected.then[k] - expected.now[k]) >= JUST_NOTICEABLE / 2,
                )
                .map(
                  ([name, k]) =>
                    `${name.toLowerCase()} ${expected.then[k] > expected.now[k] ? 'more' : 'less'}`,
                )
                .join(', ') || 'no change'
            }`
          : ''
      }`}
      style={{ maxWidth: '100%', height: 'auto', marginTop: 4 }}
    >
      <path d="M0 46H392" stroke="var(--ink)" strokeWidth="1.5" />
      {all.map(([name, k], i) => {
        const x = 8 + i * 65;
        return (
          <g key={name}>
            {block(x + 2, verdict[k], true)}
            {expected &&
              block(x + 25, verdict[k] + (expected.then[k] - expected.now[k]) / MARK, false)}
            <text x={x + 22} y="108" fontSize="14" textAnchor="middle" fill="var(--ink)">
              {name}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
