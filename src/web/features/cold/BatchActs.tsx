import { useState } from 'react';
import { Link } from 'react-router';
import { DISCARD_REASON_NAMES, DISCARD_REASONS, type DiscardReason } from '#core/cold';
import {
  type EpochMs,
  type Millilitres,
  millilitres,
  minutesText,
  parseVolume,
  volumeText,
} from '#core/units';
import { hotStageEnds } from '../../entities/batches/hotStage';
import type { ColdBatch } from '../../entities/batches/standing';
import { type Doing, useAct } from '../../entities/batches/useAct';
import { useUnits } from '../../entities/people/session';
import { useGo } from '../../platform/useGo';
import { oneTap, useKeys } from '../../ui/keys';
import { HotStage } from './HotStage';
import { MoreActs } from './MoreActs';
import { Serve } from './Serve';
import { OutOnCounter } from './Shelve';
import { VolumeRow } from './VolumeRow';

const GLASS = millilitres(220);
const MOST_GLASSES = 6;

/** What hands can do to it now; every act can be taken back. */
export function BatchActs({ batch, now }: { batch: ColdBatch; now: EpochMs }) {
  const doing = useAct(batch, now);
  const { state } = batch.now;
  if (state.kind !== 'infusing' && state.kind !== 'drawn')
    return <p className="text-[19px] font-semibold">This batch has ended.</p>;
  return (
    <>
      <OutOnCounter batch={batch} doing={doing} />
      <FirstForm batch={batch} now={now} doing={doing} />
      <DiscardForm batch={batch} doing={doing} />
      <MoreActs batch={batch} doing={doing} />
      {doing.refusal !== null && (
        <p className="fault mt-2" role="alert">
          {doing.refusal}
        </p>
      )}
    </>
  );
}
/** What is to be done next: the cold water, the lift, or to pour. */
function FirstForm({ batch, now, doing }: { batch: ColdBatch; now: EpochMs; doing: Doing }) {
  if (hotStageEnds(batch) !== null) return <HotStage batch={batch} doing={doing} />;
  return batch.now.state.kind === 'infusing' ? (
    <LiftForm batch={batch} now={now} doing={doing} />
  ) : (
    <DrawnForm batch={batch} doing={doing} />
  );
}

/** The leaf comes out: so much ran off, squeezed or not. */
function LiftForm({ batch, now, doing }: { batch: ColdBatch; now: EpochMs; doing: Doing }) {
  const units = useUnits();
  const [typed, setTyped] = useState('');
  const [fault, setFault] = useState('');
  const [squeezed, setSqueezed] = useState(false);
  const { plan } = batch;
  const shortBy = (batch.window.earliest - now) / 1000;
  const expected = squeezed ? plan.squeezedLiquor : plan.liquor;
  const lift = () => {
    let measured: Millilitres | null = null;
    if (typed.trim() !== '') {
      const read = parseVolume(typed, units.volume);
      if (read.kind === 'bad') return setFault(read.why);
      if (read.value > plan.water + 5)
        return setFault('That is more than the water that went in. Measure again.');
      measured = read.value;
    }
    setFault('');
    doing.act(
      { kind: 'lift', yield: measured, squeezed },
      `leaf out, ${volumeText(measured ?? expected, units.volume)}.`,
    );
  };
  useKeys([{ key: 'l', does: 'Leaf out', run: lift }]);
  return (
    <div className="form">
      <h2>Lift and drain</h2>
      {shortBy > 0 && (
        <p>
          The window begins in <b>{minutesText(shortBy)}</b>. Lift the leaf now only if the liquor
          tastes right.
        </p>
      )}
      <div className="field-row">
        <label htmlFor="ran-off">Liquor, measured</label>
        <input
          id="ran-off"
          className="box"
          value={typed}
          placeholder={`${volumeText(expected, units.volume)} expected`}
          aria-invalid={fault !== ''}
          aria-describedby={fault ? 'ran-off-fault' : undefined}
          onChange={(e) => setTyped(e.target.value)}
        />
        {fault && (
          <p className="fault" id="ran-off-fault" role="alert">
            {fault}
          </p>
        )}
      </div>
      {plan.hotFirst === null && (
        <label className="check">
          <input
            type="checkbox"
            checked={squeezed}
            onChange={(e) => setSqueezed(e.target.checked)}
          />
          I squeezed the leaf (cold leaf gives little bitterness)
        </label>
      )}
      <button type="button" className="btn go" onClick={oneTap(lift)}>
        Leaf out <kbd>L</kbd>
      </button>
    </div>
  );
}

/** Pour, let down with water, count what stands there. */
function DrawnForm({ batch, doing }: { batch: ColdBatch; doing: Doing }) {
  const units = useUnits();
  const go = useGo();
  const { left } = batch.now.ledger;
  const glasses = Math.min(MOST_GLASSES, Math.floor(left / GLASS));
  const pour = (n: number) =>
    doing.act(
      { kind: 'pour', ml: millilitres(n * GLASS), glasses: n },
      `${n === 1 ? 'a glass' : `${n} glasses`} poured.`,
    );
  const volume = (ml: Millilitres) => volumeText(ml, units.volume);
  const why = doing.refusalOf({ kind: 'pour', ml: millilitres(1), glasses: null });
  const byGlass = why === null && batch.plan.method !== 'extract';
  const judgePath = `/cold/${batch.id}/judge`;
  useKeys([{ key: 'j', does: 'Judge this batch', run: () => go(judgePath) }]);
  useKeys(byGlass ? [{ key: 'g', does: 'Pour a glass', run: () => pour(1) }] : []);
  return (
    <div className="form">
      <h2>
        {batch.plan.method === 'extract' ? 'Extract' : 'Pour'}
        <small>
          {volume(left)} left{byGlass && <>, glasses of {volume(GLASS)}</>}
        </small>
      </h2>
      {byGlass && (
        <div className="flex flex-wrap gap-2">
          {Array.from({ length: Math.max(1, glasses) }, (_, i) => (
            <button type="button" key={i} className="btn" onClick={oneTap(() => pour(i + 1))}>
              {i === 0 ? 'A glass' : `${i + 1} glasses`} {i === 0 && <kbd>G</kbd>}
            </button>
          ))}
        </div>
      )}
      {why !== null && <p className="font-semibold">{why}</p>}
      {why === null && batch.plan.method === 'extract' && (
        <Serve
          batch={batch}
          onPour={(ml) =>
            doing.act({ kind: 'pour', ml, glasses: 1 }, `a glass poured, ${volume(ml)} of extract.`)
          }
        />
      )}
      <VolumeRow
        label="Another amount, poured"
        button="Poured"
        onTake={(ml) => doing.act({ kind: 'pour', ml, glasses: null }, `${volume(ml)} poured.`)}
      />
      <VolumeRow
        label="Water added"
        button="Added"
        onTake={(ml) => doing.act({ kind: 'dilute', ml }, `${volume(ml)} of water added.`)}
      />
      <VolumeRow
        label="Liquor left, measured"
        button="Measured"
        mayBeNothing
        onTake={(ml) => doing.act({ kind: 'count', ml }, `${volume(ml)} measured.`)}
      />
      <Link className="btn justify-self-start" to={judgePath}>
        Judge this batch <kbd>J</kbd>
      </Link>
    </div>
  );
}

/** How much is thrown out, and why: asked together, so that neither is left out. */
function DiscardForm({ batch, doing }: { batch: ColdBatch; doing: Doing }) {
  const units = useUnits();
  const infusing = batch.now.state.kind === 'infusing';
  const left = infusing ? batch.plan.water : batch.now.ledger.left;
  const [reason, setReason] = useState<DiscardReason | ''>('');
  const [fault, setFault] = useState('');
  const discard = () => {
    if (reason === '') return setFault('Choose a reason.');
    setFault('');
    doing.act(
      { kind: 'discard', ml: left, reason },
      `${volumeText(left, units.volume)} thrown out: ${DISCARD_REASONS[reason]}.`,
    );
  };
  return (
    <div className="form mt-4">
      <h2>
        Throw out<small>the whole batch, {volumeText(left, units.volume)}</small>
      </h2>
      <div className="field-row">
        <label htmlFor="discard-reason">Why</label>
        <div className="with-unit">
          <select
            id="discard-reason"
            className="box"
            style={{ maxWidth: 'none' }}
            value={reason}
            aria-invalid={fault !== ''}
            aria-describedby={fault ? 'discard-fault' : undefined}
            onChange={(e) => setReason(e.target.value as DiscardReason | '')}
          >
            <option value="">choose</option>
            {DISCARD_REASON_NAMES.map((r) => (
              <option key={r} value={r}>
                {DISCARD_REASONS[r]}
              </option>
            ))}
          </select>
          <button type="button" className="btn whitespace-nowrap" onClick={oneTap(discard)}>
            Throw out
          </button>
        </div>
        {fault && (
          <p className="fault" id="discard-fault" role="alert">
            {fault}
          </p>
        )}
      </div>
    </div>
  );
}
