import { useMemo, useState } from 'react';
import { Link, useParams } from 'react-router';
import { knownFrom, toModelInput } from '#core/brews';
import type { ColouredBrew } from '#core/colour';
import {
  ALL_RIGHT,
  type Attribute,
  COLOUR_STEPS,
  isRight,
  type Mark,
  type Proposal,
  type Verdict,
  verdictWords,
} from '#core/corrections';
import { brewCup } from '#core/cup';
import type { KnownTea } from '#core/styles';
import { cupWords, differenceWords, JUST_NOTICEABLE, MARK } from '#core/taste';
import { capital, minutesText, type Seconds, secondsBetween, volumeText } from '#core/units';
import type { BarBrew } from '../../entities/brews/barBrews';
import { proposalFor } from '../../entities/brews/proposal';
import { RunningStrip } from '../../entities/brews/RunningStrip';
import { TasteBoard } from '../../entities/brews/TasteBoard';
import { useBar } from '../../entities/brews/useBar';
import { useBrewCommands } from '../../entities/brews/useBrewCommands';
import { useUnits } from '../../entities/people/session';
import { predictionBasis } from '../../entities/teas/predictionBasis';
import { now } from '../../platform/clock';
import { useGo } from '../../platform/useGo';
import { useKeys } from '../../ui/keys';
import { LevelMark } from '../../ui/LevelMark';
import { Loading, Nothing } from '../../ui/Note';
import { ColourCups } from './ColourCups';
import { CupInHand } from './CupInHand';

/** Judge one cup against the house standard; one correction, and what to do with the cup in hand. */
export function JudgePage() {
  const { id } = useParams();
  const { brews, isLoading } = useBar();
  const brew = brews.find((b) => b.id === id);
  if (isLoading && !brew)
    return (
      <main className="page">
        <Loading what="the cup" />
      </main>
    );
  if (!brew || brew.state.kind !== 'pulled') {
    return (
      <main className="page p-6">
        <Nothing
          action={
            <Link className="btn" to={brew ? '/' : `/log/${id ?? ''}`}>
              {brew ? 'To the bar' : 'See it in the log'}
            </Link>
          }
        >
          {brew
            ? 'This brew is still steeping: end the steep first.'
            : 'This cup is judged already, or given up.'}
        </Nothing>
      </main>
    );
  }
  return <Judge key={brew.id} brew={brew} />;
}

function Judge({ brew }: { brew: BarBrew }) {
  const [verdict, setVerdict] = useState<Verdict>(ALL_RIGHT);
  const [remark, setRemark] = useState('');
  const commands = useBrewCommands();
  const go = useGo();
  const units = useUnits();
  const { plan, state } = brew;
  const steeped =
    state.kind === 'pulled'
      ? secondsBetween(state.waterOn, state.pulled)
      : secondsBetween(now(), now());
  const brewed = useMemo(
    () => toModelInput(plan, brew.tea.style, steeped),
    [plan, brew.tea.style, steeped],
  );
  const proposing = (v: Verdict) => proposalFor(brew, v, brewed);
  // A few milliseconds of model: once a verdict, not once a draw.
  // eslint-disable-next-line react-hooks/exhaustive-deps -- the brew does not change under the judge
  const proposal = useMemo(() => proposing(verdict), [verdict, brewed]);
  const right = isRight(verdict);
  const mark = (what: Attribute | 'colour', m: Mark) => setVerdict((v) => ({ ...v, [what]: m }));
  const keep = (v: Verdict, accepted: boolean) => {
    const p = v === verdict ? proposal : proposing(v);
    commands.judge(
      brew,
      { verdict: v, proposal: p, accepted, remark },
      isRight(v)
        ? `${brew.tea.name}: right. Kept.`
        : `${brew.tea.name}: ${verdictWords(v)}. ${accepted && p.lever !== 'keep' ? `“${p.headline}” noted for the lead.` : 'Kept.'}`,
    );
    go('/');
  };
  const leafBack = (more: number) => {
    commands.leafBack(brew, more);
    go('/');
  };
  useKeys([
    ...COLOUR_STEPS.map((s, i) => ({
      key: String(i + 1),
      does: `Colour: ${s.word}`,
      run: () => mark('colour', s.mark),
    })),
    {
      key: 'Enter',
      does: right ? 'All as it should be' : 'Keep it and note the correction',
      run: () => keep(verdict, !right),
    },
    { key: 'Escape', does: 'Judge later', run: () => go('/') },
  ]);
  return (
    <main className="page split" style={{ gridTemplateColumns: undefined }}>
      <div className="say" style={{ padding: '0 24px', alignItems: 'center' }}>
        <h1 className="font-normal">
          Judge <span className="tea text-[25px]">{brew.tea.name}</span>
        </h1>
        <span className="small text-[16px]">
          {plan.vessel.name}, {volumeText(plan.water, units.volume)}, {plan.pull.done.toLowerCase()}{' '}
          {minutesText(steeped)}
        </span>
        <span className="gap" />
        <div className="judge-strip">
          <RunningStrip scale={0.24} words={false} />
        </div>
      </div>
      <section className="work">
        <h2>
          Colour
          <small>
            hold the white cup beside the screen, touch the nearest. Judge under the lamp, not by
            this screen’s light
          </small>
        </h2>
        <ColourCups
          verdict={verdict}
          onMark={mark}
          tea={knownFrom(plan, brew.tea.style)}
          recipe={plan.recipe}
        />
        <h2 className="mt-3">
          Taste<small>only what is off: touch above the line for more, below for less</small>
        </h2>
        <TasteBoard verdict={verdict} onMark={mark} />
        <div className="foot">
          <button
            type="button"
            className={`btn ${right ? 'go' : ''}`}
            onClick={() => keep(ALL_RIGHT, false)}
          >
            All as it should be
          </button>
          <input
            className="box fault-box"
            aria-label="Cloudy, or another fault"
            maxLength={200}
            placeholder="Cloudy, or another fault"
            value={remark}
            onChange={(e) => setRemark(e.target.value)}
          />
          <Link className="btn quiet" to="/">
            Judge later
          </Link>
        </div>
      </section>
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
        {right && (
          <Expect brewed={brewed} best={plan.recipe.window.best} fitted={plan.fitted ?? null} />
        )}
        {!right && <Marks verdict={verdict} proposal={proposal} />}
        {!right && (
          <p className="small">
            {proposal.expected
              ? `Solid: this cup. Outlined: what the change should give. ${predictionBasis({ fitted: plan.fitted ?? null })}. `
              : 'Rule of the trade, not a prediction. '}
            {proposal.second
              ? `Nearly as good: ${proposal.second.headline} (${proposal.second.change}).`
              : ''}
          </p>
        )}
        {!right && (
          <div className="foot" style={{ marginTop: 0 }}>
            <button type="button" className="btn go" onClick={() => keep(verdict, true)}>
              Keep, tell the lead
            </button>
            <button type="button" className="btn" onClick={() => keep(verdict, false)}>
              Keep as it is
            </button>
          </div>
        )}
        {!right && (
          <>
            <hr />
            <h2>This cup</h2>
            <CupInHand
              key={proposal.cup.kind}
              brew={brew}
              cup={proposal.cup}
              onLeafBack={leafBack}
            />
          </>
        )}
        {right && (
          <p className="mt-4">
            Touch what is off, colour or taste, and one correction is said here.
          </p>
        )}
      </section>
    </main>
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
