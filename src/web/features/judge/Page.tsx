import { useEffect, useMemo, useState } from 'react';
import { Link, useParams } from 'react-router';
import { coolEnough, knownFrom, NOTHING_OBSERVED, type Observed } from '#core/brews';
import {
  ALL_RIGHT,
  type Attribute,
  COLOUR_STEPS,
  isRight,
  type Mark,
  type Verdict,
  verdictWords,
} from '#core/corrections';
import { wishWords } from '#core/recipes';
import { minutesText, secondsBetween, volumeText } from '#core/units';
import { AlsoSeen } from '../../entities/brews/AlsoSeen';
import type { BarBrew } from '../../entities/brews/barBrews';
import { brewMade } from '../../entities/brews/made';
import { foundTimeOf, proposalFor } from '../../entities/brews/proposal';
import { RunningStrip } from '../../entities/brews/RunningStrip';
import { useBar } from '../../entities/brews/useBar';
import { useBrewCommands } from '../../entities/brews/useBrewCommands';
import { VerdictBoard } from '../../entities/brews/VerdictBoard';
import { useUnits } from '../../entities/people/session';
import { swatchOf } from '../../entities/teas/liquor';
import { Awaited } from '../../platform/Awaited';
import { now } from '../../platform/clock';
import { useGo } from '../../platform/useGo';
import { useKeys } from '../../ui/keys';
import { Nothing } from '../../ui/Note';
import { useOtherCups, withAllCups } from './allCups';
import { dropBell } from './coolBell';
import { CoolEnough } from './CoolEnough';
import { Correction } from './Correction';

const COLOUR_HINT =
  'hold the white cup beside the screen, touch the nearest. Judge under the lamp, not by this screen’s light';

/** Judge one cup against the house standard; one correction, and what to do with the cup in hand. */
export function JudgePage() {
  const { id } = useParams();
  const { brews, asked } = useBar();
  const brew = brews.find((b) => b.id === id);
  if (!brew && !asked.data) return <Awaited what="the cup" of={[asked]} />;
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
  const [verdict, setVerdict] = useState<Verdict>({ ...ALL_RIGHT, colour: brew.seen ?? 0 });
  const [remark, setRemark] = useState('');
  const [observed, setObserved] = useState<Observed>(NOTHING_OBSERVED);
  const [isKeeping, setIsKeeping] = useState(false);
  const commands = useBrewCommands();
  const go = useGo();
  const units = useUnits();
  const { plan, state } = brew;
  const steeped =
    state.kind === 'pulled'
      ? secondsBetween(state.waterOn, state.pulled)
      : secondsBetween(now(), now());
  const brewed = useMemo(() => brewMade(brew, steeped), [brew, steeped]);
  const others = useOtherCups(brew);
  const found = others.isKnown ? others.found : null;
  const proposing = (v: Verdict) =>
    withAllCups(found, { brew, verdict: v, alone: proposalFor(brew, v, brewed) });
  // A few milliseconds of model: once a verdict, not once a draw.
  // eslint-disable-next-line react-hooks/exhaustive-deps -- the brew does not change under the judge
  const proposal = useMemo(() => proposing(verdict), [verdict, brewed, found]);
  const cooling = useMemo(() => coolEnough(plan, steeped), [plan, steeped]);
  const right = isRight(verdict);
  // A right cup that found its time by tasting has that to say of the recipe.
  const foundTime = useMemo(() => (right ? foundTimeOf(brew) : null), [right, brew]);
  const mark = (what: Attribute | 'colour', m: Mark) => setVerdict((v) => ({ ...v, [what]: m }));
  const keep = (v: Verdict, accepted: boolean) => {
    const ofVerdict = v === verdict ? proposal : proposing(v);
    const p = (accepted && isRight(v) && foundTime) || ofVerdict;
    commands.judge(
      brew,
      { verdict: v, proposal: p, accepted, remark, observed },
      `${brew.tea.name}: ${verdictWords(v)}. ${accepted && p.lever !== 'keep' ? `“${p.headline}” noted for the lead.` : 'Kept.'}`,
    );
    dropBell(brew.id);
    go('/');
  };
  const accepts = !right || foundTime !== null;
  // A quick hand keeps the cup before the other cups are here: it is kept when they are.
  useEffect(() => {
    if (isKeeping && others.isKnown) keep(verdict, accepts);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- once, when they come
  }, [isKeeping, others.isKnown]);
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
      run: () => (right || others.isKnown ? keep(verdict, accepts) : setIsKeeping(true)),
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
          {plan.wish && (
            <>
              , <b>{wishWords(plan.wish)}</b>: judge the cup that the guest asked for
              {plan.wish.milk !== 'none' && ', with the milk in'}
            </>
          )}
        </span>
        <span className="gap" />
        <div className="judge-strip">
          <RunningStrip scale={0.24} words={false} />
        </div>
      </div>
      <section className="work">
        <VerdictBoard
          verdict={verdict}
          onMark={mark}
          liquorAt={(strength) => swatchOf(knownFrom(plan, brew.tea.style), plan.recipe, strength)}
          colourHint={
            plan.wish && plan.wish.milk !== 'none'
              ? `before the milk goes in: ${COLOUR_HINT}`
              : COLOUR_HINT
          }
          onAllRight={() => keep(ALL_RIGHT, false)}
          remark={remark}
          onRemark={setRemark}
          laterPath="/"
          tasteHint={<CoolEnough brew={brew} cooling={cooling} />}
          faultWords="Another fault, or a remark"
        >
          <AlsoSeen teaId={brew.tea.id} observed={observed} onObserved={setObserved} />
        </VerdictBoard>
      </section>
      <Correction
        brew={brew}
        brewed={brewed}
        verdict={verdict}
        proposal={foundTime ?? proposal}
        others={others}
        onKeep={(accepted) => keep(verdict, accepted)}
        onLeafBack={leafBack}
      />
    </main>
  );
}
