import { useMemo, useState } from 'react';
import { Link, useParams } from 'react-router';
import { isNothing, NOTHING_OBSERVED } from '#core/brews';
import {
  ALL_RIGHT,
  type Attribute,
  COLOUR_STEPS,
  isRight,
  type Mark,
  type Verdict,
  verdictWords,
} from '#core/corrections';
import { METHODS } from '#core/recipes';
import { minutesText, volumeText } from '#core/units';
import { judgedBatch, proposalForBatch } from '../../entities/batches/judging';
import { liquorAtStrength } from '../../entities/batches/liquor';
import type { ColdBatch } from '../../entities/batches/standing';
import { useAct } from '../../entities/batches/useAct';
import { useCold } from '../../entities/batches/useCold';
import { AlsoSeen } from '../../entities/brews/AlsoSeen';
import { VerdictBoard } from '../../entities/brews/VerdictBoard';
import { useUnits } from '../../entities/people/session';
import { useNow } from '../../platform/clock';
import { useGo } from '../../platform/useGo';
import { useKeys } from '../../ui/keys';
import { Loading, Nothing } from '../../ui/Note';
import { BatchCorrection } from './BatchCorrection';

/** Refusals are looked at again so often: a batch may end while it is judged. */
const LOOKED_EVERY_MS = 10_000;

/** Judge a batch as any cup: colour, taste, one correction for the next batch, and what to do with this one. */
export function JudgeBatchPage() {
  const { id } = useParams();
  const cold = useCold();
  const batch = cold.batches.find((b) => b.id === id);
  if (cold.isLoading)
    return (
      <main className="page">
        <Loading what="the batch" />
      </main>
    );
  if (batch?.now.state.kind !== 'drawn')
    return (
      <main className="page p-6">
        <Nothing
          action={
            <Link className="btn" to={batch ? `/cold/${batch.id}` : '/cold'}>
              {batch ? 'To the batch' : 'To Cold'}
            </Link>
          }
        >
          {batch?.now.state.kind === 'infusing'
            ? 'The leaf is still in. Lift the leaf first.'
            : 'This batch has ended.'}
        </Nothing>
      </main>
    );
  return <Judge key={batch.id} batch={batch} />;
}

function Judge({ batch }: { batch: ColdBatch }) {
  const [verdict, setVerdict] = useState<Verdict>(ALL_RIGHT);
  const [remark, setRemark] = useState('');
  const [observed, setObserved] = useState(NOTHING_OBSERVED);
  const { act, refusal } = useAct(batch, useNow(LOOKED_EVERY_MS));
  const go = useGo();
  const units = useUnits();
  const judged = judgedBatch(batch, verdict);
  // A few milliseconds of model: once a verdict, not once a draw.
  const proposal = useMemo(
    () => proposalForBatch(batch, verdict),
    // eslint-disable-next-line react-hooks/exhaustive-deps -- what is left of the batch may change; its taste does not
    [verdict, batch.id, batch.now.ledger.diluted],
  );
  const right = isRight(verdict);
  const mark = (what: Attribute | 'colour', m: Mark) => setVerdict((v) => ({ ...v, [what]: m }));
  const back = () => go(`/cold/${batch.id}`);
  const keep = (v: Verdict, accepted: boolean) => {
    const p = v === verdict ? proposal : proposalForBatch(batch, v);
    const toLead = accepted && p.lever !== 'keep';
    const said = isRight(v)
      ? 'right. Kept.'
      : `${verdictWords(v)}. ${toLead ? `“${p.headline}” noted for the lead.` : 'Kept.'}`;
    const noted = isNothing(observed) ? {} : { observed };
    const taste = { kind: 'taste', verdict: v, proposal: p, accepted: toLead, remark } as const;
    if (act({ ...taste, ...noted }, said)) back();
  };
  useKeys([
    ...COLOUR_STEPS.map((s, i) => ({
      key: String(i + 1),
      does: `Colour: ${s.word}`,
      run: () => mark('colour', s.mark),
    })),
    {
      key: 'Enter',
      does: right ? 'All as it should be' : 'Keep the verdict and tell the lead',
      run: () => keep(verdict, !right),
    },
    { key: 'Escape', does: 'Judge later', run: back },
  ]);
  return (
    <main className="page split" style={{ gridTemplateColumns: undefined }}>
      <div className="say" style={{ padding: '0 24px', alignItems: 'center' }}>
        <h1 className="font-normal">
          Judge <span className="tea text-[25px]">{batch.tea.name}</span>
        </h1>
        <span className="small text-[16px]">
          {batch.vesselName}, {METHODS[batch.plan.method].label}, leaf in for{' '}
          {minutesText(judged.steeped)}, {volumeText(judged.left, units.volume)} left
        </span>
      </div>
      <section className="work">
        <VerdictBoard
          verdict={verdict}
          onMark={mark}
          liquorAt={(strength) => liquorAtStrength(batch.tea.style, strength)}
          colourHint="hold a glass of the batch beside the screen, touch the nearest. These cups are drawn for the style"
          onAllRight={() => keep(ALL_RIGHT, false)}
          remark={remark}
          onRemark={setRemark}
          laterPath={`/cold/${batch.id}`}
        >
          <AlsoSeen teaId={batch.tea.id} observed={observed} onObserved={setObserved} />
        </VerdictBoard>
        {refusal !== null && (
          <p className="fault" role="alert">
            {refusal}
          </p>
        )}
      </section>
      <BatchCorrection
        batch={batch}
        judged={judged}
        verdict={verdict}
        proposal={proposal}
        onKeep={(accepted) => keep(verdict, accepted)}
        onWater={(ml) => {
          act({ kind: 'dilute', ml }, `${volumeText(ml, units.volume)} of water added.`);
        }}
      />
    </main>
  );
}
